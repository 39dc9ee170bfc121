import type { z } from 'zod';
import type { ProblemCode } from '~/core/problems';
import type { FormAround, FormRow } from '../basis/form';
import type { PricedLine } from '../basis/line';
import type { ToldReader } from '../basis/told-words';
import type { OfferReader } from '../basis/words';

/** All that a condition may be judged by, whatever the goods. */
export interface Visit {
  /** Milliseconds since 1970. */
  readonly at: number;
  /** The shop's day (YYYY-MM-DD); null: as UTC has it. */
  readonly today: string | null;
  readonly shopper: 'new' | 'returning';
  /** ISO 3166-1; null while it is not known. */
  readonly country: string | null;
  readonly source: string | null;
  /** MM-DD */
  readonly birthday: string | null;
  /** As they are compared. */
  readonly codes: readonly string[];
  /** How often each offer was given. */
  readonly used: Readonly<Record<string, { readonly total: number; readonly byShopper: number }>>;
}

/** How often an offer is given at most. */
export interface Limits {
  readonly total: number | null;
  readonly perShopper: number | null;
}

/** An offer as its conditions are judged. */
export interface Judged<When> {
  readonly id: string;
  readonly when: When;
  readonly limits: Limits;
}

/** What is asked where nobody buys yet: one of several values that the visit may have. */
export type Tried = Partial<Pick<Visit, 'shopper' | 'country' | 'source' | 'birthday'>>;

/**
 * When it is known whether a condition holds: at any moment; by the cart; once a code is typed; by where the visit came from;
 * with the address; or once it is known who buys.
 */
export type KnownBy = 'moment' | 'cart' | 'code' | 'visit' | 'address' | 'buyer';

/** A refusal in words. */
export interface RefusalWords {
  /** What shoppers are told of a code whose offer is refused; null: that there is no such code. */
  readonly code: ProblemCode | null;
  /** The same while it is not known yet who buys. */
  readonly beforePaying?: ProblemCode;
  /** After the offer's name, to its owner. */
  readonly toOwner: string;
}

/** A condition of offers. `When`: what every offer holds for it, under `when`; `Code`: why it refuses. */
export interface ConditionFacts<When, Code extends string> {
  readonly knownBy: KnownBy;
  /** Where its clause stands in the sentence that an offer reads as. */
  readonly clause: Clause;
  /** Each reason for which it refuses. */
  readonly refusals: Readonly<Record<Code, RefusalWords>>;
  /** Whether an offer asks for it at all. */
  asks(offer: Judged<When>): boolean;
  /** Why an offer is refused whatever the goods; null: it is not. */
  refuses?(offer: Judged<When>, visit: Visit): NoInfer<Code> | null;
  /** What the answer hangs on besides the moment: as long as it is the same, so is the answer. */
  hangsOn?(offers: readonly Judged<When>[], visit: Visit): readonly (string | null)[];
  /** Moments (ms since 1970) at which the answer changes by itself. */
  changes?(offer: Judged<When>): readonly number[];
  /** What the goods lack; null: nothing. */
  lacks?(offer: Judged<When>, lines: readonly PricedLine[]): GoodsLack | null;
  /** Whether no cart can meet what two offers ask for. */
  excludes?(a: Judged<When>, b: Judged<When>): boolean;
  /** Each sort of visit that some offers tell apart. `today`: YYYY-MM-DD */
  tries?(offers: readonly Judged<When>[], today: string): readonly Tried[];
  /** Its clauses in the sentence. */
  reads(offer: Judged<When>, reader: OfferReader): readonly string[];
  /** Its clauses in the line beside a price. */
  tells?(offer: Judged<When>, reader: ToldReader): readonly string[];
  /** How an owner changes it. */
  form(offer: Judged<When>, around: FormAround): readonly FormRow[];
}

/** The clauses of an offer's sentence, in order. */
export const CLAUSES = ['code', 'cart', 'who', 'time', 'often'] as const;
export type Clause = (typeof CLAUSES)[number];

/** What goods lack, in minor units or items. */
export type GoodsLack =
  | { readonly code: 'needs-more'; readonly missingMinor: number }
  | { readonly code: 'needs-items'; readonly missing: number };

type HeldBy<Shape extends z.ZodRawShape> = { readonly [Key in keyof Shape]: z.output<Shape[Key]> };

/** Declares a condition; `shape` is what offers hold for it, by default nothing that is asked. */
export function condition<Shape extends z.ZodRawShape, const Code extends string>(
  shape: Shape,
  facts: ConditionFacts<HeldBy<Shape>, Code>,
) {
  return { shape, ...facts };
}

/** The part of an offer that is another, with some of what it holds under `when`. */
export const inWhen = <When>({ when }: Judged<When>, part: Partial<When>): { readonly when: When } => ({
  when: { ...when, ...part },
});
