import { useState, type ReactNode } from 'react';
import { offerSchema, type Offer } from '~/core/pricing';
import { localTime, momentOf } from '~/core/time';
import { countryName } from '~/core/orders/countries';
import type { Shop } from '~/core/lane';
import { currencyOf } from '~/core/money';
import { MoneyField, TextField } from '../shop/fields';
import { NumberField } from '../shared/number-field';
import { Tick } from '../shared/tick';
import { KINDS } from './kinds';
import { LineSelection } from './line-selection';

interface Props {
  readonly offer: Offer;
  readonly shop: Shop;
  /** Groups other offers are in. */
  readonly groups: readonly string[];
  readonly onChange: (offer: Offer) => void;
}

/** An offer as a sentence whose parts are changed where they stand. What would make no offer is said, and not kept. */
export function OfferEditor({ offer, shop, groups, onChange }: Props) {
  const [problem, setProblem] = useState<string | null>(null);
  const { exponent, code: currency } = currencyOf(shop.currency);
  function put(part: object): void {
    const next = offerSchema.safeParse({ ...offer, ...part });
    setProblem(next.success ? null : (next.error.issues[0]?.message ?? 'That makes no offer.'));
    // What is left out must not stand there as nothing: the draft is JSON.
    if (next.success) onChange(JSON.parse(JSON.stringify(next.data)) as Offer);
  }
  const when = (part: Partial<Offer['when']>) => put({ when: { ...offer.when, ...part } });
  const shared = { exponent, currency, put };
  return (
    <div className="flex flex-col gap-4">
      <TextField
        label="Name"
        help="Shoppers read it on their receipt."
        maxLength={80}
        value={offer.name}
        onChange={(name) => put({ name })}
      />
      <Clause title="What it does" help={KINDS[offer.kind].help}>
        <Does offer={offer} {...shared} />
      </Clause>
      <Clause title="When" help="Measured at full prices, before any offer.">
        <Maybe
          label="the cart holds goods worth"
          isOn={offer.when.minGoodsMinor !== null}
          onToggle={(on) => when({ minGoodsMinor: on ? 50 * 10 ** exponent : null })}
        >
          <MoneyField
            label="Goods worth at least"
            valueMinor={offer.when.minGoodsMinor ?? 0}
            exponent={exponent}
            onChange={(minGoodsMinor) => when({ minGoodsMinor })}
          />
          {currency} or more
        </Maybe>
        <Maybe
          label="the cart holds items, as many as"
          isOn={offer.when.minQuantity !== null}
          onToggle={(on) => when({ minQuantity: on ? 2 : null })}
        >
          <NumberField
            label="At least so many items"
            min={1}
            value={offer.when.minQuantity ?? 1}
            onChange={(minQuantity) => when({ minQuantity })}
          />
          or more
        </Maybe>
        {(offer.when.minGoodsMinor !== null || offer.when.minQuantity !== null) && (
          <p className="flex flex-wrap items-baseline gap-2">
            counted in
            <LineSelection label="Counted in" value={offer.when.counts} onChange={(counts) => when({ counts })} />
          </p>
        )}
        <Maybe
          label="from"
          isOn={offer.when.from !== null}
          onToggle={(on) =>
            when({ from: on ? new Date(Date.now() + 86_400_000).toISOString().slice(0, 14) + '00:00Z' : null })
          }
        >
          <Moment label="Begins" value={offer.when.from!} zone={shop.timeZone} onChange={(from) => when({ from })} />
        </Maybe>
        <Maybe
          label="until"
          isOn={offer.when.until !== null}
          onToggle={(on) =>
            when({ until: on ? new Date(Date.now() + 8 * 86_400_000).toISOString().slice(0, 14) + '00:00Z' : null })
          }
        >
          <Moment label="Ends" value={offer.when.until!} zone={shop.timeZone} onChange={(until) => when({ until })} />
          <span className="text-gravel">{shop.timeZone}</span>
        </Maybe>
      </Clause>
      <Clause title="For whom" help="Everybody, where nothing is ticked.">
        <Maybe
          label="with the code"
          isOn={offer.when.code !== null}
          onToggle={(on) => when({ code: on ? 'CODE' : null })}
        >
          <input
            className="field w-40"
            aria-label="Code"
            maxLength={60}
            defaultValue={offer.when.code ?? ''}
            onBlur={(event) => event.target.value.trim() && when({ code: event.target.value.trim() })}
          />
        </Maybe>
        <label className="flex items-center gap-2">
          for
          <select
            className="field"
            aria-label="Which shoppers"
            value={offer.when.shopper}
            onChange={(event) => when({ shopper: event.target.value as Offer['when']['shopper'] })}
          >
            <option value="any">everybody</option>
            <option value="new">a first order</option>
            <option value="returning">those who have bought before</option>
          </select>
        </label>
        <Countries value={offer.when.countries} shop={shop} onChange={(countries) => when({ countries })} />
      </Clause>
      <Clause
        title="How often"
        help="Counted with the order; given back when a payment fails or an order is cancelled."
      >
        <Maybe
          label="in all"
          isOn={offer.limits.total !== null}
          onToggle={(on) => put({ limits: { ...offer.limits, total: on ? 100 : null } })}
        >
          <NumberField
            label="Times in all"
            min={1}
            value={offer.limits.total ?? 1}
            onChange={(total) => put({ limits: { ...offer.limits, total } })}
          />
          times
        </Maybe>
        <Maybe
          label="per shopper"
          isOn={offer.limits.perShopper !== null}
          onToggle={(on) => put({ limits: { ...offer.limits, perShopper: on ? 1 : null } })}
        >
          <NumberField
            label="Times per shopper"
            min={1}
            value={offer.limits.perShopper ?? 1}
            onChange={(perShopper) => put({ limits: { ...offer.limits, perShopper } })}
          />
          times
        </Maybe>
      </Clause>
      <Clause
        title="Together with"
        help="Of all that may stand together, shoppers get what makes their order cheapest."
      >
        <label className="flex items-center gap-2">
          <select
            className="field"
            aria-label="Together with others"
            value={offer.combine.alone ? 'alone' : offer.combine.group === null ? 'any' : 'group'}
            onChange={(event) =>
              put({
                combine: {
                  alone: event.target.value === 'alone',
                  group: event.target.value === 'group' ? (groups[0] ?? 'discounts') : null,
                },
              })
            }
          >
            <option value="any">any other offer</option>
            <option value="group">no other offer of the group</option>
            <option value="alone">no other offer at all</option>
          </select>
          {offer.combine.group !== null && (
            <>
              <input
                className="field w-40"
                aria-label="Group"
                list="offer-groups"
                defaultValue={offer.combine.group}
                onBlur={(event) =>
                  event.target.value.trim() && put({ combine: { ...offer.combine, group: event.target.value.trim() } })
                }
              />
              <datalist id="offer-groups">
                {groups.map((group) => (
                  <option key={group} value={group} />
                ))}
              </datalist>
            </>
          )}
        </label>
      </Clause>
      {problem && (
        <p role="alert" className="text-brick">
          {problem}
        </p>
      )}
    </div>
  );
}

