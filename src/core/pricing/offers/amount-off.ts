import { sum } from '../basis/fields';
import { mostOff, takeOff } from '../basis/lower';
import { offForm, offGoods, readOff, stageOfTarget, tellOff } from './off-goods';
import { offerKind } from './offer-kind';

export const amountOff = offerKind(
  'amountOff',
  { target: offGoods.target, selection: offGoods.selection, maxMinor: offGoods.maxMinor, amountMinor: sum },
  {
    label: 'Amount off',
    help: 'A sum off each item, or off the whole order.',
    begins: ({ about }) => ({ target: 'order', amountMinor: about(5) }),
    stage: stageOfTarget,
    selections: ({ selection }) => [selection],
    selection: ({ selection }) => selection,
    cap: ({ maxMinor }) => maxMinor,
    ofLine: ({ amountMinor }, costMinor, quantity) => Math.min(costMinor, amountMinor * quantity),
    take: takeOff,
    most: mostOff,
    off: ({ amountMinor }) => ({ amountMinor }),
    reads: (offer, reader) => readOff(offer, reader.money(offer.amountMinor), reader),
    tells: (offer) => tellOff(offer, { amountMinor: offer.amountMinor }),
    form: (offer, around) =>
      offForm(
        offer,
        {
          field: 'money',
          label: 'Amount',
          valueMinor: offer.amountMinor,
          change: (amountMinor) => ({ amountMinor }),
        },
        around,
      ),
  },
);
