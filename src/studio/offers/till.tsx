import { Receipt, Refusals } from './till-receipt';
import type { PricedOffer } from '~/core/pricing';
import { useContext, useEffect, useMemo, useState } from 'react';
import { currencyOf, minor, roughSum } from '~/core/money';
import { pricedLine, leastFor, offersOf, priceGoods, withoutTax, type Costed } from '~/core/pricing';
import { dayIn } from '~/core/time';
import type { Lane } from '~/core/lane';
import { ask } from '~/studio/data/api';
import { MoneyField } from '~/studio/fields/money-field';
import { PickedProducts } from '~/studio/fields/picked-products';
import { NamesContext } from './names-context';

interface Goods {
  readonly goods: readonly Costed[];
  readonly lines: readonly { readonly sku: string; readonly quantity: number }[];
}

export interface Props {
  readonly lane: Lane;
  /** The offer that is looked at. */
  readonly selected: string | null;
  /** An order to begin with: a cart that somebody really bought. */
  readonly order: number | null;
}

/** A cart to try offers on, priced by the very rules of the shop with every step, and why the other offers are not in it. */
export function Till({ lane, selected, order }: Props) {
  const { reader } = useContext(NamesContext);
  const [goods, setGoods] = useState<readonly Costed[]>([]);
  const [quantities, setQuantities] = useState<Readonly<Record<string, number>>>({});
  const [codes, setCodes] = useState('');
  const [shopper, setShopper] = useState<'new' | 'returning'>('new');
  const [isBirthday, setBirthday] = useState(false);
  const [source, setSource] = useState('');
  const [delivery, setDelivery] = useState<number>(() => roughSum(4.9, currencyOf(lane.shop.currency)));
  const [asked, setAsked] = useState(order === null ? '' : String(order));
  const [problem, setProblem] = useState<string | null>(null);

  function take(found: Goods): void {
    setGoods(found.goods);
    const given = Object.fromEntries(found.lines.map(({ sku, quantity }) => [sku, quantity]));
    setQuantities(found.lines.length > 0 ? given : firstOfEach(found.goods));
  }
  const takeOrder = (id: string) =>
    ask('GET /api/studio/offers/goods', { query: { order: id } }).then(
      (found) => {
        setProblem(null);
        take(found);
      },
      () => setProblem('There is no such order. Type its number as the list of orders says it.'),
    );
  useEffect(() => {
    if (order !== null) void takeOrder(String(order));
  }, [order]);

  const slugs = [...new Set(goods.map(({ slug }) => slug))];
  async function pick(next: string[]): Promise<void> {
    if (next.length === 0) return take({ goods: [], lines: [] });
    const found = await ask('GET /api/studio/offers/goods', { query: { slugs: next.join(',') } });
    setGoods(found.goods);
    setQuantities((before) => ({
      ...firstOfEach(found.goods.filter(({ slug }) => !slugs.includes(slug))),
      ...Object.fromEntries(Object.entries(before).filter(([sku]) => found.goods.some((good) => good.sku === sku))),
    }));
  }

  const lines = goods.flatMap((good) => {
    const quantity = quantities[good.sku] ?? 0;
    return quantity > 0 ? [{ good, quantity }] : [];
  });
  const at = Date.now();
  const shown = selected === null ? undefined : lane.offers[selected];
  // One that is still being made is seen as if it were on.
  const offers = useMemo(
    () => offersOf(shown && !shown.on ? { ...lane.offers, [selected!]: { ...shown, on: true } } : lane.offers),
    [lane.offers, selected, shown],
  );
  const sources = [...new Set(offers.flatMap(({ when }) => when.sources))].sort();
  const priced = priceGoods({
    lines: lines.map(({ good, quantity }) => pricedLine(good, quantity)),
    offers,
    tax: lane.shop.tax,
    deliveryMinor: minor(delivery),
    deliveryMethod: 'standard',
    codes: codes.split(/[\s,]+/).filter(Boolean),
    circumstances: {
      at,
      today: dayIn(lane.shop.timeZone, at),
      shopper,
      country: lane.shop.delivery.home,
      source: source || null,
      birthday: isBirthday ? dayIn(lane.shop.timeZone, at).slice(5) : null,
      used: {},
    },
  });
  const rateOf = (good: Costed) => good.taxBasisPoints ?? lane.shop.tax.basisPoints;
  const net = lines.reduce(
    (sum, { good }, i) => sum + withoutTax(priced.lines[i]!.totalMinor, rateOf(good), lane.shop.tax.included),
    0,
  );
  const isCosted = lines.every(({ good }) => good.costMinor !== null);
  const cost = lines.reduce((sum, { good, quantity }) => sum + (good.costMinor ?? 0) * quantity, 0);
  const least = lines.map(({ good, quantity }) => leastFor(good, quantity, lane.margins));
  const isUnder = least.every((one) => one !== null) && net < least.reduce((sum: number, one) => sum + one!, 0) - 1e-6;
  return (
    <section aria-label="Try it on a cart" className="flex flex-col gap-3">
      <h2>Try it on a cart</h2>
      {shown && !shown.on && (
        <p className="help">“{shown.name || selected}” is off; here it is tried as if it were on.</p>
      )}
      <PickedProducts
        label="Goods"
        help="Of each product the first variant; change the numbers below."
        slugs={slugs}
        known={goods.map(({ slug, name }) => ({ slug, name }))}
        most={20}
        onChange={(next) => void pick(next)}
      />
      <form
        className="flex items-end gap-2"
        onSubmit={(event) => {
          event.preventDefault();
          void takeOrder(asked);
        }}
      >
        <label className="flex flex-col gap-1">
          <span>or those of order number</span>
          <input
            className="field w-28"
            inputMode="numeric"
            value={asked}
            onChange={(event) => setAsked(event.target.value)}
          />
        </label>
        <button className="btn">Take</button>
      </form>
      {problem && (
        <p role="alert" className="text-brick">
          {problem}
        </p>
      )}
      <WhoBuys
        codes={codes}
        setCodes={setCodes}
        shopper={shopper}
        setShopper={setShopper}
        sources={sources}
        source={source}
        setSource={setSource}
        offers={offers}
        isBirthday={isBirthday}
        setBirthday={setBirthday}
        delivery={delivery}
        setDelivery={setDelivery}
      />
      <Receipt
        lines={lines}
        goods={goods}
        priced={priced}
        quantities={quantities}
        setQuantities={setQuantities}
        reader={reader}
        selected={selected}
        isCosted={isCosted}
        net={net}
        cost={cost}
        isUnder={isUnder}
      />
      {lines.length > 0 && <Refusals refused={priced.refused} lane={lane} />}
    </section>
  );
}

