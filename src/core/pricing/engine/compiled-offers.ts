import { isUsedUp, plainCode, refusalBefore, type Refusal } from './judge';
import { stageOf, type Acting, type TakingOffer } from './state';
import type { PricedOffer, PricingInput } from './pricing.schema';

type Gift = Extract<PricedOffer, { kind: 'gift' }>;

/** What is known of offers before anybody's cart: found out once for each array of them. */
export interface CompiledOffers {
  /** As they act: stage by stage, in each in turn. */
  readonly acting: readonly Acting[];
  readonly gifts: readonly Gift[];
  /** By their codes, as codes are compared. */
  readonly byCode: ReadonlyMap<string, readonly PricedOffer[]>;
  readonly limited: readonly PricedOffer[];
  /** When offers begin and end; milliseconds since 1970. */
  readonly changes: readonly number[];
  readonly isByBirthday: boolean;
  /** What the last few circumstances left of them. */
  readonly applicable: ApplicableOffers[];
}

/** Offers in some circumstances, whatever the goods. */
export interface ApplicableOffers {
  /** Those the goods may still keep out, as they act. */
  readonly acting: readonly Acting[];
  readonly gifts: readonly Gift[];
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
  const isTaking = (offer: PricedOffer): offer is TakingOffer => offer.kind !== 'gift';
  const inTurn = offers
    .filter(isTaking)
    .sort((a, b) => a.rank - b.rank || (a.id < b.id ? -1 : a.id > b.id ? 1 : 0))
    .map((offer, turn): Acting => {
      const { group, per, alone } = offer.combine;
      const stage = stageOf(offer);
      const isCapped = 'maxMinor' in offer && offer.maxMinor !== null;
      return {
        offer,
        stage,
        selection: 'selection' in offer ? offer.selection : null,
        turn,
        itemGroup: per === 'item' && !alone ? group : null,
        isLineOffer: stage === 1 || (stage === 3 && !isCapped),
      };
    });
  const byCode = new Map<string, PricedOffer[]>();
  for (const offer of offers) {
    if (offer.when.code === null) continue;
    const code = plainCode(offer.when.code);
    byCode.set(code, [...(byCode.get(code) ?? []), offer]);
  }
  return {
    acting: asTheyAct(inTurn),
    gifts: offers.filter((offer): offer is Gift => offer.kind === 'gift'),
    byCode,
    limited: offers.filter(({ limits }) => limits.total !== null || limits.perShopper !== null),
    changes: offers.flatMap(({ when }) => [when.from, when.until].flatMap((at) => (at === null ? [] : Date.parse(at)))),
    isByBirthday: offers.some(({ when }) => when.birthdayDays !== null),
    applicable: [],
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
  const asked = askedOf(compiled, input, at);
  for (const one of compiled.applicable) if (at >= one.since && at < one.until && isSame(one.asked, asked)) return one;
  const codes = input.codes.map(plainCode);
  const refused: Record<string, Refusal> = {};
  const stands = (offer: PricedOffer) => {
    const refusal = refusalBefore(offer, input, at, codes);
    if (refusal) refused[offer.id] = refusal;
    return refusal === null;
  };
  const applicable: ApplicableOffers = {
    acting: compiled.acting.filter(({ offer }) => stands(offer)),
    gifts: compiled.gifts.filter(stands),
    refused,
    since: Math.max(...compiled.changes.filter((change) => change <= at)),
    until: Math.min(...compiled.changes.filter((change) => change > at)),
    asked,
  };
  compiled.applicable.unshift(applicable);
  compiled.applicable.length = Math.min(compiled.applicable.length, MOST_KEPT);
  return applicable;
}

/** All a refusal before the goods hangs on, but for the time. */
function askedOf(compiled: CompiledOffers, input: PricingInput, at: number): (string | null)[] {
  const asked: (string | null)[] = [input.shopper, input.country, input.source];
  if (compiled.isByBirthday) asked.push(input.birthday, input.today ?? new Date(at).toISOString().slice(0, 10));
  for (const { id, limits } of compiled.limited) asked.push(isUsedUp(limits, input.used[id]) ? id : null);
  for (const code of input.codes) asked.push(plainCode(code));
  return asked;
}

function isSame(a: readonly (string | null)[], b: readonly (string | null)[]): boolean {
  if (a.length !== b.length) return false;
  for (let i = 0; i < a.length; i += 1) if (a[i] !== b[i]) return false;
  return true;
}
