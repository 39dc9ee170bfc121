import { demandOf, type Cart, type CartLine, type VariantRules } from '~/core/cart';
import { minor, type Minor } from '~/core/money';
import { evaluateOptions, type Evaluation } from '~/core/options';
import { own } from '~/core/own';
import { wordProblem, type Problem } from '~/core/problems';
import type { Rename } from '~/core/words';
import { pricedLine, type PricedLine } from '~/core/pricing';
import type { VariantFacts } from '~/data';
import type { App } from '~/services/app';
import type { RequestContext } from '~/services/request-context';

/** A line of a cart with everything known of it now. */
export interface Good {
  readonly line: CartLine;
  readonly facts: VariantFacts;
  readonly evaluation: Evaluation;
  /** Its unit price is the lower one where it was taken in the place of another product. */
  readonly priceable: PricedLine;
  /** The whole line, options and add-ons included. */
  readonly weightGrams: number;
  readonly isParcel: boolean;
  /** Why it cannot be ordered as it is; null: it can. */
  readonly problem: Problem | null;
}

/** A variant's name with its choices: a message about a sold-out size must not sound like a sold-out product. */
export function variantName({ name, choices }: Pick<VariantFacts, 'name' | 'choices'>): string {
  return [name, ...Object.values(choices)].join(', ');
}

/** What a cart may hold, from the catalogue as it is now. Add-ons are known through the options that offer them. */
export function cartRules(
  facts: ReadonlyMap<number, VariantFacts>,
  today: string,
): (variantId: number) => VariantRules | undefined {
  const rules = new Map<number, VariantRules>();
  const plain: VariantRules['judge'] = () => ({ ok: true, value: { answers: {}, addOns: [] } });
  for (const { options } of facts.values())
    for (const option of options)
      if (option.kind === 'addOn' && option.product)
        rules.set(option.product.variantId, {
          name: option.product.name,
          product: '',
          better: null,
          stock: option.product.stock,
          judge: plain,
        });
  for (const [id, { name, slug, better, choices, stock, options }] of facts)
    rules.set(id, {
      name: variantName({ name, choices }),
      product: slug,
      better,
      stock,
      judge: (answers) => {
        const found = evaluateOptions(options, answers, today);
        return found.problems.length > 0
          ? { ok: false, problems: found.problems.map((problem) => ({ ...problem, path: `option:${problem.path}` })) }
          : { ok: true, value: { answers: found.answers, addOns: found.addOns } };
      },
    });
  return (id) => rules.get(id);
}

/** What one costs in the place of what it was taken for, where that is less than always; null: what it always costs. */
export function insteadMinor(
  { insteadOf }: CartLine,
  { insteadMinor: prices, priceMinor }: VariantFacts,
): Minor | null {
  const price = insteadOf === undefined ? undefined : own(prices, insteadOf);
  return price !== undefined && price < priceMinor ? minor(price) : null;
}

/** The lines of a cart that can still be had, each judged by the catalogue of now. */
export async function goodsOf(
  { app, today }: Pick<RequestContext, 'app' | 'today'>,
  cart: Cart,
  known?: ReadonlyMap<number, VariantFacts>,
): Promise<Good[]> {
  if (cart.lines.length === 0) return [];
  const facts = known ?? (await app.catalogue.variantFacts(cart.lines.map((line) => line.variantId)));
  const uploads = await app.uploads.find(uploadIdsOf(cart.lines, facts));
  const rulesOf = cartRules(facts, today);
  const demand = demandOf(cart.lines, rulesOf);
  return cart.lines.flatMap((line): Good[] => {
    const found = facts.get(line.variantId);
    if (!found) return [];
    const evaluation = evaluateOptions(found.options, line.answers, today);
    const { unitGrams, onceGrams } = evaluation.weight;
    const addOns = found.options.flatMap((option) =>
      option.kind === 'addOn' && option.product && evaluation.addOns.includes(option.product.variantId)
        ? [option.product]
        : [],
    );
    const gone = found.options.find(
      (option) =>
        option.kind === 'file' &&
        own(evaluation.answers, option.key) &&
        !uploads.has(String(evaluation.answers[option.key])),
    );
    const short = [line.variantId, ...evaluation.addOns].flatMap((id): Problem[] => {
      const { name, stock } = rulesOf(id)!;
      if (stock === null || demand.get(id)! <= stock) return [];
      return [
        stock <= 0
          ? { path: 'cart', code: 'sold-out', facts: { name } }
          : { path: 'cart', code: 'not-enough-stock', facts: { name, stock } },
      ];
    })[0];
    return [
      {
        line,
        facts: found,
        evaluation,
        priceable: pricedLine({ ...found, priceMinor: insteadMinor(line, found) ?? found.priceMinor }, line.quantity, {
          id: line.id,
          effects: evaluation.effects,
        }),
        weightGrams: (found.weightGrams + unitGrams) * line.quantity + onceGrams,
        isParcel: found.fulfilment === 'parcel' || addOns.some((product) => product.isParcel),
        problem:
          short ??
          evaluation.problems[0] ??
          (gone ? { path: gone.key, code: 'option-upload-gone', facts: { label: gone.label } } : null),
      },
    ];
  });
}

function uploadIdsOf(lines: readonly CartLine[], facts: ReadonlyMap<number, VariantFacts>): string[] {
  return lines.flatMap((line) =>
    (facts.get(line.variantId)?.options ?? []).flatMap((option) => {
      const answer = option.kind === 'file' ? own(line.answers, option.key) : undefined;
      return typeof answer === 'string' ? [answer] : [];
    }),
  );
}

/** What files were called, for lines that hold some. */
export async function uploadNames(app: App, goods: readonly Good[]): Promise<(id: string) => string | undefined> {
  const ids = goods.flatMap(({ facts, evaluation }) =>
    facts.options.flatMap((option) =>
      option.kind === 'file' && own(evaluation.answers, option.key) ? [String(evaluation.answers[option.key])] : [],
    ),
  );
  const found = await app.uploads.find(ids);
  return (id) => found.get(id)?.name;
}

/** Why a line cannot be ordered as it stands, in words; null when it can. */
export function wordGoodProblem(good: Good, language: string, rename: Rename): string | null {
  return good.problem && rename(wordProblem(good.problem, language));
}
