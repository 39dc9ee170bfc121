import { isSameCode } from '~/core/pricing/basis/codes';
import { sameAnswers, type Answers } from '~/core/options/answers';
import { assertNever, fail, ok, type Result } from '~/core/problems';
import { MOST_PER_LINE } from '~/core/limits';

export const MOST_LINES = 60;

/** A cart remembers so many removed lines. */
const MOST_REMOVED = 10;

/** A line as a cart remembers it; everything else is looked up when it is priced. */
export interface CartLine {
  readonly id: string;
  readonly variantId: number;
  readonly quantity: number;
  readonly answers: Answers;
  /** Slug of the product in whose place it was taken as the better one. */
  readonly insteadOf?: string;
}

export interface Destination {
  readonly country: string;
  readonly postcode: string;
}

/** A line that was taken out, and where it stood. */
export interface RemovedLine {
  readonly line: CartLine;
  readonly at: number;
}

export interface Cart {
  readonly lines: readonly CartLine[];
  /** The latest that were taken out, oldest first: each can be put back once. */
  readonly removed: readonly RemovedLine[];
  /** As the shopper typed it; whether it counts is judged whenever the cart is priced. */
  readonly codes: readonly string[];
  readonly destination: Destination | null;
  readonly note: string;
  /** Where its visit came from, as far as anybody knows. */
  readonly source?: string | null;
}

export const EMPTY_CART: Cart = { lines: [], removed: [], codes: [], destination: null, note: '' };

export type CartChange =
  | {
      readonly kind: 'add';
      readonly variantId: number;
      readonly quantity: number;
      readonly answers: Answers;
      readonly newLineId: string;
      /** The product in whose place it was taken, in the cart that it comes from. */
      readonly insteadOf?: string | undefined;
    }
  | { readonly kind: 'set'; readonly lineId: string; readonly quantity: number }
  | { readonly kind: 'remove'; readonly lineId: string }
  /** Puts back what was taken out: the same line, in the same place. */
  | { readonly kind: 'put-back'; readonly lineId: string }
  /** Other choices for a line that stays the same line. */
  | { readonly kind: 'reshape'; readonly lineId: string; readonly variantId: number; readonly answers: Answers }
  /** One more code, or in the place of the others where the shop takes one at a time. */
  | { readonly kind: 'coupon'; readonly code: string; readonly isBeside: boolean }
  | { readonly kind: 'coupon-off'; readonly code: string }
  | { readonly kind: 'destination'; readonly destination: Destination | null }
  | { readonly kind: 'note'; readonly note: string };

/** What must be known of a variant to let it into a cart. */
export interface VariantRules {
  readonly name: string;
  /** Slug, and that of the product offered in its place. */
  readonly product: string;
  readonly better: string | null;
  readonly stock: number | null;
  /** The answers that count, and the variants that come along with each unit; or what is wrong with them. */
  readonly judge: (answers: Answers) => Result<{ readonly answers: Answers; readonly addOns: readonly number[] }>;
}

type RulesOf = (variantId: number) => VariantRules | undefined;

/**
 * The cart after a change. Adding what is there already (same variant, same answers, in the same place) raises its line;
 * quantity 0 removes a line. Refused, with nothing changed, when answers, stock or the limits do not allow it. Stock is counted over all
 * lines and the add-ons that come along.
 */
export function changeCart(cart: Cart, change: CartChange, rulesOf: RulesOf): Result<Cart> {
  const withLines = (lines: readonly CartLine[]) => ok({ ...cart, lines });
  const lineOf = (id: string) => cart.lines.find((line) => line.id === id);
  switch (change.kind) {
    case 'add': {
      const { newLineId: id, variantId, quantity, insteadOf } = change;
      const answers = judged(variantId, change.answers, rulesOf);
      if (!answers.ok) return answers;
      const line = { id, variantId, quantity, answers: answers.value, ...(insteadOf && { insteadOf }) };
      return withLine(cart, line, cart.lines.length, rulesOf);
    }
    case 'put-back': {
      const found = cart.removed.find(({ line }) => line.id === change.lineId);
      if (!found) return fail('lineId', 'line-gone');
      const answers = judged(found.line.variantId, found.line.answers, rulesOf);
      if (!answers.ok) return answers;
      const removed = cart.removed.filter((other) => other !== found);
      return withLine({ ...cart, removed }, { ...found.line, answers: answers.value }, found.at, rulesOf);
    }
    case 'set': {
      const line = lineOf(change.lineId);
      if (!line) return fail('lineId', 'line-gone');
      if (change.quantity === 0) return ok(withoutLine(cart, line));
      const made = { ...line, quantity: change.quantity };
      const lines = cart.lines.map((other) => (other === line ? made : other));
      // Fewer is always allowed: stock may be less than the line holds.
      const problem = change.quantity > line.quantity ? checkLine(made, lines, rulesOf) : null;
      return problem ?? withLines(lines);
    }
    case 'remove': {
      const line = lineOf(change.lineId);
      return line ? ok(withoutLine(cart, line)) : fail('lineId', 'line-gone');
    }
    case 'reshape': {
      const line = lineOf(change.lineId);
      if (!line) return fail('lineId', 'line-gone');
      const answers = judged(change.variantId, change.answers, rulesOf);
      if (!answers.ok) return answers;
      const { insteadOf: was, ...kept } = line;
      const insteadOf = placeOf(was, rulesOf(line.variantId), rulesOf(change.variantId));
      const made = {
        ...kept,
        variantId: change.variantId,
        answers: answers.value,
        ...(insteadOf && { insteadOf }),
      };
      const lines = cart.lines.map((other) => (other === line ? made : other));
      return checkLine(made, lines, rulesOf) ?? withLines(lines);
    }
    case 'coupon':
      return withCode(cart, change);
    case 'coupon-off':
      return ok({ ...cart, codes: cart.codes.filter((code) => !isSameCode(code, change.code)) });
    case 'destination':
      return ok({ ...cart, destination: change.destination });
    case 'note':
      return ok({ ...cart, note: change.note });
    default:
      return assertNever(change);
  }
}

