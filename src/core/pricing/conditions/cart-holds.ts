import { count, maybe, sum } from '../basis/fields';
import type { FormRow } from '../basis/form';
import { fullPrice } from '../basis/line';
import { fits, selectionSchema, type LineSelection } from '../basis/selection';
import { items, readSelection } from '../basis/words';
import { condition, inWhen, type Judged } from './condition';

interface CartHolds {
  minGoodsMinor: number | null;
  minQuantity: number | null;
  counts: LineSelection;
}

const asks = ({ when }: Judged<CartHolds>) => when.minGoodsMinor !== null || when.minQuantity !== null;

/** So many goods, by what they are worth before any offer or by how many they are. */
export const cartHolds = condition(
  {
    minGoodsMinor: maybe(sum),
    minQuantity: maybe(count),
    /** The lines that the two are measured on. */
    counts: selectionSchema,
  },
  {
    knownBy: 'cart',
    clause: 'cart',
    refusals: {},
    asks,
    lacks(offer, lines) {
      const { minGoodsMinor, minQuantity, counts } = offer.when;
      if (minGoodsMinor === null && minQuantity === null) return null;
      let [goods, quantity] = [0, 0];
      for (const line of lines) {
        if (!fits(line, counts)) continue;
        goods += fullPrice(line);
        quantity += line.quantity;
      }
      if (minGoodsMinor !== null && goods < minGoodsMinor)
        return { code: 'needs-more', missingMinor: minGoodsMinor - goods };
      return minQuantity !== null && quantity < minQuantity
        ? { code: 'needs-items', missing: minQuantity - quantity }
        : null;
    },
    reads({ when: { minGoodsMinor, minQuantity, counts } }, reader) {
      const measured = counts === null ? '' : ` in ${readSelection(counts, reader)}`;
      return [
        ...(minGoodsMinor === null ? [] : [`when the cart holds ${reader.money(minGoodsMinor)} or more${measured}`]),
        ...(minQuantity === null ? [] : [`when the cart holds ${items(minQuantity)} or more${measured}`]),
      ];
    },
    tells({ when: { minGoodsMinor, minQuantity, counts } }, { say, money, nameOf }) {
      const what = counts === null ? null : (nameOf(counts) ?? say('selectedItems'));
      const told = [];
      if (minGoodsMinor !== null) {
        const amount = money(minGoodsMinor);
        told.push(what === null ? say('toldFrom', { amount }) : say('toldFromOf', { amount, what }));
      }
      if (minQuantity !== null)
        told.push(
          what === null ? say('toldItems', { count: minQuantity }) : say('toldItemsOf', { count: minQuantity, what }),
        );
      return told;
    },
    form: (offer, { about }) => [
      {
        maybe: 'the cart holds goods worth',
        isOn: offer.when.minGoodsMinor !== null,
        change: (on) => inWhen(offer, { minGoodsMinor: on ? about(50) : null }),
        parts: [
          {
            field: 'money',
            label: 'Goods worth at least',
            valueMinor: offer.when.minGoodsMinor ?? 0,
            change: (minGoodsMinor) => inWhen(offer, { minGoodsMinor }),
          },
          'or more',
        ],
      },
      {
        maybe: 'the cart holds items, as many as',
        isOn: offer.when.minQuantity !== null,
        change: (on) => inWhen(offer, { minQuantity: on ? 2 : null }),
        parts: [
          {
            field: 'count',
            label: 'At least so many items',
            value: offer.when.minQuantity ?? 1,
            change: (minQuantity) => inWhen(offer, { minQuantity }),
          },
          'or more',
        ],
      },
      ...(asks(offer) ? [countedIn(offer)] : []),
    ],
  },
);

const countedIn = (offer: Judged<CartHolds>): FormRow => [
  'counted in',
  {
    field: 'goods',
    label: 'Counted in',
    value: offer.when.counts,
    change: (counts) => inWhen(offer, { counts }),
  },
];
