import { z } from 'zod';
import type { FormAround, FormRow } from '../basis/form';
import type { PricedLine } from '../basis/line';
import type { ToldReader } from '../basis/told-words';
import type { OfferReader } from '../basis/words';
import { birthday } from './birthday';
import { cartHolds } from './cart-holds';
import { code } from './code';
import {
  CLAUSES,
  type Clause,
  type ConditionFacts,
  type GoodsLack,
  type Judged,
  type KnownBy,
  type RefusalWords,
  type Tried,
  type Visit,
} from './condition';
import { countries } from './countries';
import { dates } from './dates';
import { often } from './often';
import { shopper } from './shopper';
import { sources } from './sources';

/** Every condition there is, a line each, in the order in which they are judged: the first that refuses is told. */
const CONDITIONS = [code, dates, shopper, birthday, often, countries, sources, cartHolds] as const;

type Declared = (typeof CONDITIONS)[number];
type Together<Union> = (Union extends unknown ? (one: Union) => void : never) extends (all: infer All) => void
  ? All
  : never;
type WhenShape = Together<Declared['shape']>;

/** Why a condition refuses whatever the goods. */
export type RefusalCode = Declared extends infer One
  ? One extends { readonly refusals: infer Refusals }
    ? keyof Refusals & string
    : never
  : never;

const shape: WhenShape = Object.assign({}, ...CONDITIONS.map((condition) => condition.shape));

/** What an offer asks for. */
export const whenSchema = z.strictObject(shape);
export type When = z.output<typeof whenSchema>;
type Asking = Judged<When>;

interface AnyCondition extends Omit<ConditionFacts<When, RefusalCode>, 'refusals'> {
  readonly refusals: Readonly<Partial<Record<RefusalCode, RefusalWords>>>;
}

const ALL: readonly AnyCondition[] = CONDITIONS;
/** Every price asks these. */
const OF_GOODS = ALL.filter(({ lacks }) => lacks);
const IN_CLAUSES = CLAUSES.flatMap((clause) => ALL.filter((one) => one.clause === clause));

/** Conditions whose answers are not the same for every visit. */
export const conditionsAsked = (offers: readonly Asking[]): readonly AnyCondition[] =>
  ALL.filter((condition) => offers.some((offer) => condition.asks(offer)));

/** All that the answers of some conditions hang on besides the moment. */
export function hangsOn(
  conditions: readonly AnyCondition[],
  offers: readonly Asking[],
  visit: Visit,
): readonly (string | null)[] {
  const all: (string | null)[] = [];
  for (const condition of conditions)
    if (condition.hangsOn) for (const one of condition.hangsOn(offers, visit)) all.push(one);
  return all;
}

/** Whether an offer asks for something that is known only by one of these. */
export const asksFor = (offer: Asking, ...by: readonly KnownBy[]): boolean =>
  ALL.some((condition) => by.includes(condition.knownBy) && condition.asks(offer));

/** The first reason for which an offer is refused whatever the goods; null: they decide. */
export function refusalOf(offer: Asking, visit: Visit): RefusalCode | null {
  for (const condition of ALL) {
    const refusal = condition.refuses?.(offer, visit) ?? null;
    if (refusal !== null) return refusal;
  }
  return null;
}

/** What goods lack for an offer that nothing else keeps out; null: nothing. */
export function lackOf(offer: Asking, lines: readonly PricedLine[]): GoodsLack | null {
  for (const condition of OF_GOODS) {
    const lack = condition.lacks!(offer, lines);
    if (lack !== null) return lack;
  }
  return null;
}

/** Moments (ms since 1970) at which offers begin or end to be able. */
export const changesOf = (offer: Asking): number[] =>
  ALL.flatMap((condition) => [...(condition.changes?.(offer) ?? [])]);

/** Whether one cart can meet what two offers ask for. */
export const canMeet = (a: Asking, b: Asking): boolean => !ALL.some((condition) => condition.excludes?.(a, b));

/** Every sort of visit that offers tell apart. `today`: YYYY-MM-DD */
export function visitsToTry(offers: readonly Asking[], today: string): Tried[] {
  const ways = ALL.flatMap((condition) => (condition.tries ? [condition.tries(offers, today)] : []));
  return ways.reduce<Tried[]>((tried, way) => tried.flatMap((one) => way.map((other) => ({ ...one, ...other }))), [{}]);
}

/** What an offer asks for, clause by clause. */
export const readConditions = (offer: Asking, reader: OfferReader): string[] =>
  IN_CLAUSES.flatMap((condition) => [...condition.reads(offer, reader)]);

/** The same as shoppers read it beside a price. */
export const tellConditions = (offer: Asking, reader: ToldReader): string[] =>
  IN_CLAUSES.flatMap((condition) => [...(condition.tells?.(offer, reader) ?? [])]);

/** How an owner changes some of the clauses. */
export const conditionForm = (offer: Asking, clauses: readonly Clause[], around: FormAround): FormRow[] =>
  IN_CLAUSES.filter(({ clause }) => clauses.includes(clause)).flatMap((condition) => [
    ...condition.form(offer, around),
  ]);

/** Why conditions refuse whatever the goods. */
export const REFUSAL_CODES = ALL.flatMap(({ refusals }) => Object.keys(refusals)) as RefusalCode[];

/** By what it is known whether a refusal stays, and how it is told; null: it is no condition's. */
export function conditionOf(refusal: string): { readonly knownBy: KnownBy; readonly words: RefusalWords } | null {
  for (const { knownBy, refusals } of ALL) {
    const words = refusals[refusal as RefusalCode];
    if (words) return { knownBy, words };
  }
  return null;
}

/** Why an offer is refused, after its name. */
export const refusalWords = (refusal: string): string => conditionOf(refusal)?.words.toOwner ?? refusal;

export type { GoodsLack, Judged, Limits, Tried, Visit } from './condition';
