import { type Decided, VERDICTS, keyOf, probability } from './found-pairs';
import { FoundPairs } from './found-pairs';
import { useState } from 'react';
import type { Pair, Verdict } from '~/core/finder';
import { ask } from '~/studio/data/api';
import { useDraft } from '~/studio/data/draft-store';
import { Progress } from '~/studio/fields/progress';
import { Shell } from '~/studio/shell/shell';
import type { ShellData } from '~/studio/data/studio-data';
import { Tick } from '~/studio/fields/tick';
import { useWork } from '~/studio/data/work';
import { OrdersFile } from './orders-file';

interface Props {
  readonly shell: ShellData;
  /** Names of products by slug. */
  readonly names: Readonly<Record<string, string>>;
}

export function FinderScreen(props: Props) {
  return (
    <Shell data={props.shell} room="/studio/suggestions">
      <Screen {...props} />
    </Shell>
  );
}

function Screen({ names }: Props) {
  const own = useWork('POST /api/studio/suggestions/find');
  const ofFile = useWork('POST /api/studio/suggestions/orders');
  const [isOfFile, setOfFile] = useState(false);
  const work = isOfFile ? ofFile : own;
  const say = useDraft((state) => state.say);
  const [shown, show] = useState<Readonly<Record<Verdict, boolean>>>({
    together: true,
    seasonal: false,
    popular: false,
  });
  const [ticked, tick] = useState<ReadonlySet<string>>(new Set());
  const [decided, setDecided] = useState<ReadonlyMap<string, Decided['state']>>(new Map());
  const { answer } = work;
  const nameOf = (slug: string) => names[slug] ?? slug;
  const stateOf = (pair: Pair) =>
    decided.get(keyOf(pair)) ?? answer?.decided.find((one) => keyOf(one) === keyOf(pair))?.state;
  const pairs = (answer?.pairs ?? []).filter((pair) => shown[pair.verdict]);
  const open = pairs.filter((pair) => stateOf(pair) === undefined);
  const count = (verdict: Verdict) => answer?.pairs.filter((pair) => pair.verdict === verdict).length ?? 0;

  async function decide(some: readonly Pair[], state: Decided['state']): Promise<void> {
    try {
      await ask('PUT /api/studio/suggestions', {
        body: { state, pairs: some.map(({ a, b, both, lift }) => ({ a, b, both, lift, baskets: answer!.baskets })) },
      });
    } catch (error) {
      return say((error as Error).message);
    }
    setDecided((before) => new Map([...before, ...some.map((pair) => [keyOf(pair), state] as const)]));
    tick(new Set());
    const what = some.length === 1 ? '1 pair' : `${some.length} pairs`;
    say(
      state === 'accepted'
        ? `${what} accepted: shoppers of one now see the other suggested.`
        : `${what} refused; you will not be asked about it again.`,
    );
  }
  const chosen = open.filter((pair) => ticked.has(keyOf(pair)));
  return (
    <div className="flex flex-col gap-5 px-[18px] py-4">
      <header className="flex flex-wrap items-center gap-4">
        <div>
          <h1>Find what goes together</h1>
          <p className="text-gravel">From your own orders: what is bought together more often than by chance.</p>
        </div>
        <button
          className="btn btn-go ms-auto"
          disabled={work.done !== null}
          onClick={() => {
            setOfFile(false);
            own.start();
          }}
        >
          {answer ? 'Look again' : 'Look through all orders'}
        </button>
        <Progress work={work} label="How far the search is" />
      </header>
      <OrdersFile
        isBusy={work.done !== null}
        onFind={(form) => {
          setOfFile(true);
          ofFile.start({ form });
        }}
      />
      {!answer && work.done === null && (
        <p className="max-w-[60ch] border-s-[3px] border-mortar ps-3 text-gravel">
          Pairs and groups of three are counted over all paid orders and tested exactly. Those that are only of one
          season, or only popular, are told apart. What you accept is suggested in popups and carts; nothing changes
          until you do.
        </p>
      )}
      {answer && (
        <>
          <p role="status">
            {answer.baskets.toLocaleString('en')} orders, {answer.products} products. Of{' '}
            {answer.testedPairs.toLocaleString('en')} pairs tested, {count('together')} go together; at most{' '}
            {answer.rate * 100} % of those are expected to be chance.
            {answer.tooSeldom > 0 &&
              ` ${answer.tooSeldom === 1 ? '1 product was' : `${answer.tooSeldom} products were`} bought too seldom to say anything of.`}
          </p>
          <div className="flex flex-wrap gap-x-5">
            {(Object.keys(VERDICTS) as Verdict[]).map((verdict) => (
              <span key={verdict} title={VERDICTS[verdict].help}>
                <Tick
                  label={`${VERDICTS[verdict].label} (${count(verdict)})`}
                  checked={shown[verdict]}
                  onChange={(on) => show({ ...shown, [verdict]: on })}
                />
              </span>
            ))}
          </div>
          <FoundPairs
            pairs={pairs}
            nameOf={nameOf}
            open={open}
            tick={tick}
            chosen={chosen}
            decide={decide}
            stateOf={stateOf}
            ticked={ticked}
          />
          {answer.triples.length > 0 && (
            <section>
              <h2>Three together</h2>
              <table className="tbl panel">
                <tbody>
                  {answer.triples.slice(0, 30).map((triple) => (
                    <tr key={triple.products.join()}>
                      <td>{triple.products.map(nameOf).join(', ')}</td>
                      <td className="num">{triple.all} orders</td>
                      <td className="num">{Math.round(triple.confidence * 100)} % of those with two of them</td>
                      <td className="num">{triple.lift.toFixed(1)} times chance</td>
                      <td className="num">p {probability(triple.p)}</td>
                    </tr>
                  ))}
                </tbody>
              </table>
            </section>
          )}
          <section>
            <h2>Products without any suggestion</h2>
            {answer.uncovered.length === 0 ? (
              <p>Every product has something: picked by you, found here, or related by tag or category.</p>
            ) : (
              <ul className="flex flex-wrap gap-x-4 gap-y-1">
                {answer.uncovered.map(({ slug, name }) => (
                  <li key={slug}>
                    <a href={`/studio/catalogue/${slug}`}>{name}</a>
                  </li>
                ))}
              </ul>
            )}
          </section>
        </>
      )}
    </div>
  );
}
