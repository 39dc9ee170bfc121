import { uniqueSlug } from '~/core/catalogue';
import { LETTERS } from '~/core/limits';
import { NumberField } from '~/studio/fields/number-field';
import { Segmented } from '~/studio/fields/segmented';
import type { SectionProps } from './section';

/** The tax shoppers pay, and whether prices hold it. */
export function TaxSection({ lane, change }: SectionProps) {
  const { tax } = lane.shop;
  return (
    <>
      <div className="flex flex-col gap-1">
        <span className="font-semibold">Tax rate</span>
        <p className="help">On everything without a rate of its own, and on delivery.</p>
        <span className="flex items-center gap-2">
          <NumberField
            label="Tax rate in percent"
            value={tax.basisPoints / 100}
            min={0}
            max={100}
            step="any"
            onChange={(percent) =>
              change((draft) => void (draft.shop.tax.basisPoints = Math.round(percent * 100)), 'shop tax')
            }
          />{' '}
          %
        </span>
      </div>
      <fieldset className="flex flex-col gap-1">
        <legend className="font-semibold">Other rates</legend>
        <p className="help">For products that are taxed otherwise; each product names its rate.</p>
        {Object.entries(tax.rates).map(([key, rate]) => (
          <span key={key} className="flex items-center gap-2">
            <input
              className="field flex-1"
              aria-label={`Name of the rate ${rate.name}`}
              defaultValue={rate.name}
              maxLength={LETTERS.taxName}
              onBlur={({ target }) => {
                const name = target.value.trim();
                if (name) change((draft) => void (draft.shop.tax.rates[key]!.name = name));
                else target.value = rate.name;
              }}
            />
            <NumberField
              label={`Percent of ${rate.name}`}
              value={rate.basisPoints / 100}
              min={0}
              max={100}
              step="any"
              onChange={(percent) =>
                change(
                  (draft) => void (draft.shop.tax.rates[key]!.basisPoints = Math.round(percent * 100)),
                  `shop tax ${key}`,
                )
              }
            />{' '}
            %
            <button
              className="plain size-6 text-gravel hover:text-brick"
              aria-label={`Remove ${rate.name}`}
              onClick={() => change((draft) => void delete draft.shop.tax.rates[key])}
            >
              ×
            </button>
          </span>
        ))}
        <button
          className="btn self-start"
          onClick={() =>
            change((draft) => {
              const { rates } = draft.shop.tax;
              const key = uniqueSlug('Reduced', new Set(Object.keys(rates)));
              rates[key] = {
                name: key === 'reduced' ? 'Reduced' : `Rate ${Object.keys(rates).length + 1}`,
                basisPoints: 0,
              };
            })
          }
        >
          Add a rate
        </button>
      </fieldset>
      <div className="flex flex-col gap-1">
        <span className="font-semibold">Prices in the catalogue</span>
        <p className="help">
          {tax.included
            ? 'Shoppers pay the price they see; the tax in it is told in the totals.'
            : 'The tax is added to the totals; cards and product pages say “plus tax”.'}
        </p>
        <Segmented
          label="Prices in the catalogue"
          options={{ in: 'Include the tax', on: 'Tax comes on top' }}
          value={tax.included ? 'in' : 'on'}
          onChange={(key) => change((draft) => void (draft.shop.tax.included = key === 'in'))}
        />
      </div>
    </>
  );
}
