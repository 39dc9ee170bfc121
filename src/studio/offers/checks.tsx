import { useContext } from 'react';
import type { Lane } from '~/core/lane';
import { floorOf, type Overlap, type Margins } from '~/core/pricing';
import { CategoriesContext } from '~/studio/data/categories-context';
import { useDraft } from '~/studio/data/draft-store';
import { NumberField } from '~/studio/fields/number-field';
import { Progress } from '~/studio/fields/progress';
import { Tick } from '~/studio/fields/tick';
import { useWork } from '~/studio/data/work';
import { NamesContext } from './names-context';

const HOW: Readonly<Record<Overlap['how'], string>> = {
  'same-code': 'Shares its code with',
  'one-of-two': 'Never in one order with',
  'one-each': 'Each item gets the better one of this and',
  'add-up': 'Adds up with',
};

/** What each offer meets, in the order of the offers. Every pair stands with both. */
function gather(overlaps: readonly Overlap[]): [id: string, meets: Overlap[]][] {
  const byOffer = new Map<string, Overlap[]>();
  for (const overlap of overlaps)
    for (const [a, b] of [
      [overlap.a, overlap.b],
      [overlap.b, overlap.a],
    ] as const)
      byOffer.set(a, [...(byOffer.get(a) ?? []), { ...overlap, a, b }]);
  return [...byOffer];
}

/** Whether any cart sells under the floor, and which offers meet. */
export function Checks({ lane }: { lane: Lane }) {
  const { reader } = useContext(NamesContext);
  const categories = useContext(CategoriesContext);
  const change = useDraft((state) => state.change);
  const flush = useDraft((state) => state.flush);
  const work = useWork('POST /api/studio/offers/guard');
  const { margins } = lane;
  const nameOf = (id: string) => lane.offers[id]?.name || id;
  const { answer } = work;
  const worst = answer?.worst ?? null;
  return (
    <section aria-label="Check the offers" className="flex flex-col gap-4">
      <h2>Check the offers</h2>
      <MarginFloors margins={margins} change={change} categories={categories} />
      <div className="flex items-center gap-3">
        <button
          className="btn btn-go"
          disabled={work.done !== null}
          onClick={() => void flush().then((ok) => ok && work.start())}
        >
          Look for a cart under the floor
        </button>
        <Progress work={work} label="How far the search is" />
      </div>
      {answer && (
        <>
          {worst ? (
            <div className="border-s-4 border-brick bg-white p-3" role="status">
              <h3 className="font-semibold text-brick">A cart sells under your floor</h3>
              <p>
                {worst.codes.length > 0 ? `With ${worst.codes.join(' and ')}, ` : ''}
                {worst.shopper === 'returning' ? 'for somebody who has bought before, ' : ''}
                {worst.at > Date.now() + 60_000 ? `from ${reader.moment(new Date(worst.at).toISOString())} on, ` : ''}
                it brings {reader.money(Math.round(worst.bringsMinor))} before tax;{' '}
                {reader.money(Math.ceil(worst.leastMinor))} is the least it may.
              </p>
              <table className="tbl mt-2">
                <tbody>
                  {worst.lines.map(({ good, quantity }, i) => (
                    <tr key={`${good.sku} ${good.priceMinor}`}>
                      <td>
                        {quantity} × {good.name} {good.choices}
                        <div className="help">
                          costs you {reader.money((good.costMinor ?? 0) * quantity)}, floor{' '}
                          {(floorOf(good, margins) ?? 0) / 100} %
                        </div>
                      </td>
                      <td>
                        {worst.priced.lines[i]!.steps.filter((step) => step.code === 'offer').map((step, j) => (
                          <div key={j}>
                            {'name' in step ? step.name : ''} −{reader.money(-step.amountMinor)}
                          </div>
                        ))}
                      </td>
                      <td className="num">{reader.money(worst.priced.lines[i]!.totalMinor)}</td>
                    </tr>
                  ))}
                </tbody>
              </table>
            </div>
          ) : (
            <p role="status" className="border-s-4 border-moss bg-white p-3">
              No cart that was looked at sells under your floor.
            </p>
          )}
          <p className="help">
            Looked at {answer.carts.toLocaleString('en')} carts, each under {answer.circumstances}{' '}
            {answer.circumstances === 1 ? 'set of circumstances' : 'sets of circumstances'} (codes, buyers, moments):
            each of {answer.kinds} kinds of item alone up to {answer.caps.quantity} of it, the {answer.pairsOf} with the
            smallest margin two together up to {answer.caps.together} of each, and {answer.triplesOf} of them three
            together. Larger carts were not looked at.
            {answer.unjudged > 0 && ` ${answer.unjudged} variants could not be judged: they have no cost, or no floor.`}
          </p>
          <h3 className="font-semibold">Offers that meet</h3>
          {answer.overlaps.length === 0 ? (
            <p>No two offers exclude each other, and none are about the same goods at the same time.</p>
          ) : (
            <table className="tbl panel">
              <tbody>
                {gather(answer.overlaps).map(([id, meets]) => (
                  <tr key={id}>
                    <th scope="row" className="text-start align-top">
                      {nameOf(id)}
                    </th>
                    <td>
                      {Object.entries(HOW).map(([how, label]) => (
                        <Meets
                          key={how}
                          label={label}
                          others={meets.filter((one) => one.how === how)}
                          nameOf={nameOf}
                        />
                      ))}
                    </td>
                  </tr>
                ))}
              </tbody>
            </table>
          )}
        </>
      )}
    </section>
  );
}

