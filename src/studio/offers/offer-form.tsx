import { createContext, useContext } from 'react';
import type { Shop } from '~/core/lane';
import { currencyOf } from '~/core/money';
import type { FormPart, FormRow } from '~/core/pricing';
import { assertNever } from '~/core/problems';
import { MoneyField } from '~/studio/fields/money-field';
import { NumberField } from '~/studio/fields/number-field';
import { VariantPicker } from '~/studio/fields/variant-picker';
import { Maybe } from './clause';
import { LineSelection } from './line-selection';
import { Code } from './offer-code';
import { Countries, Moment, Percent, Sources } from './offer-fields';

/** The offer whose sentence is written, and where what is changed goes. */
export const OfferFormContext = createContext<{
  readonly id: string;
  readonly shop: Shop;
  readonly put: (part: object) => void;
} | null>(null);

function useOfferForm() {
  const form = useContext(OfferFormContext);
  if (!form) throw new Error('An offer is written within its form');
  return form;
}

const ROW = 'flex flex-wrap items-baseline gap-2';

/** Rows of the sentence that says what an offer does or asks for. */
export function OfferForm({ rows }: { rows: readonly FormRow[] }) {
  const { put } = useOfferForm();
  return rows.map((row, at) =>
    'maybe' in row ? (
      <Maybe key={at} label={row.maybe} isOn={row.isOn} onToggle={(isOn) => put(row.change(isOn))}>
        <Parts parts={row.parts} />
      </Maybe>
    ) : (
      <div key={at} className={ROW}>
        <Parts parts={row} />
      </div>
    ),
  );
}

const Parts = ({ parts }: { parts: readonly FormPart[] }) =>
  parts.map((part, at) => (typeof part === 'string' ? <span key={at}>{part}</span> : <Part key={at} part={part} />));

function Part({ part }: { part: Exclude<FormPart, string> }) {
  const { id, shop, put } = useOfferForm();
  switch (part.field) {
    case 'percent':
      return <Percent label={part.label} value={part.basisPoints} onChange={(value) => put(part.change(value))} />;
    case 'money':
      return (
        <>
          <MoneyField
            label={part.label}
            valueMinor={part.valueMinor}
            onChange={(amount: number) => put(part.change(amount))}
          />
          <span>{currencyOf(shop.currency).code}</span>
        </>
      );
    case 'count':
      return (
        <NumberField
          label={part.label}
          className="w-20"
          min={part.min ?? 1}
          max={part.max}
          value={part.value}
          onChange={(value) => put(part.change(value))}
        />
      );
    case 'goods':
      return <LineSelection label={part.label} value={part.value} onChange={(goods) => put(part.change(goods))} />;
    case 'choice':
      return (
        <select
          className="field"
          aria-label={part.label}
          value={part.value}
          onChange={(event) => put(part.change(event.target.value))}
        >
          {Object.entries(part.options).map(([value, label]) => (
            <option key={value} value={value}>
              {label}
            </option>
          ))}
        </select>
      );
    case 'variant':
      return <VariantPicker sku={part.sku} onPick={(sku) => sku && put(part.change(sku))} />;
    case 'moment':
      return (
        <Moment
          label={part.label}
          value={part.value}
          zone={shop.timeZone}
          onChange={(moment) => put(part.change(moment))}
        />
      );
    case 'countries':
      return <Countries value={part.value} shop={shop} onChange={(codes) => put(part.change(codes))} />;
    case 'sources':
      return <Sources value={part.value} onChange={(sources) => put(part.change(sources))} />;
    case 'code':
      return <Code id={id} code={part.code} isOneTime={part.isOneTime} onChange={(held) => put(part.change(held))} />;
    case 'help':
      return <span className="help">{part.text}</span>;
    case 'remove':
      return (
        <button
          className="plain text-gravel hover:text-brick"
          aria-label={part.label}
          onClick={() => put(part.change())}
        >
          ×
        </button>
      );
    case 'add':
      return (
        <button className="btn" onClick={() => put(part.change())}>
          {part.label}
        </button>
      );
    default:
      return assertNever(part);
  }
}
