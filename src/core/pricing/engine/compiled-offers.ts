import { plainCode } from '../basis/codes';
import { newMemory, type Memory } from '../basis/standing';
import {
  changesOf,
  conditionsAsked,
  hangsOn,
  refusalOf,
  type GoodsLack,
  type RefusalCode,
  type Visit,
} from '../conditions';
import { offerFacts, type PricedOffer } from '../offers';
import type { Acting } from './acting';
import type { PricingInput } from './pricing.schema';

type PlainCode = 'off' | RefusalCode;

/** Why an offer does not count, whatever else there is; the first that holds. */
export type Refusal = { readonly code: PlainCode } | GoodsLack;

interface Giving {
  readonly offer: PricedOffer;
  readonly gift: { readonly variant: string; readonly quantity: number };
}

/** What is known of offers before anybody's cart: found out once for each array of them. */
export interface CompiledOffers {
  /** As they act: stage by stage, in each in turn. */
  readonly acting: readonly Acting[];
  readonly gifts: readonly Giving[];
  /** By their codes, as codes are compared. */
  readonly byCode: ReadonlyMap<string, readonly PricedOffer[]>;
  /** The conditions that any of them asks for. */
  readonly conditions: ReturnType<typeof conditionsAsked>;
  readonly offers: readonly PricedOffer[];
  /** When offers begin and end; milliseconds since 1970. */
  readonly changes: readonly number[];
  /** What the last few circumstances left of them. */
  readonly applicable: ApplicableOffers[];
  /** To price carts by them in, one after another. */
  readonly memory: Memory;
}

/** Offers in some circumstances, whatever the goods. */
export interface ApplicableOffers {
  /** Those the goods may still keep out, as they act. */
  readonly acting: readonly Acting[];
  readonly gifts: readonly Giving[];
  readonly refused: Readonly<Record<string, Refusal>>;
  /** The circumstances: from when until when, and what else is asked. */
  readonly since: number;
  readonly until: number;
  readonly asked: readonly (string | null)[];
}

/** Stage by stage, in each in turn. */
export const asTheyAct = (offers: readonly Acting[]): Acting[] =>
  offers.toSorted((a, b) => a.stage - b.stage || a.turn - b.turn);

const compiledBefore = new WeakMap<readonly PricedOffer[], CompiledOffers>();

/** What an array of offers comes to, which must not change once it has been priced by. */
export function compileOffers(offers: readonly PricedOffer[]): CompiledOffers {
  let compiled = compiledBefore.get(offers);
  if (!compiled) compiledBefore.set(offers, (compiled = compile(offers)));
  return compiled;
}

function compile(offers: readonly PricedOffer[]): CompiledOffers {
  const inTurn = offers
    .toSorted((a, b) => a.rank - b.rank || (a.id < b.id ? -1 : a.id > b.id ? 1 : 0))
    .flatMap((offer, turn) => actingOf(offer, turn) ?? []);
  const byCode = new Map<string, PricedOffer[]>();
  for (const offer of offers) {
    if (offer.when.code === null) continue;
    const code = plainCode(offer.when.code);
    byCode.set(code, [...(byCode.get(code) ?? []), offer]);
  }
  return {
    acting: asTheyAct(inTurn),
    gifts: offers.flatMap((offer) => {
      const gift = offerFacts(offer).gives?.(offer);
      return gift ? [{ offer, gift }] : [];
    }),
    byCode,
    conditions: conditionsAsked(offers),
    offers,
    changes: offers.flatMap(changesOf),
    applicable: [],
    memory: newMemory(inTurn.length),
  };
}

function actingOf(offer: PricedOffer, turn: number): Acting | null {
  const facts = offerFacts(offer);
  const stage = facts.stage(offer);
  if (stage === null) return null;
  const { group, per, alone } = offer.combine;
  const isCapped = (facts.cap?.(offer) ?? null) !== null;
  return {
    offer,
    facts,
    stage,
    selection: facts.selection?.(offer) ?? null,
    turn,
    share: facts.share?.(offer) ?? 0,
    itemGroup: per === 'item' && !alone ? group : null,
    isLineOffer: stage === 1 || (stage === 3 && !isCapped),
  };
}

/** Shoppers come in turns: so many circumstances are remembered. */
const MOST_KEPT = 8;

let last = { text: '', at: NaN };

/** Milliseconds since 1970; of many prices at one moment the first finds it out. */
function momentOf(text: string): number {
  if (last.text !== text) last = { text, at: Date.parse(text) };
  return last.at;
}

/** What the circumstances leave of the offers, whatever the goods. */
export function filterApplicable(compiled: CompiledOffers, input: PricingInput): ApplicableOffers {
  const at = momentOf(input.at);
  const { today, shopper, country, source, birthday, used } = input;
  const visit: Visit = { at, today, shopper, country, source, birthday, used, codes: input.codes.map(plainCode) };
  const asked = hangsOn(compiled.conditions, compiled.offers, visit);
  for (const one of compiled.applicable) if (at >= one.since && at < one.until && isSame(one.asked, asked)) return one;
  const refused: Record<string, Refusal> = {};
  const stands = (offer: PricedOffer) => {
    const code = offer.on ? refusalOf(offer, visit) : 'off';
    if (code !== null) refused[offer.id] = PLAIN[code] ??= Object.freeze({ code });
    return code === null;
  };
  const applicable: ApplicableOffers = {
    acting: compiled.acting.filter(({ offer }) => stands(offer)),
    gifts: compiled.gifts.filter(({ offer }) => stands(offer)),
    refused,
    since: Math.max(...compiled.changes.filter((change) => change <= at)),
    until: Math.min(...compiled.changes.filter((change) => change > at)),
    asked,
  };
  compiled.applicable.unshift(applicable);
  compiled.applicable.length = Math.min(compiled.applicable.length, MOST_KEPT);
  return applicable;
}

/** Said by itself each is the same for every offer. */
const PLAIN: Partial<Record<PlainCode, Refusal>> = {};

function isSame(a: readonly (string | null)[], b: readonly (string | null)[]): boolean {
  if (a.length !== b.length) return false;
  for (let i = 0; i < a.length; i += 1) if (a[i] !== b[i]) return false;
  return true;
}