function MarginFloors({
  margins,
  change,
  categories,
}: {
  margins: Margins;
  change: (recipe: (lane: Lane) => void, key?: string) => void;
  categories: readonly { readonly slug: string; readonly name: string }[];
}) {
  return (
    <fieldset className="panel flex flex-col gap-2 p-3">
      <legend className="px-1 font-semibold">Your floor</legend>
      <p className="help">
        The least share of the price before tax that must be left after what goods cost you. A floor of a product counts
        before one of its category, and that before the shop’s.
      </p>
      <div className="flex flex-wrap items-center gap-2">
        <Tick
          label="of the whole shop"
          checked={margins.shop !== null}
          onChange={(on) => change((draft) => void (draft.margins.shop = on ? 1000 : null))}
        />
        {margins.shop !== null && (
          <>
            <NumberField
              label="Floor of the shop in percent"
              className="w-20"
              step="any"
              min={0}
              max={99}
              value={margins.shop / 100}
              onChange={(percent) => change((draft) => void (draft.margins.shop = Math.round(percent * 100)), 'floor')}
            />
            %
          </>
        )}
      </div>
      {Object.entries(margins.categories).map(([slug, floor]) => (
        <div key={slug} className="flex items-center gap-2">
          <span className="w-40">{categories.find((one) => one.slug === slug)?.name ?? slug}</span>
          <NumberField
            label={`Floor of ${slug} in percent`}
            className="w-20"
            step="any"
            min={0}
            max={99}
            value={floor / 100}
            onChange={(percent) =>
              change((draft) => void (draft.margins.categories[slug] = Math.round(percent * 100)), `floor ${slug}`)
            }
          />
          %
          <button
            className="plain text-gravel hover:text-brick"
            aria-label={`Remove the floor of ${slug}`}
            onClick={() => change((draft) => void delete draft.margins.categories[slug])}
          >
            ×
          </button>
        </div>
      ))}
      <select
        className="field self-start"
        aria-label="Add a floor of a category"
        value=""
        onChange={(event) =>
          change((draft) => void (draft.margins.categories[event.target.value] = margins.shop ?? 1000))
        }
      >
        <option value="">+ floor of a category</option>
        {categories
          .filter(({ slug }) => !Object.hasOwn(margins.categories, slug))
          .map(({ slug, name }) => (
            <option key={slug} value={slug}>
              {name}
            </option>
          ))}
      </select>
    </fieldset>
  );
}

/** The offers that one meets in a way, with how many variants both are about. */
function Meets({
  label,
  others,
  nameOf,
}: {
  label: string;
  others: readonly Overlap[];
  nameOf: (id: string) => string;
}) {
  if (others.length === 0) return null;
  return (
    <p>
      {label}{' '}
      {others.map(({ b, variants }, i) => (
        <span key={b}>
          {i > 0 && ', '}
          {nameOf(b)}
          {variants !== null && (
            <span className="text-gravel"> ({variants === 1 ? '1 variant' : `${variants} variants`})</span>
          )}
        </span>
      ))}
      .
    </p>
  );
}
