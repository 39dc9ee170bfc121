import { z } from 'zod';
import { LETTERS } from '~/core/limits';
import type { PricedLine } from '../basis/line';
import type { FormAround, FormRow } from '../basis/form';
import { count, key, maybe } from '../basis/fields';
import type { LineSelection } from '../basis/selection';
import type { Act, Cart, Stage, Standing } from '../basis/standing';
import type { Off, ToldEffect } from '../basis/told-words';
import type { OfferReader } from '../basis/words';
import { whenSchema } from '../conditions';

/** What every offer has, of whatever kind. */
export const shared = {
  name: z.string().trim().max(LETTERS.offerName).default(''),
  on: z.boolean().default(true),
  /** Whether shoppers are told of it in the cart while it does not count yet: its code, or how much it lacks. */
  told: z.boolean().default(false),
  rank: z.number().int().min(-1000).max(1000).default(0),
  when: whenSchema.prefault({}),
  combine: z
    .strictObject({
      group: maybe(key),
      /** Of one group an item is lowered by one offer, or an order by one. */
      per: z.enum(['item', 'order']).default('order'),
      alone: z.boolean().default(false),
    })
    .prefault({}),
  limits: z.strictObject({ total: maybe(count), perShopper: maybe(count) }).prefault({}),
};

/** An offer of one kind. */
export type OfferOf<Kind extends string, Shape extends z.ZodRawShape> = z.output<
  z.ZodObject<{ kind: z.ZodLiteral<Kind> } & typeof shared & Shape>
>;

/** Of which goods an offer is told, and how many prices they have. */
export interface ToldGoods {
  readonly line: PricedLine;
  /** With several prices no single one can be told. */
  readonly isOnePrice: boolean;
}

/** All that tells one kind of offer from another. */
export interface OfferFacts<Offer> {
  /** What an owner calls it, and what it does, in a line. */
  readonly label: string;
  readonly help: string;
  /** What a new one holds besides what every offer has: small and harmless. */
  begins(around: Pick<FormAround, 'about'>): object;
  /** When it acts; null: it takes nothing off, and stands outside the sums. */
  stage(offer: Offer): Stage | null;
  /** Which goods it is about, in each of its roles; none for one that is about delivery or a gift. */
  selections(offer: Offer): readonly LineSelection[];
  /** What it does, as the beginning of a sentence. */
  reads(offer: Offer, reader: OfferReader): string;
  /** What is told of it beside the price of goods it touches; `by-price`: what they cost by it; null: nothing. */
  tells(offer: Offer, goods: ToldGoods): ToldEffect | 'by-price' | null;
  /** How an owner changes what it does. */
  form(offer: Offer, around: FormAround): readonly FormRow[];

  /** Stages 1, 3 and 4: the lines it may lower; null: all. Without it, it chooses its units itself. */
  selection?(offer: Offer): LineSelection;
  /** Stages 3 and 4: what it takes in all at most; null: no limit. */
  cap?(offer: Offer): number | null;
  /** Stage 1: what it makes of a unit of a line; null: nothing. `together`: units of all lines that fit. */
  unitPrice?(offer: Offer, line: PricedLine, together: number): number | null;
  /** Stage 1: whether a line's price hangs on the units of other lines, too. */
  countsTogether?(offer: Offer): boolean;
  /** Stage 1: from how many on a line costs less each. */
  quantities?(offer: Offer): readonly number[];
  /** Stage 3: what it takes of one line, of so many units. */
  ofLine?(offer: Offer, costMinor: number, quantity: number): number;
  /** Stages 2 to 5: what it takes of what those before it left, and in `to` what it leaves. */
  take?(cart: Cart, from: Standing, act: Act<Offer>, to: Standing): number;
  /** Stages 2 to 5: what it takes at most of what there is now, whatever others take before it. */
  most?(cart: Cart, at: Standing, act: Act<Offer>): number;
  /** The share of everything that it takes at most, in basis points: what it leaves, the next one sees. */
  share?(offer: Offer): number;
  /** What it gives for nothing. */
  gives?(offer: Offer): { readonly variant: string; readonly quantity: number };
  /** What it takes off, where one word says it. */
  off?(offer: Offer): Off;
}

/** Declares a kind of offer; `shape` is what it holds besides what every offer has. */
export function offerKind<const Kind extends string, Shape extends z.ZodRawShape>(
  kind: Kind,
  shape: Shape,
  facts: OfferFacts<OfferOf<Kind, Shape>>,
): OfferKind<Kind, Shape> {
  // Of every fact there is one: the search asks for them thousands of times a second.
  return { kind, shape, ...NOTHING, ...facts };
}

const NOTHING = {
  selection: undefined,
  cap: undefined,
  unitPrice: undefined,
  countsTogether: undefined,
  quantities: undefined,
  ofLine: undefined,
  take: undefined,
  most: undefined,
  share: undefined,
  gives: undefined,
  off: undefined,
};

export interface OfferKind<Kind extends string, Shape extends z.ZodRawShape> extends OfferFacts<OfferOf<Kind, Shape>> {
  readonly kind: Kind;
  readonly shape: Shape;
}
