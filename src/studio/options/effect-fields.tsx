import { useState } from 'react';
import type { Shop } from '~/core/lane';
import { currencyOf } from '~/core/money';
import type { Effect } from '~/core/options';
import { NumberField } from '../shared/number-field';

interface Props {
  readonly effect: Effect;
  readonly shop: Shop;
  readonly isShort?: boolean;
  readonly onChange: (effect: Effect) => void;
}

/** What an answer costs and weighs. Amounts are typed in whole units of the currency, and may be less than nothing. */
export function EffectFields({ effect, shop, isShort = false, onChange }: Props) {
  const { exponent } = currencyOf(shop.currency);
  const [typed, setTyped] = useState((effect.amountMinor / 10 ** exponent).toFixed(exponent));
  function setAmount(text: string): void {
    setTyped(text);
    const amount = Number(text.replace(',', '.'));
    if (text.trim() !== '' && Number.isFinite(amount))
      onChange({ ...effect, amountMinor: Math.round(amount * 10 ** exponent) });
  }
  const label = (text: string) => <span className={isShort ? 'help' : 'font-semibold'}>{text}</span>;
  return (
    <div className="flex flex-wrap items-end gap-2">
      <label className="flex flex-col gap-0.5">
        {label(`Adds (${shop.currency})`)}
        <input
          className="field w-24 text-end"
          inputMode="decimal"
          value={typed}
          onChange={(event) => setAmount(event.target.value)}
          onBlur={() => setTyped((effect.amountMinor / 10 ** exponent).toFixed(exponent))}
        />
      </label>
      <label className="flex flex-col gap-0.5">
        {label('For')}
        <select
          className="field"
          value={effect.per}
          onChange={(event) => onChange({ ...effect, per: event.target.value as Effect['per'] })}
        >
          <option value="unit">each unit</option>
          <option value="once">once per item line</option>
        </select>
      </label>
      <label className="flex flex-col gap-0.5">
        {label('Extra weight (g)')}
        <NumberField
          className="w-20"
          min={0}
          value={effect.weightGrams}
          onChange={(weightGrams) => onChange({ ...effect, weightGrams })}
        />
      </label>
    </div>
  );
}
