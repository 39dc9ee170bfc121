import { localeFor, netNote, type Goods } from '~/core/lane';
import type { LinkFacts } from '~/core/links';
import { formatMoney } from '~/core/money';
import { effectSums, evaluateOptions, type Answers, type Evaluation } from '~/core/options';
import type { Product } from '~/core/catalogue';
import type { VariantFacts } from '~/data';
import { shopToday } from '~/services/cart/cart-goods';
import { quoteChoice } from '~/services/cart/quote-product';
import { findProduct } from '~/services/catalogue/browse-shop';
import { liveLane } from '~/services/lane/live-lane';
import type { App } from '~/services/app';

/** Why the goods of a link cannot simply be put into a cart. */
export type LinkProblem = 'sold-out' | 'too-few' | 'needs-answers';

export interface LinkedFound {
  readonly facts: VariantFacts;
  readonly product: Product;
  /** With what was chosen: “Hoop Winder, Large”. */
  readonly name: string;
  /** What so many cost now with what was answered, by themselves and without a code. */
  readonly totalMinor: number;
  /** What was answered, and what it comes to. */
  readonly evaluation: Evaluation;
  readonly problem: LinkProblem | null;
}

/** The goods a link names, as they are sold now; null where they are not sold any more. */
export async function findLinked(
  app: App,
  { sku, quantity, answers = {} }: Pick<Goods, 'sku' | 'quantity'> & { readonly answers?: Answers },
): Promise<LinkedFound | null> {
  const facts = (await app.catalogue.factsOfSkus([sku])).get(sku);
  const product = facts && (await findProduct(app, facts.slug));
  if (!facts || !product) return null;
  const evaluation = evaluateOptions(product.options, answers, await shopToday(app));
  const { problems } = evaluation;
  const extra = effectSums(evaluation.effects);
  const price = await quoteChoice(app, facts.variantId, { quantity, ...extra });
  const { stock } = facts;
  return {
    ...{ facts, product, evaluation },
    name: [facts.name, ...Object.values(facts.choices)].join(', '),
    totalMinor: price?.totalMinor ?? (facts.priceMinor + extra.unitMinor) * quantity + extra.onceMinor,
    problem:
      stock === 0
        ? 'sold-out'
        : stock !== null && stock < quantity
          ? 'too-few'
          : problems.length > 0
            ? 'needs-answers'
            : null,
  };
}

/** What a snippet says of the goods of a link; null where they are not sold any more. */
export async function linkFacts(
  app: App,
  goods: Goods,
): Promise<(LinkFacts & { readonly problem: LinkProblem | null }) | null> {
  const found = await findLinked(app, goods);
  if (!found) return null;
  const { lane, currency } = await liveLane(app);
  const language = lane.shop.languages[0]!;
  const { facts, product, name, totalMinor, problem } = found;
  return {
    ...{ name, problem, shortText: product.shortText },
    price: [formatMoney(totalMinor, currency, localeFor(lane.shop, language)), netNote(lane, language)]
      .filter(Boolean)
      .join(' '),
    picture: (facts.picture ?? product.pictures[0])?.src ?? null,
  };
}
