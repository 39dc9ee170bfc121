import type { LaneChange } from '~/core/lane';
import { wordChange } from './word-change';

/** Differences in plain sentences, gathered by piece. */
export function ChangeList({ changes }: { changes: readonly LaneChange[] }) {
  const names = [...new Set(changes.map((change) => change.pieceName))];
  return (
    <div className="flex flex-col gap-3">
      {names.map((name) => (
        <section key={name}>
          <h3 className="font-semibold">{name}</h3>
          <ul className="ms-4 list-disc marker:text-paint">
            {changes
              .filter((change) => change.pieceName === name)
              .map((change, i) => (
                <li key={i}>{wordChange(change)}</li>
              ))}
          </ul>
        </section>
      ))}
    </div>
  );
}
