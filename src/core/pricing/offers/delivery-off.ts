import { z } from 'zod';
import { basisPoints, key, sum } from '../basis/fields';
import type { FormPart } from '../basis/form';
import { partOf } from '../basis/half-up';
import { follow } from '../basis/standing';
import { either, percent, sorted } from '../basis/words';
import { offerKind } from './offer-kind';

interface DeliveryOff {
  methods: string[];
  basisPoints?: number;
  amountMinor?: number;
  flatMinor?: number;
}

/** What an offer takes off delivery that still costs so much. */
function offDelivery({ flatMinor, amountMinor, basisPoints: share }: DeliveryOff, rest: number): number {
  if (flatMinor !== undefined) return Math.max(0, rest - flatMinor);
  return Math.min(rest, amountMinor ?? partOf(rest, share ?? 0));
}

export const deliveryOff = offerKind(
  'deliveryOff',
  {
    methods: z.array(key).max(20).default([]),
    basisPoints: basisPoints.optional(),
    amountMinor: sum.optional(),
    flatMinor: sum.optional(),
  },
  {
    label: 'Delivery discount',
    help: 'Delivery free, cheaper, or at a flat rate.',
    begins: ({ about }) => ({ basisPoints: 10_000, when: { minGoodsMinor: about(50) } }),
    stage: () => 5,
    selections: () => [],
    take({ lines, deliveryMethod }, from, { offer }, to) {
      const isMethod = offer.methods.length === 0 || offer.methods.includes(deliveryMethod ?? '');
      const off = isMethod ? offDelivery(offer, from.deliveryMinor) : 0;
      follow(from, to);
      to.deliveryMinor -= off;
      for (let i = 0; i < lines.length; i += 1) to.lines[i] = from.lines[i]!;
      return off;
    },
    most: (_, at, { offer }) => offDelivery(offer, at.deliveryMinor),
    reads(offer, { money }) {
      const by = offer.methods.length > 0 ? ` by ${either(sorted(offer.methods))}` : '';
      if (offer.flatMinor !== undefined) return `Deliver${by} for ${money(offer.flatMinor)}`;
      if (offer.amountMinor !== undefined) return `Take ${money(offer.amountMinor)} off delivery${by}`;
      return offer.basisPoints === 10_000
        ? `Deliver${by} free`
        : `Take ${percent(offer.basisPoints ?? 0)} off delivery${by}`;
    },
    tells: () => null,
    form: (offer, { about }) => [
      [
        {
          field: 'choice',
          label: 'How',
          value: howOf(offer),
          options: {
            percent: 'Take a share off delivery:',
            amount: 'Take a sum off delivery:',
            flat: 'Deliver for',
          },
          change: (how) => ({
            basisPoints: how === 'percent' ? 10_000 : undefined,
            amountMinor: how === 'amount' ? about(2) : undefined,
            flatMinor: how === 'flat' ? about(2) : undefined,
          }),
        },
        byHow(offer),
        'by',
        {
          field: 'choice',
          label: 'Ways of delivery',
          value: offer.methods.length === 1 ? offer.methods[0]! : '',
          options: { '': 'any way', standard: 'standard', express: 'express' },
          change: (method) => ({ methods: method ? [method] : [] }),
        },
      ],
    ],
  },
);

const howOf = ({ flatMinor, amountMinor }: DeliveryOff) =>
  flatMinor !== undefined ? 'flat' : amountMinor !== undefined ? 'amount' : 'percent';

function byHow({ flatMinor, amountMinor, basisPoints: share }: DeliveryOff): FormPart {
  if (flatMinor !== undefined)
    return { field: 'money', label: 'For', valueMinor: flatMinor, change: (cost) => ({ flatMinor: cost }) };
  if (amountMinor !== undefined)
    return { field: 'money', label: 'Amount', valueMinor: amountMinor, change: (off) => ({ amountMinor: off }) };
  return { field: 'percent', label: 'Percent', basisPoints: share ?? 0, change: (own) => ({ basisPoints: own }) };
}
