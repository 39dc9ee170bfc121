import { useRef, useState } from 'react';
import type { Theme } from '~/core/lane';
import { readTokens, writeTokens } from '~/core/lane/document/design-tokens';
import { wordProblem } from '~/core/problems';
import type { SectionProps } from './section';

/** The theme as design tokens, out and in. What was taken in can be undone as any change. */
export function Tokens({ theme, change }: Pick<SectionProps, 'change'> & { readonly theme: Theme }) {
  const input = useRef<HTMLInputElement>(null);
  const [said, setSaid] = useState<{ readonly text: string; readonly isBad: boolean } | null>(null);

  function save(): void {
    const link = document.createElement('a');
    link.href = URL.createObjectURL(new Blob([writeTokens(theme)], { type: 'application/json' }));
    link.download = 'tokens.json';
    link.click();
    URL.revokeObjectURL(link.href);
  }

  async function take(file: File): Promise<void> {
    const read = readTokens(await file.text());
    if (!read.ok) return setSaid({ text: read.problems.map((problem) => wordProblem(problem)).join(' '), isBad: true });
    const { theme: taken, leftOut } = read.value;
    // A colour may be written in capitals: it is the same.
    const other = Object.entries(taken).filter(
      ([key, value]) => String(theme[key as keyof Theme]).toLowerCase() !== String(value).toLowerCase(),
    );
    const count = other.length;
    if (count > 0) change((draft) => void Object.assign(draft.theme, Object.fromEntries(other)));
    const rest =
      leftOut.length > 0
        ? ` Left out, as they stand for nothing here: ${leftOut.slice(0, 8).join(', ')}${leftOut.length > 8 ? ' …' : ''}.`
        : '';
    setSaid({
      text: `${count === 0 ? 'The shop has these values already.' : `${count} ${count === 1 ? 'value' : 'values'} taken over.`}${rest}`,
      isBad: false,
    });
  }

  return (
    <>
      <button className="btn" onClick={save}>
        Export design tokens
      </button>
      <button className="btn" onClick={() => input.current?.click()}>
        Import design tokens …
      </button>
      <input
        ref={input}
        type="file"
        accept=".json,.tokens,application/json"
        aria-label="Design tokens file"
        className="sr-only"
        tabIndex={-1}
        onChange={({ currentTarget }) => {
          const [file] = currentTarget.files ?? [];
          currentTarget.value = '';
          if (file) void take(file);
        }}
      />
      {said && (
        <p role={said.isBad ? 'alert' : 'status'} className={`help basis-full ${said.isBad ? '!text-brick' : ''}`}>
          {said.text}
        </p>
      )}
    </>
  );
}