/** The cart with this line at this place, or with more of the line that is the same. */
function withLine(cart: Cart, line: CartLine, at: number, rulesOf: RulesOf): Result<Cart> {
  const existing = cart.lines.find(
    (other) =>
      other.variantId === line.variantId &&
      other.insteadOf === line.insteadOf &&
      sameAnswers(other.answers, line.answers),
  );
  if (!existing && cart.lines.length >= MOST_LINES) return fail('lines', 'too-many-lines', { limit: MOST_LINES });
  const made = existing ? { ...existing, quantity: existing.quantity + line.quantity } : line;
  const lines = existing
    ? cart.lines.map((other) => (other === existing ? made : other))
    : [...cart.lines.slice(0, at), made, ...cart.lines.slice(at)];
  return checkLine(made, lines, rulesOf) ?? ok({ ...cart, lines });
}

function withoutLine(cart: Cart, line: CartLine): Cart {
  const lines = cart.lines.filter((other) => other !== line);
  const removed = [...cart.removed, { line, at: cart.lines.indexOf(line) }].slice(-MOST_REMOVED);
  return { ...cart, lines, removed };
}

/** In whose place a line stands once it is reshaped: another variant of its product stays there, a better one takes its place. */
function placeOf(
  was: string | undefined,
  from: VariantRules | undefined,
  to: VariantRules | undefined,
): string | undefined {
  if (!from || !to) return undefined;
  if (from.product === to.product) return was;
  return from.better === to.product ? from.product : undefined;
}

/** Codes a cart holds at most. */
const MOST_CODES = 10;

function withCode(cart: Cart, { code, isBeside }: { readonly code: string; readonly isBeside: boolean }): Result<Cart> {
  if (!isBeside) return ok({ ...cart, codes: [code] });
  const others = cart.codes.filter((other) => !isSameCode(other, code));
  return others.length < MOST_CODES
    ? ok({ ...cart, codes: [...others, code] })
    : fail('code', 'too-many-codes', { limit: MOST_CODES });
}

/** Codes are compared without white space around them, regardless of case. */

function judged(variantId: number, answers: Answers, rulesOf: RulesOf): Result<Answers> {
  const rules = rulesOf(variantId);
  if (!rules) return fail('variantId', 'not-found');
  const found = rules.judge(answers);
  return found.ok ? ok(found.value.answers) : found;
}

/** How many of each variant the lines ask for, add-ons included. */
export function demandOf(lines: readonly CartLine[], rulesOf: RulesOf): Map<number, number> {
  const demand = new Map<number, number>();
  for (const line of lines) {
    const found = rulesOf(line.variantId)?.judge(line.answers);
    for (const variantId of [line.variantId, ...(found?.ok ? found.value.addOns : [])])
      demand.set(variantId, (demand.get(variantId) ?? 0) + line.quantity);
  }
  return demand;
}

/** What keeps a line from standing among these, or null. Only what this line asks for is judged. */
function checkLine(line: CartLine, lines: readonly CartLine[], rulesOf: RulesOf): ReturnType<typeof fail> | null {
  if (line.quantity > MOST_PER_LINE) return fail('quantity', 'quantity-limit', { limit: MOST_PER_LINE });
  const demand = demandOf(lines, rulesOf);
  for (const variantId of demandOf([line], rulesOf).keys()) {
    const rules = rulesOf(variantId);
    if (!rules) return fail('variantId', 'not-found');
    const { name, stock } = rules;
    if (stock === null || demand.get(variantId)! <= stock) continue;
    return stock <= 0 ? fail('quantity', 'sold-out', { name }) : fail('quantity', 'not-enough-stock', { name, stock });
  }
  return null;
}
