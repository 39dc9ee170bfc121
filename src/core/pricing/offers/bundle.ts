import { z } from 'zod';
import { allocate, minor } from '~/core/money';
import { count, maybe, sum } from '../basis/fields';
import type { FormRow } from '../basis/form';
import { selectionSchema, type LineSelection } from '../basis/selection';
import { countOf, linesByPrice, takeOff, takeSets } from '../basis/sets';
import type { Cart, Standing } from '../basis/standing';
import { items as writeItems, readSelection } from '../basis/words';
import { mostTimes, readMost } from './most-times';
import { offerKind } from './offer-kind';

interface Item {
  selection: LineSelection;
  quantity: number;
}

interface Bundle {
  items: Item[];
  priceMinor: number;
  most: number | null;
}

function takeBundles(cart: Cart, at: Standing, { items, priceMinor, most }: Bundle): void {
  const { free, given } = at.units;
  const prices = at.prices.of;
  const wanted = items.map(({ selection, quantity }) => {
    const lines = linesByPrice(cart, at, selection, false);
    return { quantity, lines, found: countOf(lines, free) };
  });
  for (let made = 0; made < (most ?? Infinity); made += 1) {
    const taken = new Array<number>(cart.lines.length).fill(0);
    if (made > 0) for (const item of wanted) item.found = countOf(item.lines, free);
    // Sorting is stable: equal ones stay as listed.
    for (const { lines, quantity } of wanted.toSorted((a, b) => a.found - b.found)) {
      let left = quantity;
      for (const line of lines) {
        const here = Math.min(left, free[line]! - taken[line]!);
        taken[line]! += here;
        left -= here;
      }
      if (left > 0) return;
    }
    const members = taken.flatMap((count, line) => Array.from({ length: count }, () => line));
    const together = members.reduce((sum, line) => sum + prices[line]!, 0);
    if (together <= priceMinor) return;
    const shares = allocate(
      minor(priceMinor),
      members.map((line) => prices[line]!),
    );
    for (const [i, line] of members.entries()) {
      takeOff(at, line, prices[line]! - shares[i]!);
      if (shares[i] === 0 && prices[line]! > 0) given[line]! += 1;
      free[line]! -= 1;
    }
  }
}

export const bundle = offerKind(
  'bundle',
  {
    items: z
      .array(z.strictObject({ selection: selectionSchema, quantity: count }))
      .min(1)
      .max(10),
    priceMinor: sum,
    most: maybe(count),
  },
  {
    label: 'Bundle price',
    help: 'Certain items together at one price.',
    begins: ({ about }) => ({ items: [{ selection: { only: {} }, quantity: 1 }], priceMinor: about(50) }),
    stage: () => 2,
    selections: ({ items }) => items.map(({ selection }) => selection),
    take: takeSets(takeBundles),
    most(cart, at, { offer }) {
      const { free } = at.units;
      const items = offer.items.map(({ selection }) => cart.fitting(selection));
      let off = 0;
      for (let line = 0; line < cart.lines.length; line += 1)
        if (items.some((one) => !one || one[line])) off += free[line]! * at.prices.of[line]!;
      return off;
    },
    reads({ items, priceMinor, most }, reader) {
      const parts = items.map(
        ({ selection, quantity }) => `${writeItems(quantity)} in ${readSelection(selection, reader)}`,
      );
      return `Sell ${parts.join(' with ')} together for ${reader.money(priceMinor)}${readMost(most)}`;
    },
    tells: ({ items, priceMinor }) => ({ code: 'bundle', items, priceMinor }),
    form: ({ items, priceMinor, most }) => [
      ...items.map((_, at) => itemRow(items, at)),
      [
        {
          field: 'add',
          label: 'Add a part',
          change: () => ({ items: [...items, { selection: { only: {} }, quantity: 1 }] }),
        },
        'together for',
        { field: 'money', label: 'Together for', valueMinor: priceMinor, change: (price) => ({ priceMinor: price }) },
      ],
      mostTimes(most),
    ],
  },
);

function itemRow(items: readonly Item[], at: number): FormRow {
  const { selection, quantity } = items[at]!;
  const change = (part: object) => ({ items: items.map((other, i) => (i === at ? { ...other, ...part } : other)) });
  return [
    at === 0 ? 'Sell' : 'with',
    {
      field: 'count',
      label: `Part ${at + 1}: how many`,
      value: quantity,
      change: (many) => change({ quantity: many }),
    },
    'in',
    { field: 'goods', label: `Part ${at + 1}`, value: selection, change: (goods) => change({ selection: goods }) },
    ...(items.length > 1
      ? [
          {
            field: 'remove' as const,
            label: `Remove part ${at + 1}`,
            change: () => ({ items: items.filter((_, i) => i !== at) }),
          },
        ]
      : []),
  ];
}
