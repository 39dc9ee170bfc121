import { own } from '~/core/own';
import { useContext,useEffect,useMemo,useState } from 'react';
import { currencyOf,minor,roughSum } from '~/core/money';
import {
asLine,
leastFor,
offersOf,
priceGoods,
withoutTax,
type Costed,
type OfferRefusal,
type PriceStep,MOST_SEARCHED,refusalWords
} from '~/core/pricing';
import { dayIn } from '~/core/time';
import type { Lane } from '~/core/lane';
import { ask } from '~/studio/data/api';
import { MoneyField } from '~/studio/fields/money-field';
import { NumberField } from '~/studio/fields/number-field';
import { PickedProducts } from '~/studio/fields/picked-products';
import { NamesContext } from './names-context';

interface Goods {
  readonly goods: readonly Costed[];
  readonly lines: readonly { readonly sku: string; readonly quantity: number }[];
}

interface Props {
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
    lines: lines.map(({ good, quantity }) => asLine(good, quantity)),
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
      <div className="border-x border-mortar bg-white px-4 py-3 font-normal tabular-nums" data-testid="strip">
        {lines.length === 0 && <p className="help">Choose goods, and the receipt stands here with every step.</p>}
        {goods.map((good) => {
          const i = lines.findIndex((line) => line.good === good);
          const line = i < 0 ? null : priced.lines[i]!;
          return (
            <div key={good.sku} className={line ? 'border-b border-dashed border-mortar py-2' : 'py-0.5 text-gravel'}>
              <div className="flex items-center gap-2">
                <NumberField
                  className="w-16 min-h-7 py-0"
                  label={`How many: ${good.name} ${good.choices}`}
                  min={0}
                  max={99}
                  value={quantities[good.sku] ?? 0}
                  onChange={(quantity) => setQuantities({ ...quantities, [good.sku]: quantity })}
                />
                <span className="flex-1">
                  {good.name} {good.choices && <span className="text-gravel">{good.choices}</span>}
                </span>
                <span>{reader.money(line ? line.fullMinor : good.priceMinor)}</span>
              </div>
              {line?.steps
                .filter((step) => step.code === 'offer')
                .map((step, j) => (
                  <Step key={j} step={step} selected={selected} money={reader.money} />
                ))}
              {line && line.totalMinor !== line.fullMinor && (
                <p className="text-end font-semibold">{reader.money(line.totalMinor)}</p>
              )}
            </div>
          );
        })}
        {lines.length > 0 && (
          <>
            {priced.steps
              .filter(({ code }) => code === 'delivery' || code === 'offer')
              .map((step, i) => (
                <Step key={i} step={step} selected={selected} money={reader.money} />
              ))}
            {priced.gifts.map((gift) => (
              <p key={gift.offerId} className="flex justify-between">
                <span>
                  {gift.quantity} × {gift.variant} as a gift
                </span>
                <span>{reader.money(0)}</span>
              </p>
            ))}
            <p className="flex justify-between border-t-2 border-basalt pt-2 text-[17px] font-semibold">
              <span>Total</span>
              <span>{reader.money(priced.totalMinor)}</span>
            </p>
            <p className="help">
              {isCosted
                ? `Before tax the goods bring ${reader.money(Math.round(net))} and cost you ${reader.money(cost)}: ${reader.money(Math.round(net - cost))} are left.`
                : 'What some of these cost you is not known; write it on the product.'}
            </p>
            {isUnder && (
              <p role="alert" className="mt-1 border-s-4 border-brick ps-2 text-brick">
                This is under your floor.
              </p>
            )}
            {priced.isGoodsDearer && (
              <p className="help">
                The goods could be cheaper with other offers, but delivery would then cost more than that saves.
              </p>
            )}
          </>
        )}
      </div>
      {lines.length > 0 && <Refusals refused={priced.refused} lane={lane} />}
    </section>
  );
}

/** One of the first variant of each product. */
function firstOfEach(goods: readonly Costed[]): Record<string, number> {
  const seen = new Set<string>();
  return Object.fromEntries(
    goods.flatMap(({ slug, sku }) => (seen.has(slug) ? [] : (seen.add(slug), [[sku, 1] as const]))),
  );
}

function Step({
  step,
  selected,
  money,
}: {
  step: PriceStep;
  selected: string | null;
  money: (amount: number) => string;
}) {
  const isOwn = step.code === 'offer' && step.offerId === selected;
  return (
    <p className={`flex justify-between ps-[72px] ${isOwn ? '-mx-2 bg-paint/30 px-2' : ''}`}>
      <span>{step.code === 'offer' ? step.name || step.offerId : 'Delivery'}</span>
      <span>{money(step.amountMinor)}</span>
    </p>
  );
}

function Refusals({ refused, lane }: { refused: Readonly<Record<string, OfferRefusal>>; lane: Lane }) {
  const { reader } = useContext(NamesContext);
  const entries = Object.entries(refused);
  if (entries.length === 0) return null;
  const nameOf = (id: string) => lane.offers[id]?.name || id;
  return (
    <div>
      <h3 className="font-semibold">Not in it</h3>
      <ul>
        {entries.map(([id, refusal]) => (
          <li key={id} className="flex justify-between gap-3 border-b border-slab py-1">
            <span>{nameOf(id)}</span>
            <span className="text-end text-gravel">{wordRefusal(refusal, reader.money, nameOf)}</span>
          </li>
        ))}
      </ul>
    </div>
  );
}

const OTHERS = {
  off: 'is off',
  'not-searched': `takes less than ${MOST_SEARCHED} others`,
  'delivery-not-chosen': 'waits for delivery to be chosen',
  'no-effect': 'takes nothing off these goods',
} as const;

/** Why an offer is not in a price, to its owner. */
export function wordRefusal(
  refusal: OfferRefusal,
  money: (amount: number) => string,
  nameOf: (id: string) => string,
): string {
  if (refusal.code === 'needs-more') return `needs ${money(refusal.missingMinor)} more`;
  if (refusal.code === 'needs-items')
    return `needs ${refusal.missing} more ${refusal.missing === 1 ? 'item' : 'items'}`;
  if (refusal.code === 'outdone') return `is outdone by ${refusal.by.map(nameOf).join(' and ')}`;
  return own(OTHERS, refusal.code) ?? refusalWords(refusal.code);
}
