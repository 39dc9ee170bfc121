import { changeKey, type LaneChange } from '~/core/lane';
import { wordChange } from '~/studio/data/word-change';

interface Props {
  readonly changes: readonly LaneChange[];
  /** Takes one change out of the draft; without it they are only told. */
  readonly onDrop?: (change: LaneChange) => void;
  /** Changes that stay in the draft, by their keys, and what is done when one is ticked or not. */
  readonly left?: { readonly keys: ReadonlySet<string>; readonly onTick: (change: LaneChange, goes: boolean) => void };
  /** Of the headings: one below what stands over the list. */
  readonly level?: 2 | 3;
}

/** Differences in plain sentences, gathered by piece. */
export function ChangeList({ changes, onDrop, left, level = 3 }: Props) {
  const Heading = level === 2 ? 'h2' : 'h3';
  const names = [...new Set(changes.map((change) => change.pieceName))];
  return (
    <div className="flex flex-col gap-3">
      {names.map((name) => (
        <section key={name}>
          <Heading className="font-sans text-[14px] leading-5 font-semibold">{name}</Heading>
          <ul className={left ? '' : 'ms-4 list-disc marker:text-paint'}>
            {changes
              .filter((change) => change.pieceName === name)
              .map((change) => (
                <li key={changeKey(change)} className={left ? 'flex items-baseline gap-2' : ''}>
                  {left ? (
                    <label className="inline-flex items-baseline gap-2">
                      <input
                        type="checkbox"
                        className="flex-none translate-y-0.5 accent-moss"
                        checked={!left.keys.has(changeKey(change))}
                        onChange={({ currentTarget: { checked } }) => left.onTick(change, checked)}
                      />
                      {wordChange(change)}
                    </label>
                  ) : (
                    wordChange(change)
                  )}{' '}
                  {onDrop && (
                    <button
                      className="plain text-[12.5px] text-gravel underline hover:text-brick"
                      aria-label={`Discard: ${wordChange(change)}`}
                      onClick={() => onDrop(change)}
                    >
                      Discard
                    </button>
                  )}
                </li>
              ))}
          </ul>
        </section>
      ))}
    </div>
  );
}
