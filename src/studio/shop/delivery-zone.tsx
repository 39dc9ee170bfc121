import { useState } from 'react';
import { LETTERS } from '~/core/limits';
import { usualSum, type Currency } from '~/core/money';
import { ALL_COUNTRIES, countryName, type Delivery, type DeliveryZone } from '~/core/delivery';
import { Tick } from '~/studio/fields/tick';
import { NumberField } from '~/studio/fields/number-field';
import { MoneyField } from '~/studio/fields/money-field';
import { TextField } from '~/studio/fields/fields';

const sortedNames = (codes: readonly string[]) =>
  codes.map((code) => [code, countryName(code, 'en')] as const).sort((a, b) => a[1].localeCompare(b[1], 'en'));

interface ZoneProps {
  readonly zone: DeliveryZone;
  readonly by: Delivery['by'];
  readonly currency: Currency;
  /** Countries that belong to other zones. */
  readonly taken: readonly string[];
  readonly edit: (recipe: (zone: DeliveryZone) => void, step?: string) => void;
  readonly onRemove: () => void;
}

export function Zone({ zone, by, currency, taken, edit, onRemove }: ZoneProps) {
  /** What the next step is more than the one before it: of the goods' worth, or a kilogram. */
  const more = by === 'value' ? usualSum(50, currency) : 1000;
  const [problem, setProblem] = useState<string | null>(null);
  return (
    <fieldset className="panel flex flex-col gap-3 px-3 py-3">
      <legend className="sr-only">Zone {zone.name}</legend>
      <div className="grid grid-cols-2 gap-3">
        <TextField
          label="Name of the zone"
          value={zone.name}
          maxLength={LETTERS.zoneName}
          check={(name) => (name === '' ? 'A zone needs a name.' : null)}
          onChange={(name) => edit((draft) => void (draft.name = name), 'name')}
        />
        <TextField
          label="Working days"
          value={zone.days}
          maxLength={LETTERS.deliveryDays}
          onChange={(days) => edit((draft) => void (draft.days = days), 'days')}
        />
      </div>
      <div>
        <span className="font-semibold">Countries</span>
        <ul className="my-1 flex flex-wrap gap-1.5">
          {sortedNames(zone.countries).map(([code, name]) => (
            <li key={code}>
              <button
                className="btn !min-h-7 !px-2 !py-0.5"
                aria-label={`Remove ${name}`}
                onClick={() => edit((draft) => void draft.countries.splice(draft.countries.indexOf(code), 1))}
              >
                {name} ×
              </button>
            </li>
          ))}
          {zone.countries.length === 0 && <li className="help">None yet.</li>}
        </ul>
        <select
          className="field"
          aria-label={`Add a country to ${zone.name}`}
          value=""
          onChange={({ target: { value } }) => value && edit((draft) => void draft.countries.push(value))}
        >
          <option value="">Add a country …</option>
          {sortedNames(ALL_COUNTRIES.filter((code) => !zone.countries.includes(code) && !taken.includes(code))).map(
            ([code, name]) => (
              <option key={code} value={code}>
                {name}
              </option>
            ),
          )}
        </select>
      </div>
      <ZoneSteps by={by} zone={zone} setProblem={setProblem} edit={edit} />
      {problem && (
        <p role="alert" className="text-brick">
          {problem}
        </p>
      )}
      <div className="flex flex-wrap gap-2">
        <button
          className="btn"
          disabled={zone.steps.length >= 12}
          onClick={() =>
            edit((draft) => {
              const open = draft.steps.findIndex((step) => step.upTo === null);
              const at = open < 0 ? draft.steps.length : open;
              const before = draft.steps[at - 1]?.upTo ?? 0;
              draft.steps.splice(at, 0, { upTo: (before ?? 0) + more, amountMinor: draft.steps.at(-1)!.amountMinor });
            })
          }
        >
          Add a step
        </button>
        {zone.steps.at(-1)!.upTo !== null && (
          <button
            className="btn"
            onClick={() =>
              edit((draft) => void draft.steps.push({ upTo: null, amountMinor: draft.steps.at(-1)!.amountMinor }))
            }
          >
            Add “anything more”
          </button>
        )}
        <button className="btn ms-auto" onClick={onRemove}>
          Remove the zone
        </button>
      </div>
      <div className="flex flex-wrap items-center gap-3">
        <Tick
          label="Express, too"
          checked={zone.express !== null}
          onChange={(on) =>
            edit((draft) => void (draft.express = on ? { days: '1–2', extraMinor: usualSum(8, currency) } : null))
          }
        />
        {zone.express && (
          <>
            <label className="flex items-center gap-2">
              in
              <input
                className="field w-20"
                maxLength={LETTERS.deliveryDays}
                aria-label="Express working days"
                value={zone.express.days}
                onChange={({ target: { value } }) =>
                  edit((draft) => void (draft.express!.days = value), 'express days')
                }
              />
              working days, for
            </label>
            <MoneyField
              label="Express costs more by"
              valueMinor={zone.express.extraMinor}
              onChange={(amount) => edit((draft) => void (draft.express!.extraMinor = amount), 'express cost')}
            />
            more
          </>
        )}
      </div>
    </fieldset>
  );
}

function ZoneSteps({
  by,
  zone,
  setProblem,
  edit,
}: {
  by: ZoneProps['by'];
  zone: ZoneProps['zone'];
  setProblem: (next: string | null) => void;
  edit: ZoneProps['edit'];
}) {
  return (
    <table className="tbl">
      <thead>
        <tr>
          <th>{by === 'value' ? 'Goods up to' : 'Weight up to (kg)'}</th>
          <th>Costs</th>
          <th />
        </tr>
      </thead>
      <tbody>
        {zone.steps.map((step, i) => (
          <tr key={i}>
            <td>
              {step.upTo === null ? (
                'anything more'
              ) : (
                <UpTo
                  label={`Step ${i + 1} up to`}
                  upTo={step.upTo}
                  by={by}
                  onChange={(upTo) => {
                    const [before, after] = [zone.steps[i - 1]?.upTo ?? 0, zone.steps[i + 1]?.upTo ?? Infinity];
                    const fits = upTo > (before ?? 0) && upTo < after;
                    setProblem(fits ? null : 'Each step must be more than the one before it.');
                    if (fits) edit((draft) => void (draft.steps[i]!.upTo = upTo), `step ${i}`);
                  }}
                />
              )}
            </td>
            <td>
              <MoneyField
                label={`Step ${i + 1} costs`}
                valueMinor={step.amountMinor}
                onChange={(amount) => edit((draft) => void (draft.steps[i]!.amountMinor = amount), `cost ${i}`)}
              />
            </td>
            <td>
              {zone.steps.length > 1 && (
                <button className="btn" onClick={() => edit((draft) => void draft.steps.splice(i, 1))}>
                  Remove
                </button>
              )}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

interface UpToProps {
  readonly label: string;
  readonly upTo: number;
  readonly by: Delivery['by'];
  readonly onChange: (upTo: number) => void;
}

/** Up to which weight (kg, kept in grams) or worth of the goods a step goes. */
function UpTo({ label, upTo, by, onChange }: UpToProps) {
  if (by === 'value') return <MoneyField label={label} valueMinor={upTo} onChange={onChange} />;
  return (
    <NumberField
      label={label}
      value={upTo / 1000}
      min={0}
      step="any"
      onChange={(kilograms) => onChange(Math.round(kilograms * 1000))}
    />
  );
}
