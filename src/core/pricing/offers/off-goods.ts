import { z } from 'zod';
import { maybe, sum } from '../basis/fields';
import type { FormAround, FormPart, FormRow } from '../basis/form';
import { selectionSchema, type LineSelection } from '../basis/selection';
import type { Stage } from '../basis/standing';
import type { Off, ToldEffect } from '../basis/told-words';
import { readSelection, type OfferReader } from '../basis/words';

/** What an offer holds that takes something off each of some lines, or off the order. */
export const offGoods = { target: z.enum(['lines', 'order']), selection: selectionSchema, maxMinor: maybe(sum) };

export interface OffGoods {
  target: 'lines' | 'order';
  selection: LineSelection;
  maxMinor: number | null;
}

export const stageOfTarget = ({ target }: OffGoods): Stage => (target === 'lines' ? 3 : 4);

export function readOff({ target, selection, maxMinor }: OffGoods, off: string, reader: OfferReader): string {
  const of = target === 'lines' ? 'each item' : 'the total';
  const most = maxMinor === null ? '' : `, at most ${reader.money(maxMinor)} in all`;
  return `Take ${off} off ${of} in ${readSelection(selection, reader)}${most}`;
}

export function tellOff({ target, selection, maxMinor }: OffGoods, off: Off): ToldEffect | 'by-price' {
  if (target === 'order') return { code: 'order', off, what: selection };
  return maxMinor === null ? 'by-price' : { code: 'capped', off, maxMinor };
}

export const offForm = (
  { target, selection, maxMinor }: OffGoods,
  off: FormPart,
  { about }: FormAround,
): readonly FormRow[] => [
  [
    'Take',
    off,
    'off',
    {
      field: 'choice',
      label: 'Off what',
      value: target,
      options: { lines: 'each item', order: 'the total' },
      change: (value) => ({ target: value }),
    },
    'in',
    { field: 'goods', label: 'In', value: selection, change: (goods) => ({ selection: goods }) },
  ],
  {
    maybe: 'at most',
    isOn: maxMinor !== null,
    change: (on) => ({ maxMinor: on ? about(50) : null }),
    parts: [
      { field: 'money', label: 'At most', valueMinor: maxMinor ?? 0, change: (most) => ({ maxMinor: most }) },
      'in all',
    ],
  },
];
