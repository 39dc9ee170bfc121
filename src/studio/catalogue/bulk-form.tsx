import type { Dispatch } from 'react';
import type { SetStateAction } from 'react';
import { NumberField } from '~/studio/fields/number-field';
import { Segmented } from '~/studio/fields/segmented';

export function ChangeForm({
  kind,
  setKind,
  percent,
  setPercent,
  exponent,
  ending,
  setEnding,
  tag,
  setTag,
  on,
  setOn,
}: {
  kind: 'shown' | 'price' | 'tag';
  setKind: Dispatch<SetStateAction<'shown' | 'price' | 'tag'>>;
  percent: number;
  setPercent: Dispatch<SetStateAction<number>>;
  exponent: number;
  ending: 0 | 'none' | 50 | 90 | 95 | 99;
  setEnding: Dispatch<SetStateAction<0 | 'none' | 50 | 90 | 95 | 99>>;
  tag: string;
  setTag: Dispatch<SetStateAction<string>>;
  on: boolean;
  setOn: Dispatch<SetStateAction<boolean>>;
}) {
  return (
    <>
      <Segmented label="What to change" options={KINDS} value={kind} onChange={setKind} />
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
              onChange={setPercent}
            />{' '}
            %
          </span>
          {exponent > 0 && (
            <label className="flex items-center gap-2">
              ending on
              <select
                className="field"
                value={ending}
                onChange={({ target: { value } }) => setEnding(value as keyof typeof ENDINGS)}
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
            onChange={(event) => setTag(event.target.value)}
          />
          <Segmented
            label="Add or remove"
            options={{ on: 'Add', off: 'Remove' }}
            value={on ? 'on' : 'off'}
            onChange={(key) => setOn(key === 'on')}
          />
        </div>
      )}
      {kind === 'shown' && (
        <Segmented
          label="In the shop"
          options={{ on: 'Show', off: 'Do not show' }}
          value={on ? 'on' : 'off'}
          onChange={(key) => setOn(key === 'on')}
        />
      )}
    </>
  );
}

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

export const KINDS = { price: 'Price', tag: 'Tag', shown: 'Shown or not' } as const;

export const ENDINGS = { none: 'As it comes', 0: 'Whole', 50: '.50', 90: '.90', 95: '.95', 99: '.99' } as const;
