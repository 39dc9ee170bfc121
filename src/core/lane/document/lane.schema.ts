import { z } from 'zod';
import { LETTERS } from '~/core/limits';
import { marginsSchema, type Margins } from '~/core/pricing/margin/margins';
import { offerSchema, type Offer } from '~/core/pricing/offers';
import { isCurrency, isLocale } from '~/core/money';
import { deliverySchema, usualDelivery } from '~/core/delivery/delivery.schema';
import { isTimeZone } from '~/core/time';
import { CART_KINDS } from '~/core/words';
import { DEVICES, whereSchema } from '~/core/where/where.schema';
import { MOST_CSS } from './custom-css';
import type { PieceDefinition, PieceKind } from '../settings/definition';
import { FONT_KEYS } from '../settings/fonts';
import { SHOP_WORDS } from '~/core/words/shop-words';
import {
  LOOK_PROPERTIES,
  MOST_LINE,
  MOST_RICH,
  type LookSlot,
  type LookSpec,
  type SettingValue,
} from '../settings/setting';
import { type WordSpec } from '~/core/words';
import { settingSchema, settingValueSchema } from '../settings/types';
import { uploadedPicture } from '../settings/types/picture';

export const LANE_VERSION = 3;

const colour = z.string().regex(/^#[0-9a-fA-F]{6}$/, 'must be a colour such as #1c4e5f');

const themeSchema = z.strictObject({
  ink: colour,
  muted: colour,
  paper: colour,
  panel: colour,
  line: colour,
  accent: colour,
  accentStrong: colour,
  onAccent: colour,
  sale: colour,
  radiusPx: z.number().min(0).max(40),
  font: z.enum(FONT_KEYS).default('figtree'),
});

const language = z
  .string()
  .regex(/^[a-z]{2}$/)
  .refine(isLocale, 'must be a language such as en');

const cartSchema = z.strictObject({
  kind: z.enum(CART_KINDS),
  own: z.record(
    language,
    z.strictObject({ word: z.string().trim().min(1).max(LETTERS.cartWord), gender: z.enum(['m', 'f', 'n']) }),
  ),
});

/** The origin of a site, such as https://blog.example: it ends up in a policy, so that nothing else may stand in it. */
const siteSchema = z
  .string()
  .max(200)
  .regex(/^https?:\/\/[a-z0-9.-]+(:\d{1,5})?$/, 'must be the address of a site, such as https://blog.example');

const shopSchema = z.strictObject({
  name: z.string().min(1).max(LETTERS.shopName),
  // What is published is served: a currency, locale or zone that no program knows would stop every page.
  currency: z.string().max(3).refine(isCurrency, 'must be a currency such as EUR'),
  locale: z.string().min(2).max(20).refine(isLocale, 'must be a locale such as en-IE'),
  timeZone: z.string().min(1).max(60).refine(isTimeZone, 'must be a time zone such as Europe/Berlin'),
  /** Languages shoppers can choose (ISO 639-1), the shop's own first. */
  languages: z.array(language).min(1).max(12).default(['en']),
  tax: z.strictObject({
    basisPoints: z.number().int().min(0).max(10_000),
    included: z.boolean(),
    /** Rates that products may have instead, by a key that products name. */
    rates: z
      .record(
        z.string().regex(/^[a-z0-9-]{1,40}$/),
        z.strictObject({
          name: z.string().trim().min(1).max(LETTERS.taxName),
          basisPoints: z.number().int().min(0).max(10_000),
        }),
      )
      .default({}),
  }),
  /** Where shoppers write to; empty: nowhere is said. */
  email: z
    .union([z.literal(''), z.email('must be an e-mail address such as name@example.com').max(LETTERS.email)])
    .default(''),
  logo: uploadedPicture.default(''),
  /** Behind the title of the front page. */
  hero: uploadedPicture.default(''),
  delivery: deliverySchema.default(usualDelivery),
  /** Sites that may show the shop's pieces in a frame. */
  sites: z.array(siteSchema).max(50).default([]),
  /** Whether several codes may stand in a cart side by side; which of them count together is for the offers to say. */
  severalCodes: z.boolean().default(false),
  /** What the shop calls its cart. */
  cart: cartSchema.default(() => ({ kind: 'cart' as const, own: {} })),
});

export type Theme = z.infer<typeof themeSchema>;
export type ThemeColour = Exclude<keyof Theme, 'radiusPx' | 'font'>;
export const THEME_COLOURS = Object.keys(themeSchema.shape).filter(
  (key) => key !== 'radiusPx' && key !== 'font',
) as ThemeColour[];

function mapValues<In, Out>(record: Readonly<Record<string, In>>, make: (value: In) => Out): Record<string, Out> {
  return Object.fromEntries(Object.entries(record).map(([key, value]) => [key, make(value)]));
}

const lookColour = z.union([colour, z.enum(THEME_COLOURS.map((token) => `token:${token}`))]).meta({ id: 'LookColour' });

function lookSchema(spec: LookSpec): z.ZodType {
  if (spec.type === 'px') return z.number().min(0).max(spec.max!);
  return spec.type === 'choice' ? z.enum(Object.keys(spec.options!)) : lookColour;
}

function slotSchema(slot: LookSlot) {
  const rules = z.strictObject(
    Object.fromEntries(
      slot.properties.map((property) => {
        return [property, lookSchema(LOOK_PROPERTIES[property]).optional()];
      }),
    ),
  );
  return z.strictObject(Object.fromEntries(slot.states.map((state) => [state, rules.optional()]))).optional();
}

function partsSchema(definition: PieceDefinition) {
  const keys = Object.keys(definition.parts);
  return z
    .array(z.strictObject({ key: z.enum(keys), on: z.boolean(), hideOn: z.array(z.enum(DEVICES)).max(3) }))
    .refine((parts) => new Set(parts.map((part) => part.key)).size === parts.length, 'names a part twice')
    .transform((parts) => [
      ...parts,
      ...keys
        .filter((key) => !parts.some((part) => part.key === key))
        .map((key) => ({ key, on: definition.parts[key]!.on, hideOn: [] as (typeof DEVICES)[number][] })),
    ]);
}

const oneWording = (words: Readonly<Record<string, WordSpec>>) =>
  z.strictObject(
    mapValues(words, ({ isRich }) =>
      z
        .string()
        .max(isRich ? MOST_RICH : MOST_LINE)
        .optional(),
    ),
  );

export function pieceSchema(definition: PieceDefinition) {
  return z.strictObject({
    kind: z.literal(definition.kind),
    /** The owner's name for it; empty: the kind's. */
    name: z.string().trim().max(60).default(''),
    on: z.boolean(),
    where: whereSchema,
    parts: partsSchema(definition),
    settings: z.strictObject(mapValues(definition.settings, settingSchema)),
    words: z.record(z.string().regex(/^[a-z]{2}$/), oneWording(definition.words)),
    look: z.strictObject({
      slots: z.strictObject(mapValues(definition.looks, slotSchema)),
      css: z.string().max(MOST_CSS),
    }),
  });
}

/** Texts the law asks for; an empty line begins a paragraph. One that is empty has no page. */
export const LEGAL_PAGES = ['imprint', 'terms', 'privacy', 'returns'] as const;
export type LegalPage = (typeof LEGAL_PAGES)[number];

const legalText = z.string().max(LETTERS.pageText).optional();
const legalSchema = z.strictObject({ imprint: legalText, terms: legalText, privacy: legalText, returns: legalText });

/** A page of the owner's own: title and text (Markdown) by language. */
const textPageSchema = z.strictObject({
  on: z.boolean(),
  /** Whether the foot of every page leads there. */
  inFooter: z.boolean(),
  /** Addresses it had before; links to them still lead to it. */
  formerly: z
    .array(z.string().regex(/^[a-z0-9-]{1,60}$/))
    .max(20)
    .default([]),
  title: z.record(language, z.string().trim().max(LETTERS.pageTitle)),
  text: z.record(language, z.string().max(LETTERS.pageText)),
});
export type TextPage = z.infer<typeof textPageSchema>;

const MOST_PAGES = 100;
const MOST_OFFERS = 200;

const pieceId = z.string().regex(/^[a-z0-9-]{1,60}$/);

/** What a lane holds beside its pieces. */
const besidePieces = {
  version: z.literal(LANE_VERSION),
  shop: shopSchema,
  theme: themeSchema,
  offers: z
    .record(pieceId, offerSchema)
    .refine((offers) => Object.keys(offers).length <= MOST_OFFERS, `holds more than ${MOST_OFFERS} offers`)
    .default({}),
  margins: marginsSchema.prefault({}),
  shopWords: z.record(language, oneWording(SHOP_WORDS)).default({}),
  legal: z.record(language, legalSchema).default({}),
  pages: z
    .record(pieceId, textPageSchema)
    .refine((pages) => Object.keys(pages).length <= MOST_PAGES, `holds more than ${MOST_PAGES} pages`)
    .default({}),
};

/** The schema of the whole document for the kinds of piece there are. */
export function laneSchema(definitions: readonly PieceDefinition[]): z.ZodType<Lane> {
  const [first, ...rest] = definitions.map(pieceSchema);
  if (!first) throw new Error('A lane needs at least one kind of piece');
  const pieces = z.record(pieceId, z.discriminatedUnion('kind', [first, ...rest]));
  return z.strictObject({ ...besidePieces, pieces }) as z.ZodType<Lane>;
}

/** A piece of whatever kind, as far as all kinds are alike; its definition says what is allowed in it. */
export const anyPieceSchema = z.strictObject({
  kind: z.string(),
  name: z.string(),
  on: z.boolean(),
  where: whereSchema,
  parts: z.array(z.strictObject({ key: z.string(), on: z.boolean(), hideOn: z.array(z.enum(DEVICES)) })),
  settings: z.record(z.string(), settingValueSchema),
  words: z.record(z.string(), z.record(z.string(), z.string())),
  look: z.strictObject({
    slots: z.record(
      z.string(),
      z.record(z.string(), z.record(z.string(), z.union([z.string(), z.number()]).optional()).optional()).optional(),
    ),
    css: z.string(),
  }),
});

/** A whole document with pieces of whatever kinds. */
export const anyLaneSchema = z
  .strictObject({ ...besidePieces, pieces: z.record(pieceId, anyPieceSchema) })
  .meta({ id: 'Lane', description: 'The document that tells how a shop is shaped.' }) as z.ZodType<Lane, Lane>;

export type Shop = z.infer<typeof shopSchema>;
type GenericPiece = z.infer<ReturnType<typeof pieceSchema>>;

/** One piece as the document holds it. `words` and `look` hold only what differs from the definition. */
export interface Piece {
  kind: PieceKind;
  name: string;
  on: boolean;
  where: GenericPiece['where'];
  parts: GenericPiece['parts'];
  settings: Record<string, SettingValue>;
  words: Record<string, Record<string, string | undefined>>;
  look: {
    slots: Record<string, Partial<Record<string, Partial<Record<string, string | number>>>> | undefined>;
    css: string;
  };
}

export interface Lane {
  version: typeof LANE_VERSION;
  shop: Shop;
  theme: Theme;
  pieces: Record<string, Piece>;
  /** By id. */
  offers: Record<string, Offer>;
  /** The owner's floor for margins; never in a manifest. */
  margins: Margins;
  /** Words of the shop's own pages, by language: only what differs from what ships. */
  shopWords: Record<string, Partial<Record<string, string>>>;
  /** By language. */
  legal: Record<string, Partial<Record<LegalPage, string | undefined>>>;
  /** Pages of the owner's own, by address. */
  pages: Record<string, TextPage>;
}
