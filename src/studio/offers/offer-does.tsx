import { NO_GIFT, type Offer } from '~/core/pricing';
import { NumberField } from '~/studio/fields/number-field';
import { usualSum, type Currency } from '~/core/money';
import { MoneyField } from '~/studio/fields/money-field';
import { VariantPicker } from '~/studio/fields/variant-picker';
import { Maybe } from './clause';
import { LineSelection } from './line-selection';

interface DoesProps {
  readonly offer: Offer;
  readonly currency: Currency;
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

/** What an offer does, by its kind. */
export function Does({ offer, currency, put }: DoesProps) {
  const money = (label: string, valueMinor: number, onChange: (amount: number) => void) => (
    <>
      <MoneyField label={label} valueMinor={valueMinor} onChange={onChange} />
      {currency.code}
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
            onToggle={(on) => put({ maxMinor: on ? usualSum(50, currency) : null })}
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
        return {
          ...rest,
          ...(next === 'percent'
            ? { basisPoints: 10_000 }
            : next === 'flat'
              ? { flatMinor: usualSum(2, currency) }
              : { amountMinor: usualSum(2, currency) }),
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
        <>
          <p className={row}>
            Give {count('How many', offer.quantity, (quantity) => put({ quantity }))} of this for nothing
          </p>
          {/* A new one gives nothing yet. */}
          <VariantPicker
            sku={offer.variant === NO_GIFT ? '' : offer.variant}
            onPick={(variant) => variant && put({ variant })}
          />
        </>
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
