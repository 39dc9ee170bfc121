import { z } from 'zod';
import { startOfDay, addDays } from '~/core/time';

/** Offers as version 1 had them: a list, of three kinds. */
const offerOfVersion1 = z.object({
  kind: z.string(),
  id: z.string(),
  name: z.string(),
  on: z.boolean(),
  thresholdMinor: z.number().optional(),
  methods: z.array(z.string()).optional(),
  code: z.string().optional(),
  fromMinor: z.number().optional(),
  lastDay: z.string().nullish(),
  basisPoints: z.number().optional(),
  amountMinor: z.number().optional(),
});
const version1 = z.looseObject({
  version: z.literal(1),
  shop: z.looseObject({ timeZone: z.string() }),
  offers: z.array(offerOfVersion1),
  pieces: z.record(z.string(), z.looseObject({ parts: z.array(z.looseObject({ key: z.string() })).optional() })),
});

/** Parts that the first pieces had under another name, by piece and part. */
const RENAMED_PARTS: Readonly<Record<string, string>> = { 'slide-out-cart subtotal': 'totals' };

const version2 = z.looseObject({ version: z.literal(2) });

/** A document of an earlier version as it would be written now; any other value as it is. */
export function migrateLane(input: unknown): unknown {
  const second = fromVersion1(input);
  // Version 2 did not say how offers of a group stand beside each other: one of them for a whole order, which is what absent means.
  return version2.safeParse(second).success ? { ...(second as object), version: 3 } : second;
}

function fromVersion1(input: unknown): unknown {
  const old = version1.safeParse(input);
  if (!old.success) return input;
  const { offers, pieces, shop, ...rest } = old.data;
  return {
    ...rest,
    shop,
    version: 2,
    pieces: Object.fromEntries(Object.entries(pieces).map(([id, piece]) => [id, pieceNow(id, piece)])),
    offers: Object.fromEntries(offers.map((offer) => offerNow(offer, shop.timeZone))),
  };
}

/** Later parts of the kind are added where the document is read. */
function pieceNow(id: string, { parts = [], ...piece }: z.infer<typeof version1>['pieces'][string]): unknown {
  return { ...piece, parts: parts.map((part) => ({ ...part, key: RENAMED_PARTS[`${id} ${part.key}`] ?? part.key })) };
}

function offerNow(
  { kind, id, name, on, ...old }: z.infer<typeof offerOfVersion1>,
  timeZone: string,
): [id: string, offer: unknown] {
  if (kind === 'freeShipping') {
    const when = { minGoodsMinor: old.thresholdMinor ?? 0 };
    return [id, { kind: 'deliveryOff', name, on, when, methods: old.methods ?? [], basisPoints: 10_000 }];
  }
  const when = {
    code: old.code,
    minGoodsMinor: old.fromMinor || null,
    // The last day counts whole.
    until: old.lastDay ? new Date(startOfDay(addDays(old.lastDay, 1), timeZone)).toISOString() : null,
  };
  const shared = { name, on, when, combine: { group: 'discounts' } };
  return kind === 'couponPercent'
    ? [id, { kind: 'percentOff', ...shared, target: 'lines', basisPoints: old.basisPoints }]
    : [id, { kind: 'amountOff', ...shared, target: 'order', amountMinor: old.amountMinor }];
}