function Clause({ title, help, children }: { title: string; help: string; children: ReactNode }) {
  return (
    <section className="flex flex-col gap-2 border-s-[3px] border-mortar ps-3">
      <header className="flex flex-wrap items-baseline gap-x-3">
        <h3 className="text-[15px] font-semibold">{title}</h3>
        <p className="help">{help}</p>
      </header>
      {children}
    </section>
  );
}

interface MaybeProps {
  readonly label: string;
  readonly isOn: boolean;
  readonly onToggle: (isOn: boolean) => void;
  readonly children: ReactNode;
}

/** A clause that may be left out; its parts are there while it is in. */
function Maybe({ label, isOn, onToggle, children }: MaybeProps) {
  return (
    <div className="flex flex-wrap items-center gap-2">
      <Tick label={label} checked={isOn} onChange={onToggle} />
      {isOn && children}
    </div>
  );
}

interface DoesProps {
  readonly offer: Offer;
  readonly exponent: number;
  readonly currency: string;
  readonly put: (part: object) => void;
}

function Percent({
  label,
  value,
  onChange,
}: {
  label: string;
  value: number;
  onChange: (basisPoints: number) => void;
}) {
  return (
    <span className="inline-flex items-baseline gap-1">
      <NumberField
        label={label}
        className="w-20"
        step="any"
        min={0}
        max={100}
        value={value / 100}
        onChange={(percent) => onChange(Math.round(percent * 100))}
      />
      %
    </span>
  );
}

