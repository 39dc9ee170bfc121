import { z } from 'zod';
import { basisPoints, count, sum } from '../basis/fields';
import type { FormRow } from '../basis/form';
import { partOf } from '../basis/half-up';
import { fullUnit } from '../basis/line';
import { selectionSchema } from '../basis/selection';
import { percent, readSelection } from '../basis/words';
import { offerKind } from './offer-kind';

const breakSchema = z.union([
  z.strictObject({ from: count, basisPoints }),
  z.strictObject({ from: count, unitMinor: sum }),
]);
type Break = z.infer<typeof breakSchema>;

/** Whoever takes more must not pay more for each: breaks of one sort fall, and none stands twice. */
function breaksFall(breaks: readonly Break[]): boolean {
  const rising = inOrder(breaks);
  return rising.every((step, i) => {
    const before = rising[i - 1];
    if (!before) return true;
    if (before.from === step.from) return false;
    if ('unitMinor' in step) return !('unitMinor' in before) || step.unitMinor <= before.unitMinor;
    return !('basisPoints' in before) || step.basisPoints >= before.basisPoints;
  });
}

const inOrder = (breaks: readonly Break[]) => breaks.toSorted((a, b) => a.from - b.from);

export const quantityBreaks = offerKind(
  'quantityBreaks',
  {
    selection: selectionSchema,
    count: z.enum(['line', 'selection']).default('line'),
    breaks: z
      .array(breakSchema)
      .min(1)
      .max(20)
      .refine(breaksFall, 'must get better with more: a larger quantity may not cost more each, nor stand twice'),
  },
  {
    label: 'Quantity discount',
    help: 'Whoever takes more pays less for each.',
    begins: () => ({ breaks: [{ from: 5, basisPoints: 500 }] }),
    stage: () => 1,
    selections: ({ selection }) => [selection],
    selection: ({ selection }) => selection,
    countsTogether: (offer) => offer.count === 'selection',
    quantities: ({ breaks }) => breaks.map(({ from }) => from),
    unitPrice(offer, line, together) {
      const quantity = offer.count === 'selection' ? together : line.quantity;
      let reached: Break | null = null;
      for (const step of offer.breaks)
        if (step.from <= quantity && (reached === null || step.from > reached.from)) reached = step;
      if (reached === null) return null;
      const full = fullUnit(line);
      return 'unitMinor' in reached
        ? Math.max(0, reached.unitMinor + line.unitOptionsMinor)
        : Math.max(0, full - partOf(full, reached.basisPoints));
    },
    reads(offer, reader) {
      const each = (step: Break) =>
        'unitMinor' in step ? `${reader.money(step.unitMinor)} each` : `${percent(step.basisPoints)} off each`;
      const steps = inOrder(offer.breaks).map((step) => `from ${step.from} on ${each(step)}`);
      const of = offer.count === 'line' ? 'of one kind' : 'of all kinds together';
      return `Sell in ${readSelection(offer.selection, reader)} by quantity ${of}: ${steps.join('; ')}`;
    },
    tells(offer) {
      if (offer.count === 'line') return 'by-price';
      const [first] = inOrder(offer.breaks);
      return { code: 'together', from: first!.from, what: offer.selection, each: first! };
    },
    form: (offer) => [
      [
        'In',
        { field: 'goods', label: 'In', value: offer.selection, change: (selection) => ({ selection }) },
        'count',
        {
          field: 'choice',
          label: 'Counted how',
          value: offer.count,
          options: { line: 'each kind for itself', selection: 'all kinds together' },
          change: (value) => ({ count: value }),
        },
      ],
      ...offer.breaks.map((_, at) => stepRow(offer.breaks, at)),
      [
        {
          field: 'add',
          label: 'Add a step',
          change() {
            const last = offer.breaks.reduce((a, b) => (b.from > a.from ? b : a));
            return { breaks: [...offer.breaks, { ...last, from: last.from * 2 }] };
          },
        },
      ],
    ],
  },
);

function stepRow(breaks: readonly Break[], at: number): FormRow {
  const step = breaks[at]!;
  const name = `Step ${at + 1}`;
  const change = (part: object) => ({
    breaks: breaks.map((other, i) => (i === at ? { ...other, ...part } : other)),
  });
  return [
    'from',
    { field: 'count', label: `${name}: from`, value: step.from, change: (from) => change({ from }) },
    'on,',
    'unitMinor' in step
      ? {
          field: 'money',
          label: `${name}: each`,
          valueMinor: step.unitMinor,
          change: (unitMinor) => change({ unitMinor }),
        }
      : {
          field: 'percent',
          label: `${name}: percent`,
          basisPoints: step.basisPoints,
          change: (share) => change({ basisPoints: share }),
        },
    'unitMinor' in step ? 'each' : 'off each',
    ...(breaks.length > 1
      ? [
          {
            field: 'remove' as const,
            label: `Remove step ${at + 1}`,
            change: () => ({ breaks: breaks.filter((_, i) => i !== at) }),
          },
        ]
      : []),
  ];
}
