import type { Lane } from '../../core/lane';
import type { OfferReader } from '~/core/pricing';
import { useMemo, useState } from 'react';
import { uniqueSlug } from '~/core/catalogue/unique-slug';
import { currencyOf } from '~/core/money';
import { readOffer, type OfferKind, offerFacts, beginOffer, OFFER_KINDS } from '~/core/pricing';
import { CategoriesContext } from '~/studio/data/categories-context';
import { hasSteps, useDraft, type Step } from '~/studio/data/draft-store';
import { Shell } from '~/studio/shell/shell';
import type { ShellData } from '~/studio/data/studio-data';
import { Tick } from '~/studio/fields/tick';
import { Calendar } from './calendar';
import { Checks } from './checks';
import { FreeDelivery } from './free-delivery';
import { NamesContext } from './names-context';
import { OfferEditor } from './offer-editor';
import { PastOrders } from './past-orders';
import { readerOf } from './reader';
import { Till } from './till';

const VIEWS = {
  rule: 'The offer',
  calendar: 'Calendar',
  checks: 'Checks',
  past: 'Past orders',
  free: 'Free delivery',
} as const;
type View = keyof typeof VIEWS;
/** Letters of an id, with room for a number behind them. */
const MOST_ID = 50;
/** Orders are the owner’s to see. */
const WITHOUT_ORDERS = Object.fromEntries(
  Object.entries(VIEWS).filter(([key]) => key !== 'past' && key !== 'free'),
) as typeof VIEWS;

interface Props {
  readonly shell: ShellData;
  readonly categories: readonly { readonly slug: string; readonly name: string }[];
  /** Names of products that offers are about. */
  readonly products: readonly { readonly slug: string; readonly name: string }[];
  /** An order whose goods the till begins with. */
  readonly order: number | null;
  readonly start: string | null;
}

export function OffersScreen(props: Props) {
  return (
    <Shell data={props.shell} room="/studio/offers">
      <CategoriesContext value={props.categories}>
        <Screen {...props} />
      </CategoriesContext>
    </Shell>
  );
}

function Screen({ shell, categories, products, order, start }: Props) {
  const { lane, live, names: known, change, undo, past } = useDraft();
  const ids = Object.keys(lane.offers);
  const [selected, select] = useState<string | null>(start ?? ids[0] ?? null);
  const [view, setView] = useState<View>('rule');
  const names = useMemo(
    () =>
      new Map([
        ...categories.map(({ slug, name }) => [`category ${slug}`, name] as const),
        ...products.map(({ slug, name }) => [`product ${slug}`, name] as const),
        ...Object.entries(known.variant).map(([sku, name]) => [`variant ${sku}`, name] as const),
      ]),
    [categories, products, known.variant],
  );
  const reader = useMemo(() => readerOf(lane.shop, names), [lane.shop, names]);
  const offer = selected === null ? undefined : lane.offers[selected];
  const groups = [...new Set(Object.values(lane.offers).flatMap(({ combine }) => combine.group ?? []))];
  const mayTest = shell.account.role === 'owner';

  const newId = (name: string) => uniqueSlug(name.slice(0, MOST_ID), new Set(ids));

  function add(kind: OfferKind): void {
    const id = newId(offerFacts({ kind }).label);
    change((draft) => void (draft.offers[id] = beginOffer(kind, currencyOf(lane.shop.currency))));
    select(id);
    setView('rule');
  }
  function copy(): void {
    if (!offer || selected === null) return;
    const id = newId(`${offer.name} copy`);
    change(
      (draft) =>
        void (draft.offers[id] = { ...structuredClone(offer), name: `${offer.name} (copy)`.slice(0, 80), on: false }),
    );
    select(id);
  }
  return (
    <NamesContext value={{ names, reader }}>
      <div className="grid min-h-full grid-cols-[240px_minmax(0,1fr)] xl:grid-cols-[280px_minmax(0,1fr)_380px]">
        <OfferList
          past={past}
          undo={undo}
          add={add}
          ids={ids}
          lane={lane}
          live={live}
          selected={selected}
          select={select}
          view={view}
          setView={setView}
          reader={reader}
          change={change}
        />
        <div className="flex min-w-0 flex-col gap-4 px-5 py-4">
          <header className="flex flex-wrap items-center gap-3">
            <nav aria-label="What to see" className="flex flex-wrap gap-1">
              {(Object.entries(mayTest ? VIEWS : WITHOUT_ORDERS) as [View, string][]).map(([key, label]) => (
                <button
                  key={key}
                  aria-pressed={view === key}
                  className="rounded-stone border border-mortar bg-white px-3 py-1.5 hover:border-gravel aria-pressed:border-basalt aria-pressed:bg-basalt aria-pressed:text-limestone"
                  onClick={() => setView(key)}
                >
                  {label}
                </button>
              ))}
            </nav>
          </header>
          {view === 'calendar' && (
            <Calendar
              lane={lane}
              onSelect={(id) => {
                select(id);
                setView('rule');
              }}
            />
          )}
          {view === 'checks' && <Checks lane={lane} />}
          {view === 'free' && <FreeDelivery lane={lane} />}
          {view === 'past' && selected !== null && offer && (
            <PastOrders key={selected} lane={lane} selected={selected} />
          )}
          {view === 'rule' && offer && selected !== null && (
            <>
              <h2 className="text-[19px] leading-7 font-normal" data-testid="sentence" aria-live="polite">
                {readOffer(offer, reader)}
              </h2>
              <div className="flex flex-wrap items-center gap-3 border-y border-mortar py-2">
                <Tick
                  label="On"
                  checked={offer.on}
                  onChange={(on) => change((draft) => void (draft.offers[selected]!.on = on))}
                />
                <span className="help">Shoppers get it once it is published.</span>
                <button className="btn ms-auto" onClick={copy}>
                  Copy
                </button>
                <button
                  className="btn"
                  onClick={() => {
                    change((draft) => void delete draft.offers[selected]);
                    select(ids.find((id) => id !== selected) ?? null);
                  }}
                >
                  Remove
                </button>
              </div>
              <OfferEditor
                key={selected}
                id={selected}
                offer={offer}
                offers={lane.offers}
                shop={lane.shop}
                groups={groups}
                onChange={(next) => change((draft) => void (draft.offers[selected] = next), `offer ${selected}`)}
              />
            </>
          )}
          {view === 'rule' && !offer && <p>Choose an offer on the left, or add one.</p>}
        </div>
        <div className="border-s border-mortar px-4 py-4 max-xl:col-span-2 max-xl:border-s-0 max-xl:border-t">
          <Till lane={lane} selected={selected} order={order} />
        </div>
      </div>
    </NamesContext>
  );
}