function Does({ offer, exponent, currency, put }: DoesProps) {
  const money = (label: string, valueMinor: number, onChange: (amount: number) => void) => (
    <>
      <MoneyField label={label} valueMinor={valueMinor} exponent={exponent} onChange={onChange} />
      {currency}
    </>
  );
  const count = (label: string, value: number, onChange: (value: number) => void) => (
    <NumberField label={label} className="w-20" min={1} value={value} onChange={onChange} />
  );
  const row = 'flex flex-wrap items-baseline gap-2';
  switch (offer.kind) {
    case 'percentOff':
    case 'amountOff':
      return (
        <>
          <p className={row}>
            Take
            {offer.kind === 'percentOff' ? (
              <Percent label="Percent" value={offer.basisPoints} onChange={(basisPoints) => put({ basisPoints })} />
            ) : (
              money('Amount', offer.amountMinor, (amountMinor) => put({ amountMinor }))
            )}
            off
            <select
              className="field"
              aria-label="Off what"
              value={offer.target}
              onChange={(event) => put({ target: event.target.value })}
            >
              <option value="lines">each item</option>
              <option value="order">the total</option>
            </select>
            in
            <LineSelection label="In" value={offer.selection} onChange={(selection) => put({ selection })} />
          </p>
          <Maybe
            label="at most"
            isOn={offer.maxMinor !== null}
            onToggle={(on) => put({ maxMinor: on ? 50 * 10 ** exponent : null })}
          >
            {money('At most', offer.maxMinor ?? 0, (maxMinor) => put({ maxMinor }))} in all
          </Maybe>
        </>
      );
    case 'priceIs':
      return (
        <p className={row}>
          Sell each item in
          <LineSelection label="In" value={offer.selection} onChange={(selection) => put({ selection })} />
          at {money('Price', offer.unitMinor, (unitMinor) => put({ unitMinor }))}
        </p>
      );
    case 'quantityBreaks':
      return (
        <>
          <p className={row}>
            In
            <LineSelection label="In" value={offer.selection} onChange={(selection) => put({ selection })} />
            count
            <select
              className="field"
              aria-label="Counted how"
              value={offer.count}
              onChange={(event) => put({ count: event.target.value })}
            >
              <option value="line">each kind for itself</option>
              <option value="selection">all kinds together</option>
            </select>
          </p>
          {offer.breaks.map((step, i) => {
            const change = (part: object) =>
              put({ breaks: offer.breaks.map((other, j) => (j === i ? { ...other, ...part } : other)) });
            return (
              <p key={i} className={row}>
                from {count(`Step ${i + 1}: from`, step.from, (from) => change({ from }))} on,
                {'unitMinor' in step ? (
                  <>{money(`Step ${i + 1}: each`, step.unitMinor, (unitMinor) => change({ unitMinor }))} each</>
                ) : (
                  <>
                    <Percent
                      label={`Step ${i + 1}: percent`}
                      value={step.basisPoints}
                      onChange={(basisPoints) => change({ basisPoints })}
                    />
                    off each
                  </>
                )}
                {offer.breaks.length > 1 && (
                  <button
                    className="plain text-gravel hover:text-brick"
                    aria-label={`Remove step ${i + 1}`}
                    onClick={() => put({ breaks: offer.breaks.filter((_step, j) => j !== i) })}
                  >
                    ×
                  </button>
                )}
              </p>
            );
          })}
          <button
            className="btn self-start"
            onClick={() => {
              const last = offer.breaks.reduce((a, b) => (b.from > a.from ? b : a));
              put({ breaks: [...offer.breaks, { ...last, from: last.from * 2 }] });
            }}
          >
            Add a step
          </button>
        </>
      );
    case 'buyGet':
      return (
        <>
          <p className={row}>
            For {count('Bought', offer.buyQuantity, (buyQuantity) => put({ buyQuantity }))} bought in
            <LineSelection label="Bought in" value={offer.buy} onChange={(buy) => put({ buy })} />
          </p>
          <p className={row}>
            give {count('Given', offer.getQuantity, (getQuantity) => put({ getQuantity }))} in
            <LineSelection label="Given in" value={offer.get} onChange={(get) => put({ get })} />
            at
            <Percent label="Percent off" value={offer.basisPoints} onChange={(basisPoints) => put({ basisPoints })} />
            off, the
            <select
              className="field"
              aria-label="Which first"
              value={offer.choose}
              onChange={(event) => put({ choose: event.target.value })}
            >
              <option value="cheapest">cheapest</option>
              <option value="dearest">dearest</option>
            </select>
            first
          </p>
          <Most value={offer.most} put={put} />
        </>
      );
    case 'bundle':
      return (
        <>
          {offer.items.map((item, i) => {
            const change = (part: object) =>
              put({ items: offer.items.map((other, j) => (j === i ? { ...other, ...part } : other)) });
            return (
              <p key={i} className={row}>
                {i === 0 ? 'Sell' : 'with'}
                {count(`Part ${i + 1}: how many`, item.quantity, (quantity) => change({ quantity }))} in
                <LineSelection
                  label={`Part ${i + 1}`}
                  value={item.selection}
                  onChange={(selection) => change({ selection })}
                />
                {offer.items.length > 1 && (
                  <button
                    className="plain text-gravel hover:text-brick"
                    aria-label={`Remove part ${i + 1}`}
                    onClick={() => put({ items: offer.items.filter((_item, j) => j !== i) })}
                  >
                    ×
                  </button>
                )}
              </p>
            );
          })}
          <p className={row}>
            <button
              className="btn"
              onClick={() => put({ items: [...offer.items, { selection: { only: {} }, quantity: 1 }] })}
            >
              Add a part
            </button>
            together for {money('Together for', offer.priceMinor, (priceMinor) => put({ priceMinor }))}
          </p>
          <Most value={offer.most} put={put} />
        </>
      );
    case 'deliveryOff': {
      const how = offer.flatMinor !== undefined ? 'flat' : offer.amountMinor !== undefined ? 'amount' : 'percent';
      const begin = (next: string) => {
        const { basisPoints: _b, amountMinor: _a, flatMinor: _f, ...rest } = offer;
        const one = 10 ** exponent;
        return {
          ...rest,
          ...(next === 'percent'
            ? { basisPoints: 10_000 }
            : next === 'flat'
              ? { flatMinor: 2 * one }
              : { amountMinor: 2 * one }),
        };
      };
      return (
        <p className={row}>
          <select
            className="field"
            aria-label="How"
            value={how}
            onChange={(event) =>
              put({
                basisPoints: undefined,
                amountMinor: undefined,
                flatMinor: undefined,
                ...begin(event.target.value),
              })
            }
          >
            <option value="percent">Take a share off delivery:</option>
            <option value="amount">Take a sum off delivery:</option>
            <option value="flat">Deliver for</option>
          </select>
          {how === 'percent' && (
            <Percent label="Percent" value={offer.basisPoints ?? 0} onChange={(basisPoints) => put({ basisPoints })} />
          )}
          {how === 'amount' && money('Amount', offer.amountMinor ?? 0, (amountMinor) => put({ amountMinor }))}
          {how === 'flat' && money('For', offer.flatMinor ?? 0, (flatMinor) => put({ flatMinor }))}
          by
          <select
            className="field"
            aria-label="Ways of delivery"
            value={offer.methods.length === 1 ? offer.methods[0] : ''}
            onChange={(event) => put({ methods: event.target.value ? [event.target.value] : [] })}
          >
            <option value="">any way</option>
            <option value="standard">standard</option>
            <option value="express">express</option>
          </select>
        </p>
      );
    }
    case 'gift':
      return (
        <p className={row}>
          Give {count('How many', offer.quantity, (quantity) => put({ quantity }))} of the variant with the SKU
          <input
            className="field w-44"
            aria-label="SKU"
            defaultValue={offer.variant}
            onBlur={(event) => event.target.value.trim() && put({ variant: event.target.value.trim() })}
          />
          for nothing
        </p>
      );
  }
}

