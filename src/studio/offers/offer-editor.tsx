import { useState } from 'react';
import { findOfferFaults, NO_GIFT, offerSchema, type Offer, type OfferFault } from '~/core/pricing';
import { localTime, momentOf } from '~/core/time';
import { countryName } from '~/core/delivery/countries';
import { wordOfferFault, type Shop } from '~/core/lane';
import { currencyOf, usualSum } from '~/core/money';
import { MoneyField } from '~/studio/fields/money-field';
import { TextField } from '~/studio/fields/fields';
import { NumberField } from '~/studio/fields/number-field';
import { Tick } from '~/studio/fields/tick';
import { KINDS } from './kinds';
import { Clause, Maybe } from './clause';
import { LineSelection } from './line-selection';
import { Code } from './offer-code';
import { Does } from './offer-does';

interface Props {
  readonly id: string;
  readonly offer: Offer;
  readonly shop: Shop;
  /** All offers, this one among them: two may not have one code. */
  readonly offers: Readonly<Record<string, Offer>>;
  /** Groups other offers are in. */
  readonly groups: readonly string[];
  readonly onChange: (offer: Offer) => void;
}

/** An offer as a sentence whose parts are changed where they stand. What would make no offer is said, and not kept. */
export function OfferEditor({ id, offer, offers, shop, groups, onChange }: Props) {
  const [problem, setProblem] = useState<string | null>(null);
  const faults = findOfferFaults(offers, new Set([NO_GIFT])).filter(({ offerId }) => offerId === id);
  const faultOf = (field: OfferFault['field']) => {
    const fault = faults.find((one) => one.field === field);
    return (
      fault && (
        <p role="alert" className="text-[13px] text-brick">
          {wordOfferFault(fault, offers)} Until then nothing can be published.
        </p>
      )
    );
  };
  const currency = currencyOf(shop.currency);
  function put(part: object): void {
    const next = offerSchema.safeParse({ ...offer, ...part });
    setProblem(next.success ? null : (next.error.issues[0]?.message ?? 'That makes no offer.'));
    // What is left out must not stand there as nothing: the draft is JSON.
    if (next.success) onChange(JSON.parse(JSON.stringify(next.data)) as Offer);
  }
  const when = (part: Partial<Offer['when']>) => put({ when: { ...offer.when, ...part } });
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
        <Does offer={offer} currency={currency} put={put} />
        {faultOf('variant')}
      </Clause>
      <Clause title="When" help="Measured at full prices, before any offer.">
        <Maybe
          label="the cart holds goods worth"
          isOn={offer.when.minGoodsMinor !== null}
          onToggle={(on) => when({ minGoodsMinor: on ? usualSum(50, currency) : null })}
        >
          <MoneyField
            label="Goods worth at least"
            valueMinor={offer.when.minGoodsMinor ?? 0}
            onChange={(minGoodsMinor) => when({ minGoodsMinor })}
          />
          {currency.code} or more
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
        {faultOf('until')}
      </Clause>
      <Clause title="For whom" help="Everybody, where nothing is ticked.">
        <Code id={id} offer={offer} onChange={when} />
        {faultOf('code')}
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
        <Maybe
          label="around their birthday"
          isOn={offer.when.birthdayDays !== null}
          onToggle={(on) => when({ birthdayDays: on ? 7 : null })}
        >
          <NumberField
            label="Days before and after the birthday"
            min={0}
            max={183}
            value={offer.when.birthdayDays ?? 7}
            onChange={(birthdayDays) => when({ birthdayDays })}
          />
          <span className="help">
            days before and after, for those who told it on a thank-you page. Known from the checkout on, once the
            e-mail is typed.
          </span>
        </Maybe>
        <Countries value={offer.when.countries} shop={shop} onChange={(countries) => when({ countries })} />
        {((offer.when.code !== null && !offer.when.isOneTime) || offer.when.minGoodsMinor !== null) && (
          <Tick
            label="tell shoppers of it in the cart, while it does not count yet"
            checked={offer.told}
            onChange={(told) => put({ told })}
          />
        )}
        <Sources value={offer.when.sources} onChange={(sources) => when({ sources })} />
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
        <label className="flex flex-wrap items-center gap-2">
          <select
            className="field"
            aria-label="Together with others"
            value={togetherOf(offer.combine)}
            onChange={(event) => put({ combine: combineAs(event.target.value as Together, offer.combine, groups) })}
          >
            {Object.entries(TOGETHER).map(([key, label]) => (
              <option key={key} value={key}>
                {label}
              </option>
            ))}
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

/** How an offer stands beside others, as an owner chooses it. */
const TOGETHER = {
  any: 'any other offer',
  item: 'others of its group: each item gets the better one',
  order: 'no other offer of its group in one order',
  alone: 'no other offer at all',
} as const;
type Together = keyof typeof TOGETHER;

const togetherOf = ({ alone, group, per }: Offer['combine']): Together =>
  alone ? 'alone' : group === null ? 'any' : per;

function combineAs(together: Together, before: Offer['combine'], groups: readonly string[]): Offer['combine'] {
  const isGrouped = together === 'item' || together === 'order';
  return {
    alone: together === 'alone',
    per: together === 'order' ? 'order' : 'item',
    group: isGrouped ? (before.group ?? groups[0] ?? 'discounts') : null,
  };
}

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

/** Where visits come from, as shoppers' browsers tell it. */
function Sources({ value, onChange }: { value: string[]; onChange: (sources: string[]) => void }) {
  const [typed, setTyped] = useState('');
  function add(): void {
    const source = typed.trim().toLowerCase().slice(0, 60);
    if (source !== '') onChange([...new Set([...value, source])]);
    setTyped('');
  }
  return (
    <div className="flex flex-wrap items-center gap-1">
      <span>visits from</span>
      {value.length === 0 && <span className="clause">anywhere</span>}
      {value.map((source) => (
        <button
          key={source}
          className="btn min-h-7 py-0"
          aria-label={`Remove ${source}`}
          onClick={() => onChange(value.filter((other) => other !== source))}
        >
          {source} ×
        </button>
      ))}
      <input
        className="field min-h-7 w-36 py-0"
        aria-label="Add where visits come from"
        placeholder="newsletter"
        value={typed}
        onChange={(event) => setTyped(event.target.value)}
        onBlur={add}
        onKeyDown={(event) => event.key === 'Enter' && add()}
      />
      {value.length > 0 && (
        <span className="help">
          The word after ?from= in your links, or the site before, such as blog.example. Shown in the cart and at the
          checkout; nobody knows it of those who ask not to be recorded.
        </span>
      )}
    </div>
  );
}
