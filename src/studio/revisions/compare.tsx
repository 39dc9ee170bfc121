import { useState } from 'react';
import type { LaneChange } from '~/core/lane';
import { ask } from '~/studio/data/api';
import { ChangeList } from '~/studio/publish/change-list';
import { SelectField } from '~/studio/fields/fields';

/** What differs between any two revisions. */
export function Compare({ ids }: { readonly ids: readonly number[] }) {
  const [from, setFrom] = useState(ids[1]!);
  const [to, setTo] = useState(ids[0]!);
  const [found, setFound] = useState<{ of: string; changes: readonly LaneChange[] } | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const options = ids.map((id) => [String(id), `Revision ${id}`] as const);
  const of = `${from} ${to}`;

  async function compare(): Promise<void> {
    try {
      setFound({ of, changes: await ask('GET /api/studio/revisions/compare', { query: { from, to } }) });
      setProblem(null);
    } catch (error) {
      setProblem((error as Error).message);
    }
  }

  return (
    <section aria-label="Compare two revisions" className="mt-6 flex flex-col gap-3">
      <h2>Compare two revisions</h2>
      <div className="flex flex-wrap items-end gap-3">
        <SelectField label="From" value={String(from)} options={options} onChange={(id) => setFrom(Number(id))} />
        <SelectField label="To" value={String(to)} options={options} onChange={(id) => setTo(Number(id))} />
        <button className="btn" disabled={from === to} onClick={() => void compare()}>
          Compare
        </button>
      </div>
      {problem && (
        <p role="alert" className="text-brick">
          {problem}
        </p>
      )}
      {found?.of === of && (
        <div className="panel px-4 py-3" role="status">
          {found.changes.length === 0 ? (
            <p>
              Revisions {from} and {to} are the same.
            </p>
          ) : (
            <ChangeList changes={found.changes} level={2} />
          )}
        </div>
      )}
    </section>
  );
}
