import { sum } from '../basis/fields';
import { selectionSchema } from '../basis/selection';
import { readSelection } from '../basis/words';
import { offerKind } from './offer-kind';

export const priceIs = offerKind(
  'priceIs',
  { selection: selectionSchema, unitMinor: sum },
  {
    label: 'Special price',
    help: 'Items are sold at a price of their own.',
    begins: ({ about }) => ({ selection: { only: {} }, unitMinor: about(10) }),
    stage: () => 1,
    selections: ({ selection }) => [selection],
    selection: ({ selection }) => selection,
    unitPrice: ({ unitMinor }, line) => Math.max(0, unitMinor + line.unitOptionsMinor),
    reads: ({ selection, unitMinor }, reader) =>
      `Sell each item in ${readSelection(selection, reader)} at ${reader.money(unitMinor)}`,
    tells: () => 'by-price',
    form: ({ selection, unitMinor }) => [
      [
        'Sell each item in',
        { field: 'goods', label: 'In', value: selection, change: (goods) => ({ selection: goods }) },
        'at',
        { field: 'money', label: 'Price', valueMinor: unitMinor, change: (price) => ({ unitMinor: price }) },
      ],
    ],
  },
);
