import { z } from 'zod';

export const DEVICES = ['phone', 'tablet', 'desktop'] as const;
export const PAGE_KINDS = ['home', 'listing', 'product', 'cart', 'checkout', 'thanks', 'other'] as const;

/** Slugs, and what `page-names.ts` writes. */
const slugs = z.array(z.string().min(1).max(120)).max(500);
const scope = z.discriminatedUnion('mode', [
  z.strictObject({ mode: z.literal('all') }),
  z.strictObject({ mode: z.literal('only'), slugs }),
  z.strictObject({ mode: z.literal('except'), slugs }),
]);

/** Where a piece is shown. Empty lists are allowed and mean nowhere; the lint tells. */
export const whereSchema = z
  .strictObject({
    devices: z.array(z.enum(DEVICES)).max(3),
    pages: z.array(z.enum(PAGE_KINDS)).max(PAGE_KINDS.length),
    categories: scope,
    products: scope,
    /** The place of the page it stands in, for a piece of a kind that stands in places; null: none. */
    spot: z.string().max(60).nullable().default(null),
    /** Among the pieces of one place, and of those of which only one can stand: the least comes first. */
    order: z.number().default(0),
  })
  .meta({ id: 'Where' });

export type Device = (typeof DEVICES)[number];
export type PageKind = (typeof PAGE_KINDS)[number];
export type Where = z.infer<typeof whereSchema>;
export type Scope = Where['categories'];
