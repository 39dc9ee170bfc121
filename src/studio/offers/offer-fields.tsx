import { useState } from 'react';
import type { Shop } from '~/core/lane';
import { countryName } from '~/core/delivery/countries';
import { localTime, momentOf } from '~/core/time';
import { NumberField } from '~/studio/fields/number-field';

/** A share in per cent; offers hold it in basis points. */
export function Percent({
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

/** A moment in the shop's zone. */
export function Moment(props: { label: string; value: string; zone: string; onChange: (iso: string) => void }) {
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

export function Countries({
  value,
  shop,
  onChange,
}: {
  value: readonly string[];
  shop: Shop;
  onChange: (codes: string[]) => void;
}) {
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
export function Sources({ value, onChange }: { value: readonly string[]; onChange: (sources: string[]) => void }) {
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