function WhoBuys({
  codes,
  setCodes,
  shopper,
  setShopper,
  sources,
  source,
  setSource,
  offers,
  isBirthday,
  setBirthday,
  delivery,
  setDelivery,
}: {
  codes: string;
  setCodes: (next: string) => void;
  shopper: 'new' | 'returning';
  setShopper: (next: 'new' | 'returning') => void;
  sources: string[];
  source: string;
  setSource: (next: string) => void;
  offers: readonly PricedOffer[];
  isBirthday: boolean;
  setBirthday: (next: boolean) => void;
  delivery: number;
  setDelivery: (next: number) => void;
}) {
  return (
    <div className="flex flex-wrap gap-3">
      <label className="flex items-center gap-2">
        Codes
        <input className="field w-32" value={codes} onChange={(event) => setCodes(event.target.value)} />
      </label>
      <select
        className="field"
        aria-label="Who buys"
        value={shopper}
        onChange={(event) => setShopper(event.target.value as 'new' | 'returning')}
      >
        <option value="new">first order</option>
        <option value="returning">has bought before</option>
      </select>
      {sources.length > 0 && (
        <select
          className="field"
          aria-label="Where the visit came from"
          value={source}
          onChange={(event) => setSource(event.target.value)}
        >
          <option value="">from anywhere</option>
          {sources.map((one) => (
            <option key={one} value={one}>
              from {one}
            </option>
          ))}
        </select>
      )}
      {offers.some(({ when }) => when.birthdayDays !== null) && (
        <label className="flex items-center gap-2">
          <input type="checkbox" checked={isBirthday} onChange={(event) => setBirthday(event.target.checked)} />
          it is their birthday
        </label>
      )}
      <label className="flex items-center gap-2">
        Delivery
        <MoneyField label="Delivery costs" valueMinor={delivery} onChange={setDelivery} />
      </label>
    </div>
  );
}

/** One of the first variant of each product. */
function firstOfEach(goods: readonly Costed[]): Record<string, number> {
  const seen = new Set<string>();
  return Object.fromEntries(
    goods.flatMap(({ slug, sku }) => (seen.has(slug) ? [] : (seen.add(slug), [[sku, 1] as const]))),
  );
}