function OfferList({
  past,
  undo,
  add,
  ids,
  lane,
  live,
  selected,
  select,
  view,
  setView,
  reader,
  change,
}: {
  past: readonly Step[];
  undo: () => void;
  add: (kind: OfferKind) => void;
  ids: string[];
  lane: Lane;
  live: { revision: number; lane: Lane };
  selected: string | null;
  select: (next: string | null) => void;
  view: View;
  setView: (next: View) => void;
  reader: OfferReader;
  change: (recipe: (lane: Lane) => void, key?: string) => void;
}) {
  return (
    <aside className="flex flex-col gap-3 border-e border-mortar px-4 py-4" aria-label="Offers">
      <div className="flex items-center justify-between gap-2">
        <h1>Make offers</h1>
        <button className="btn" disabled={!hasSteps(past)} onClick={undo}>
          Undo
        </button>
      </div>
      <select
        className="field"
        aria-label="Add an offer"
        value=""
        onChange={(event) => add(event.target.value as OfferKind)}
      >
        <option value="">+ New offer …</option>
        {OFFER_KINDS.map((kind) => (
          <option key={kind} value={kind}>
            {offerFacts({ kind }).label}
          </option>
        ))}
      </select>
      {ids.length === 0 && (
        <p className="help">No offers yet. Add one above: it begins off, and nobody sees it until you publish.</p>
      )}
      <ul className="flex flex-col gap-2">
        {ids.map((id) => {
          const one = lane.offers[id]!;
          const isChanged = JSON.stringify(one) !== JSON.stringify(live.lane.offers[id]);
          return (
            <li key={id}>
              <button
                className={`w-full rounded-stone border p-2 text-start ${id === selected ? 'border-basalt bg-white outline-2 outline-paint' : 'border-mortar bg-slab hover:border-gravel'}`}
                aria-current={id === selected ? 'true' : undefined}
                onClick={() => {
                  select(id);
                  if (view === 'calendar') setView('rule');
                }}
              >
                <span className="flex items-center gap-2 font-semibold">
                  <i
                    aria-hidden="true"
                    className={`size-2.5 rounded-full ${one.on ? 'bg-moss' : 'border border-gravel'}`}
                  />
                  {one.name || id}
                  {isChanged && (
                    <span className="ms-auto rounded-stone bg-paint px-1.5 text-[11.5px] font-normal">draft</span>
                  )}
                </span>
                <span className="mt-1 line-clamp-3 text-[13px] leading-[17px] text-gravel">
                  {one.on ? '' : 'Off. '}
                  {readOffer(one, reader)}
                </span>
              </button>
            </li>
          );
        })}
      </ul>
      <Tick
        label="Several codes in one cart"
        checked={lane.shop.severalCodes}
        onChange={(on) => change((draft) => void (draft.shop.severalCodes = on))}
      />
    </aside>
  );
}
