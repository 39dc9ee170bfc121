import { useState } from 'react';
import { useDraft } from '~/studio/data/draft-store';

/** The sites that may show the shop's pieces; one a line. */
export function Sites() {
  const sites = useDraft((state) => state.lane.shop.sites);
  const change = useDraft((state) => state.change);
  const [problem, setProblem] = useState('');
  function take(typed: string): void {
    const wanted = typed.split(/\s+/).filter(Boolean);
    const read = wanted.map((one) => (URL.canParse(one) ? new URL(one).origin : null));
    const wrong = wanted.find((_, i) => !/^https?:/.test(read[i] ?? ''));
    setProblem(wrong ? `“${wrong}” is no address of a site. Write it as https://blog.example.` : '');
    if (!wrong) change((draft) => void (draft.shop.sites = [...new Set(read as string[])]));
  }
  return (
    <label className="flex max-w-xl flex-col gap-1">
      <span className="font-semibold">Sites that may show a frame or run the script</span>
      <span className="help">One a line, such as https://blog.example. Links and HTML work on every site.</span>
      <textarea
        key={sites.join()}
        className="field"
        rows={3}
        defaultValue={sites.join('\n')}
        onBlur={(event) => take(event.target.value)}
      />
      {problem && (
        <span role="alert" className="text-brick">
          {problem}
        </span>
      )}
    </label>
  );
}
