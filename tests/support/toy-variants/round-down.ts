import { allocateInto } from '~/core/money';
import { sum } from '~/core/pricing/basis/fields';
import { follow } from '~/core/pricing/basis/standing';
import { offerKind } from '~/core/pricing/offers/offer-kind';

/** A kind of offer that a test adds: the cents come off, down to a multiple of a sum. */
export const roundDown = offerKind(
  'roundDown',
  { toMinor: sum },
  {
    label: 'Round sum',
    help: 'The order comes down to a round sum.',
    begins: ({ about }) => ({ toMinor: about(1) }),
    stage: () => 4,
    selections: () => [null],
    take({ lines }, from, { offer }, to) {
      const off = from.goodsMinor % offer.toMinor;
      for (let i = 0; i < lines.length; i += 1) to.lines[i] = from.lines[i]!;
      allocateInto(off, to.lines, lines.length);
      for (let i = 0; i < lines.length; i += 1) to.lines[i] = from.lines[i]! - to.lines[i]!;
      follow(from, to);
      to.goodsMinor -= off;
      return off;
    },
    most: (_, at, { offer }) => Math.min(at.goodsMinor, offer.toMinor - 1),
    reads: ({ toMinor }, { money }) => `Round the order down to full ${money(toMinor)}`,
    tells: () => null,
    form: ({ toMinor }) => [
      [
        'Round the order down to full',
        { field: 'money', label: 'Down to full', valueMinor: toMinor, change: (to) => ({ toMinor: to }) },
      ],
    ],
  },
);