function Most({ value, put }: { value: number | null; put: (part: object) => void }) {
  return (
    <Maybe label="at most" isOn={value !== null} onToggle={(on) => put({ most: on ? 1 : null })}>
      <NumberField
        label="Times a cart"
        className="w-20"
        min={1}
        value={value ?? 1}
        onChange={(most) => put({ most })}
      />
      times a cart
    </Maybe>
  );
}

/** A moment in the shop's zone. */
function Moment(props: { label: string; value: string; zone: string; onChange: (iso: string) => void }) {
  const { label, value, zone, onChange } = props;
  return (
    <input
      type="datetime-local"
      className="field"
      aria-label={label}
      value={localTime(Date.parse(value), zone)}
      onChange={(event) =>
        event.target.value && onChange(new Date(momentOf(event.target.value.slice(0, 16), zone)).toISOString())
      }
    />
  );
}

function Countries({ value, shop, onChange }: { value: string[]; shop: Shop; onChange: (codes: string[]) => void }) {
  const known = [
    ...new Set([shop.delivery.home, ...Object.values(shop.delivery.zones).flatMap(({ countries }) => countries)]),
  ];
  return (
    <div className="flex flex-wrap items-center gap-1">
      <span>delivered to</span>
      {value.length === 0 && <span className="clause">any country</span>}
      {value.map((code) => (
        <button
          key={code}
          className="btn min-h-7 py-0"
          aria-label={`Remove ${countryName(code, 'en')}`}
          onClick={() => onChange(value.filter((other) => other !== code))}
        >
          {countryName(code, 'en')} ×
        </button>
      ))}
      <select
        className="field min-h-7 py-0"
        aria-label="Add a country"
        value=""
        onChange={(event) => onChange([...value, event.target.value])}
      >
        <option value="">+ country</option>
        {known
          .filter((code) => !value.includes(code))
          .map((code) => (
            <option key={code} value={code}>
              {countryName(code, 'en')}
            </option>
          ))}
      </select>
    </div>
  );
}
