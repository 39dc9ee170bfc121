import { own } from '~/core/own';
import type { Problem } from '~/core/problems';
import type { Answer, Answers } from './answers';
import { checkAnswer, type CheckedAnswer } from './check-answer';
import type { Condition } from './condition.schema';
import type { OptionEffect } from './effects';
import type { ProductOption } from './option.schema';

export interface Evaluation {
  /** Keys of the options that are asked for, in the order of the product. */
  readonly shown: readonly string[];
  /** What counts: answers of shown options that hold. Hidden and wrong ones are dropped. */
  readonly answers: Record<string, Answer>;
  readonly problems: readonly Problem[];
  readonly effects: readonly OptionEffect[];
  readonly weight: { readonly unitGrams: number; readonly onceGrams: number };
  /** Variants that come along, one for each unit of the line. */
  readonly addOns: readonly number[];
}

/**
 * Which options are asked for, which answers count and what they cost. The same on product page, quick view, cart and
 * server. The order of the options never matters: a condition asks for answers that count, found through a chain without
 * circles (`checkOptionRules` refuses those; one that got in is a bug and throws). `today` is YYYY-MM-DD.
 */
export function evaluateOptions(options: readonly ProductOption[], given: Answers, today: string): Evaluation {
  const byKey = new Map(options.map((option) => [option.key, option]));
  const found = new Map<string, { shown: boolean; answer: CheckedAnswer | null; problem: Problem | null } | 'asking'>();

  function settle(option: ProductOption) {
    const known = found.get(option.key);
    if (known === 'asking') throw new Error(`Options wait for each other: ${option.key}`);
    if (known) return known;
    found.set(option.key, 'asking');
    const shown = isOffered(option) && (option.shownWhen === null || holds(option.shownWhen));
    const checked = shown ? checkAnswer(option, own(given, option.key), today) : { answer: null, problem: null };
    const settled = { shown, ...checked };
    found.set(option.key, settled);
    return settled;
  }

  /** The answers that count: none for options that are hidden, open or wrong. */
  function valuesOf(key: string): readonly string[] {
    const option = byKey.get(key);
    const value = option && settle(option).answer?.value;
    return value === undefined ? [] : typeof value === 'string' ? [value] : value;
  }

  function holds(condition: Condition): boolean {
    switch (condition.op) {
      case 'and':
        return condition.of.every(holds);
      case 'or':
        return condition.of.some(holds);
      case 'not':
        return !holds(condition.of);
      case 'equals':
        return valuesOf(condition.option).includes(condition.value);
      case 'oneOf':
        return valuesOf(condition.option).some((value) => condition.values.includes(value));
      case 'isSet':
        return valuesOf(condition.option).length > 0;
      case 'greater':
        return valuesOf(condition.option).some((value) => Number(value) > condition.than);
    }
  }

  const settled = options.map((option) => ({ option, ...settle(option) })).filter((item) => item.shown);
  const effects = settled.flatMap(({ option, answer }) =>
    (answer?.effects ?? []).map(({ label, effect }) => ({ key: option.key, label, ...effect })),
  );
  const grams = (per: 'unit' | 'once') =>
    effects.filter((effect) => effect.per === per).reduce((sum, effect) => sum + effect.weightGrams, 0);
  return {
    shown: settled.map(({ option }) => option.key),
    answers: Object.fromEntries(
      settled.flatMap(({ option, answer }) => (answer ? [[option.key, answer.value] as const] : [])),
    ),
    problems: settled.flatMap(({ option, answer, problem }): Problem[] => {
      if (problem) return [problem];
      if (answer || !option.required) return [];
      return [{ path: option.key, code: MISSING[option.kind] ?? 'option-missing', facts: { label: option.label } }];
    }),
    effects: effects
      .filter((effect) => effect.amountMinor !== 0)
      .map(({ key, label, per, amountMinor }) => ({ key, label, per, amountMinor })),
    weight: { unitGrams: grams('unit'), onceGrams: grams('once') },
    addOns: settled.flatMap(({ option, answer }) =>
      option.kind === 'addOn' && answer && option.product ? [option.product.variantId] : [],
    ),
  };
}

/** What is said of an open answer; of all others that one is to be chosen. */
const MISSING: Partial<Record<ProductOption['kind'], Problem['code']>> = {
  text: 'option-empty',
  number: 'option-empty',
  date: 'option-empty',
  file: 'option-no-file',
};

/** An add-on whose product is gone cannot be asked for. */
function isOffered(option: ProductOption): boolean {
  return option.kind !== 'addOn' || option.product !== null;
}
