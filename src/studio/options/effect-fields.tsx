import type { Shop } from '~/core/lane';
import type { Effect } from '~/core/options';
import { MoneyField } from '~/studio/fields/money-field';
import { NumberField } from '~/studio/fields/number-field';

interface Props {
  readonly effect: Effect;
  readonly shop: Shop;
  readonly isShort?: boolean;
  readonly onChange: (effect: Effect) => void;
}

/** What an answer costs and weighs. An amount may be below 0. */
export function EffectFields({ effect, shop, isShort = false, onChange }: Props) {
  const label = (text: string) => <span className={isShort ? 'help' : 'font-semibold'}>{text}</span>;
  return (
    <div className="flex flex-wrap items-end gap-2">
      <span className="flex flex-col gap-0.5">
        {label(`Adds (${shop.currency})`)}
        <MoneyField
          label={`Adds (${shop.currency})`}
          isSigned
          valueMinor={effect.amountMinor}
          onChange={(amountMinor) => onChange({ ...effect, amountMinor })}
        />
      </span>
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
