import { z } from 'zod';
import { offerSchema } from '~/core/offers/offer.schema';
import { isCurrency, isLocale } from '~/core/money';
import { PLACE_PATTERN } from '~/core/place';
import { isTimeZone } from '~/core/time';
import { DEVICES, whereSchema } from '~/core/where/where.schema';
import { MOST_CSS } from './custom-css';
import type { PieceDefinition } from './definition';
import { SHOP_WORDS } from './shop-words';
import { LOOK_PROPERTIES, type LookSlot, type SettingSpec, type WordSpec } from './setting';

export const LANE_VERSION = 1;

const colour = z.string().regex(/^#[0-9a-f]{6}$/i, 'must be a colour such as #1c4e5f');

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
});

const language = z
  .string()
  .regex(/^[a-z]{2}$/)
  .refine(isLocale, 'must be a language such as en');

const shopSchema = z.strictObject({
  name: z.string().min(1).max(60),
  // What is published is served: a currency, locale or zone that no program knows would stop every page.
  currency: z.string().max(3).refine(isCurrency, 'must be a currency such as EUR'),
  locale: z.string().min(2).max(20).refine(isLocale, 'must be a locale such as en-IE'),
  timeZone: z.string().min(1).max(60).refine(isTimeZone, 'must be a time zone such as Europe/Berlin'),
  /** Languages shoppers can choose (ISO 639-1), the shop's own first. */
  languages: z.array(language).min(1).max(12).default(['en']),
  tax: z.strictObject({ basisPoints: z.number().int().min(0).max(10_000), included: z.boolean() }),
});

export type Theme = z.infer<typeof themeSchema>;
export type ThemeColour = Exclude<keyof Theme, 'radiusPx'>;
const THEME_COLOURS = Object.keys(themeSchema.shape).filter((key) => key !== 'radiusPx') as ThemeColour[];

/** A setting as a schema; a missing one takes its default, so documents from before it stay valid. */
function settingSchema(spec: SettingSpec): z.ZodType {
  switch (spec.type) {
    case 'choice':
      return z.enum(Object.keys(spec.options)).default(spec.default);
    case 'toggle':
      return z.boolean().default(spec.default);
    case 'number':
      return z.number().min(spec.min).max(spec.max).default(spec.default);
    case 'place':
      return z
        .string()
        .regex(PLACE_PATTERN, 'must be an edge and how far along it, such as “bottom 100”')
        .default(spec.default);
    case 'picture':
      return z
        .string()
        .regex(/^(\/media\/icons\/[\w.-]{1,80})?$/, 'must be a picture brought in here')
        .default(spec.default);
  }
}

function mapValues<In, Out>(record: Readonly<Record<string, In>>, make: (value: In) => Out): Record<string, Out> {
  return Object.fromEntries(Object.entries(record).map(([key, value]) => [key, make(value)]));
}

const lookColour = z.union([colour, z.enum(THEME_COLOURS.map((token) => `token:${token}`))]);

function slotSchema(slot: LookSlot) {
  const rules = z.strictObject(
    Object.fromEntries(
      slot.properties.map((property) => {
        const spec = LOOK_PROPERTIES[property];
        return [property, (spec.type === 'px' ? z.number().min(0).max(spec.max) : lookColour).optional()];
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
  z.strictObject(mapValues(words, () => z.string().max(400).optional()));

function pieceSchema(definition: PieceDefinition) {
  return z.strictObject({
    kind: z.literal(definition.kind),
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

/** The schema of the whole document for the kinds of piece there are. */
export function laneSchema(definitions: readonly PieceDefinition[]): z.ZodType<Lane> {
  const [first, ...rest] = definitions.map(pieceSchema);
  if (!first) throw new Error('A lane needs at least one kind of piece');
  return z.strictObject({
    version: z.literal(LANE_VERSION),
    shop: shopSchema,
    theme: themeSchema,
    pieces: z.record(z.string().regex(/^[a-z0-9-]{1,60}$/), z.discriminatedUnion('kind', [first, ...rest])),
    offers: z.array(offerSchema).max(200),
    shopWords: z.record(language, oneWording(SHOP_WORDS)).default({}),
  }) as unknown as z.ZodType<Lane>;
}

export type Shop = z.infer<typeof shopSchema>;
type GenericPiece = z.infer<ReturnType<typeof pieceSchema>>;

/** One piece as the document holds it. `words` and `look` hold only what differs from the definition. */
export interface Piece {
  kind: string;
  on: boolean;
  where: GenericPiece['where'];
  parts: GenericPiece['parts'];
  settings: Record<string, string | number | boolean>;
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
  offers: z.infer<typeof offerSchema>[];
  /** Words of the shop's own pages, by language: only what differs from what ships. */
  shopWords: Record<string, Partial<Record<string, string>>>;
}
