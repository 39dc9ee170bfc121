import { NumberField } from '~/studio/fields/number-field';
import { Segmented } from '~/studio/fields/segmented';

export interface BulkResult {
  readonly rows: readonly {
    readonly name: string;
    readonly sku: string | null;
    readonly from: number;
    readonly to: number;
  }[];
  readonly count: number;
  readonly products: number;
  readonly withoutPrice: number;
  readonly hidesAll: boolean;
  readonly id: number | null;
}

const KINDS = { price: 'Price', tag: 'Tag', shown: 'Shown or not' } as const;

const ENDINGS = { none: 'As it comes', 0: 'Whole', 50: '.50', 90: '.90', 95: '.95', 99: '.99' } as const;

/** What is chosen in the form, of every kind of change. */
export interface Chosen {
  readonly kind: keyof typeof KINDS;
  readonly percent: number;
  readonly ending: keyof typeof ENDINGS;
  readonly tag: string;
  readonly on: boolean;
}

/** Which change: of prices, of a tag, or of what is shown. */
export function ChangeForm({
  chosen: { kind, percent, ending, tag, on },
  hasEndings,
  onChange,
}: {
  chosen: Chosen;
  /** Whether prices have decimals that they could end on. */
  hasEndings: boolean;
  onChange: (part: Partial<Chosen>) => void;
}) {
  return (
    <>
      <Segmented label="What to change" options={KINDS} value={kind} onChange={(next) => onChange({ kind: next })} />
      {kind === 'price' && (
        <div className="flex flex-wrap items-center gap-3">
          <span className="flex items-center gap-2">
            Raise by{' '}
            <NumberField
              label="Percent; below zero lowers"
              value={percent}
              min={-99}
              max={1000}
              step="any"
              onChange={(next) => onChange({ percent: next })}
            />{' '}
            %
          </span>
          {hasEndings && (
            <label className="flex items-center gap-2">
              ending on
              <select
                className="field"
                value={ending}
                onChange={({ target: { value } }) => onChange({ ending: value as Chosen['ending'] })}
              >
                {Object.entries(ENDINGS).map(([key, label]) => (
                  <option key={key} value={key}>
                    {label}
                  </option>
                ))}
              </select>
            </label>
          )}
          <span className="help">Below zero lowers.</span>
        </div>
      )}
      {kind === 'tag' && (
        <div className="flex items-center gap-3">
          <input
            className="field"
            aria-label="Tag"
            placeholder="Tag"
            maxLength={60}
            value={tag}
            onChange={(event) => onChange({ tag: event.target.value })}
          />
          <Segmented
            label="Add or remove"
            options={{ on: 'Add', off: 'Remove' }}
            value={on ? 'on' : 'off'}
            onChange={(key) => onChange({ on: key === 'on' })}
          />
        </div>
      )}
      {kind === 'shown' && (
        <Segmented
          label="In the shop"
          options={{ on: 'Show', off: 'Do not show' }}
          value={on ? 'on' : 'off'}
          onChange={(key) => onChange({ on: key === 'on' })}
        />
      )}
    </>
  );
}

/** Old and new of the first products. */
export function WhatChanges({ shown, text }: { shown: BulkResult; text: (value: number) => string }) {
  return (
    <div className="panel max-h-60 overflow-auto">
      <table className="tbl">
        <thead>
          <tr>
            <th>Product</th>
            <th className="num">Old</th>
            <th className="num">New</th>
          </tr>
        </thead>
        <tbody>
          {shown.rows.map((row, i) => (
            <tr key={i}>
              <td>
                {row.name} {row.sku && <span className="help">{row.sku}</span>}
              </td>
              <td className="num">{text(row.from)}</td>
              <td className="num">{text(row.to)}</td>
            </tr>
          ))}
        </tbody>
      </table>
      {shown.count > shown.rows.length && <p className="help px-3 py-2">and {shown.count - shown.rows.length} more</p>}
    </div>
  );
}
