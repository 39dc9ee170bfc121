import { basisPoints } from '../basis/fields';
import { partOf } from '../basis/half-up';
import { mostOff, takeOff } from '../basis/lower';
import { percent } from '../basis/words';
import { offForm, offGoods, readOff, stageOfTarget, tellOff } from './off-goods';
import { offerKind } from './offer-kind';

export const percentOff = offerKind(
  'percentOff',
  { target: offGoods.target, selection: offGoods.selection, maxMinor: offGoods.maxMinor, basisPoints },
  {
    label: 'Percent off',
    help: 'A share off each item, or off the whole order.',
    begins: () => ({ target: 'lines', basisPoints: 1000 }),
    stage: stageOfTarget,
    selections: ({ selection }) => [selection],
    selection: ({ selection }) => selection,
    cap: ({ maxMinor }) => maxMinor,
    ofLine: (offer, costMinor) => partOf(costMinor, offer.basisPoints),
    take: takeOff,
    most: mostOff,
    share: (offer) => offer.basisPoints,
    off: (offer) => ({ basisPoints: offer.basisPoints }),
    reads: (offer, reader) => readOff(offer, percent(offer.basisPoints), reader),
    tells: (offer) => tellOff(offer, { basisPoints: offer.basisPoints }),
    form: (offer, around) =>
      offForm(
        offer,
        {
          field: 'percent',
          label: 'Percent',
          basisPoints: offer.basisPoints,
          change: (share) => ({ basisPoints: share }),
        },
        around,
      ),
  },
);
