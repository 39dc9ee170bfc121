import type { Pair, Verdict } from '~/core/finder';
import { PairMap } from './pair-map';

export interface Decided {
  readonly a: string;
  readonly b: string;
  readonly state: 'accepted' | 'refused';
}

export const VERDICTS: Readonly<Record<Verdict, { readonly label: string; readonly help: string }>> = {
  together: { label: 'go together', help: 'More often than chance, season and large orders make.' },
  seasonal: {
    label: 'same season',
    help: 'Both are bought in the same weeks, and within a week no more together than by chance.',
  },
  popular: { label: 'popular only', help: 'Bought much, or in large orders, and no more together than that makes.' },
};

export function FoundPairs({
  pairs,
  nameOf,
  open,
  tick,
  chosen,
  decide,
  stateOf,
  ticked,
}: {
  pairs: Pair[];
  nameOf: (slug: string) => string;
  open: Pair[];
  tick: (next: ReadonlySet<string>) => void;
  chosen: Pair[];
  decide: (some: readonly Pair[], state: Decided['state']) => Promise<void>;
  stateOf: (pair: Pair) => 'accepted' | 'refused' | undefined;
  ticked: ReadonlySet<string>;
}) {
  return (
    <div className="grid gap-5 xl:grid-cols-[minmax(0,1fr)_minmax(0,1fr)]">
      <PairMap pairs={pairs} nameOf={nameOf} />
      <div className="flex min-w-0 flex-col gap-3">
        <div className="flex flex-wrap gap-2">
          <button className="btn" disabled={open.length === 0} onClick={() => tick(new Set(open.map(keyOf)))}>
            Choose all {open.length > 0 && open.length}
          </button>
          <button className="btn btn-go" disabled={chosen.length === 0} onClick={() => void decide(chosen, 'accepted')}>
            Accept {chosen.length > 0 && chosen.length}
          </button>
          <button className="btn" disabled={chosen.length === 0} onClick={() => void decide(chosen, 'refused')}>
            Refuse {chosen.length > 0 && chosen.length}
          </button>
        </div>
        <div className="max-h-[460px] overflow-auto" tabIndex={0} role="region" aria-label="Pairs">
          <table className="tbl panel">
            <thead>
              <tr>
                <th>Bought together</th>
                <th className="num">Orders</th>
                <th className="num" title="Of the orders with the rarer of the two">
                  Of its own
                </th>
                <th className="num" title="How many times as often as by chance">
                  Times chance
                </th>
                <th className="num" title="Fisher’s exact test, one-sided">
                  p
                </th>
                <td />
              </tr>
            </thead>
            <tbody>
              {pairs.map((pair) => {
                const state = stateOf(pair);
                const title = `${nameOf(pair.a)} and ${nameOf(pair.b)}`;
                return (
                  <tr key={keyOf(pair)}>
                    <td>
                      <label className="flex items-start gap-2">
                        <input
                          type="checkbox"
                          className="mt-1 accent-moss"
                          disabled={state !== undefined}
                          checked={ticked.has(keyOf(pair))}
                          onChange={(event) => {
                            const next = new Set(ticked);
                            if (event.target.checked) next.add(keyOf(pair));
                            else next.delete(keyOf(pair));
                            tick(next);
                          }}
                        />
                        <span>
                          {title}
                          {pair.verdict !== 'together' && (
                            <span className="help block">{VERDICTS[pair.verdict].label}</span>
                          )}
                        </span>
                      </label>
                    </td>
                    <td className="num">{pair.both}</td>
                    <td className="num">{Math.round(pair.confidence * 100)} %</td>
                    <td className="num">{pair.lift.toFixed(1)}</td>
                    <td className="num whitespace-nowrap">{probability(pair.p)}</td>
                    <td>
                      {state === undefined ? (
                        <button
                          className="btn min-h-7 py-0"
                          aria-label={`Accept ${title}`}
                          onClick={() => void decide([pair], 'accepted')}
                        >
                          Accept
                        </button>
                      ) : (
                        <button
                          className="plain text-gravel underline"
                          aria-label={`${state === 'accepted' ? 'Refuse' : 'Accept'} ${title}`}
                          onClick={() => void decide([pair], state === 'accepted' ? 'refused' : 'accepted')}
                        >
                          {state === 'accepted' ? 'accepted' : 'refused'}
                        </button>
                      )}
                    </td>
                  </tr>
                );
              })}
            </tbody>
          </table>
          {pairs.length === 0 && <p className="p-3">No such pair. Tick another kind above, or wait for more orders.</p>}
        </div>
      </div>
    </div>
  );
}

export const keyOf = ({ a, b }: { readonly a: string; readonly b: string }) => (a < b ? `${a} ${b}` : `${b} ${a}`);

/** A probability as people can take it in. */
export function probability(p: number): string {
  return p < 0.0001 ? '< 0.0001' : p.toFixed(4);
}
