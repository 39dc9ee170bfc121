import { z } from 'zod';
import type { CssProblem, CssProblemCode } from '~/core/lane/document/custom-css';
import type { LintFinding } from '~/core/lane/findings/lint';
import type { NeverSeen } from '~/core/lane/findings/never-seen';
import type { Caution } from '~/core/lane/findings/not-real-yet';
import type { ShopNames } from '~/core/lane/settings/shop-names';
import { same } from '~/contract/tools';

export const cssProblemCodeSchema = same<CssProblemCode>()(
  z.enum(['syntax', 'at-rule', 'outside', 'runs', 'reaches-out']),
);

export const cssProblemSchema = same<CssProblem>()(
  z.strictObject({
    code: cssProblemCodeSchema,
    line: z.number(),
    column: z.number(),
    /** The offending text, cut short. */
    text: z.string(),
  }),
);

export const neverSeenSchema = same<NeverSeen>()(
  z.union([
    z.strictObject({
      because: z.literal('nowhere'),
    }),
    z.strictObject({
      because: z.literal('behind'),
      others: z.array(z.string()),
    }),
    z.strictObject({
      because: z.literal('unnamed'),
    }),
  ]),
);

export const lintFindingSchema = same<LintFinding>('LintFinding')(
  z.union([
    z.strictObject({
      /** An error where it would change who sees the piece; a selection goes on without what is gone. */
      level: z.enum(['error', 'warning']),
      code: z.enum(['deleted-product', 'deleted-category']),
      pieceId: z.string(),
      slug: z.string(),
    }),
    z.strictObject({
      level: z.literal('error'),
      code: z.literal('deleted-about'),
      pieceId: z.string(),
      kind: z.enum(['page', 'tag']),
      name: z.string(),
    }),
    z.strictObject({
      level: z.literal('error'),
      code: z.literal('css'),
      pieceId: z.string(),
      problem: cssProblemSchema,
    }),
    z.strictObject({
      level: z.literal('error'),
      code: z.literal('needs-part'),
      pieceId: z.string(),
      part: z.string(),
      devices: z.array(z.enum(['phone', 'tablet', 'desktop'])),
      without: z.string(),
    }),
    z.strictObject({
      level: z.literal('error'),
      code: z.literal('needs-word'),
      pieceId: z.string(),
      word: z.string(),
      language: z.string(),
      without: z.string(),
    }),
    z.strictObject({
      level: z.literal('warning'),
      code: z.literal('placeholder'),
      pieceId: z.string(),
      word: z.string(),
      language: z.string(),
      placeholder: z.string(),
    }),
    z.strictObject({
      level: z.literal('warning'),
      code: z.literal('message'),
      pieceId: z.string(),
      word: z.string(),
      language: z.string(),
      because: z.string(),
    }),
    z.strictObject({
      level: z.literal('warning'),
      code: z.literal('spot-gone'),
      pieceId: z.string(),
      spot: z.string(),
    }),
    z.strictObject({
      level: z.literal('warning'),
      code: z.enum(['fact-gone', 'piece-gone']),
      pieceId: z.string().nullable(),
      page: z.string().nullable(),
      /** Its name, where it is the text of one. */
      category: z.string().nullable(),
      name: z.string(),
    }),
    z.strictObject({
      level: z.literal('warning'),
      code: z.literal('faint'),
      pieceId: z.string(),
      slot: z.string(),
      state: z.enum(['rest', 'hover', 'focus', 'pressed']),
      /** WCAG 2.2 contrast ratio, 1 to 21. */
      ratio: z.number(),
      /** #rrggbb. */
      text: z.string(),
      ground: z.string(),
    }),
    z.strictObject({
      level: z.literal('warning'),
      code: z.literal('note'),
      pieceId: z.string(),
      text: z.string(),
    }),
    z.strictObject({
      level: z.literal('warning'),
      code: z.literal('nobody-sees'),
      pieceId: z.string(),
      why: neverSeenSchema,
    }),
    z.strictObject({
      level: z.literal('warning'),
      code: z.literal('many-offers'),
      pieceId: z.null(),
      count: z.number(),
    }),
    z.strictObject({
      level: z.literal('error'),
      pieceId: z.null(),
      offerId: z.string(),
      field: z.literal('until'),
      code: z.literal('offer-ends'),
    }),
    z.strictObject({
      level: z.literal('error'),
      pieceId: z.null(),
      offerId: z.string(),
      field: z.literal('code'),
      code: z.literal('offer-code'),
      other: z.string(),
    }),
    z.strictObject({
      level: z.literal('error'),
      pieceId: z.null(),
      offerId: z.string(),
      field: z.literal('variant'),
      code: z.literal('offer-gift'),
      sku: z.string(),
    }),
    z.strictObject({
      level: z.literal('warning'),
      code: z.literal('shows-nothing'),
      pieceId: z.string(),
    }),
    z.strictObject({
      level: z.literal('warning'),
      code: z.literal('sells-nothing'),
      pieceId: z.string(),
      sku: z.string(),
    }),
    z.strictObject({
      level: z.literal('warning'),
      code: z.literal('same-moment'),
      pieceId: z.string(),
      otherId: z.string(),
    }),
  ]),
);

export const cautionSchema = same<Caution>()(
  z.strictObject({
    text: z.string(),
    /** Where it is seen to; null: nowhere in the studio. */
    at: z.enum(['delivery', 'look', 'about', 'tax', 'legal', 'catalogue']).nullable(),
  }),
);

export const shopNamesSchema = same<ShopNames>()(
  z.strictObject({
    product: z.record(z.string(), z.string()),
    category: z.record(z.string(), z.string()),
    variant: z.record(z.string(), z.string()),
  }),
);
