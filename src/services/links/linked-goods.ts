import { localeFor, netNote, type Goods } from '~/core/lane';
import { resolveShopWords } from '~/core/words';
import type { LinkFacts, LinkVariant } from '~/core/links';
import { formatMoney } from '~/core/money';
import { effectSums, evaluateOptions, type Evaluation } from '~/core/options';
import { fill } from '~/core/words/fill';
import type { Product } from '~/core/catalogue';
import type { VariantFacts } from '~/data';
import { shopToday } from '~/services/lane/live-lane';
import { mailPicture, pictureRatio } from '~/services/files/link-picture';
import { quoteChoice, quoteEach, quoteWithCode } from '~/services/cart/quote-product';
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
  /** The same with the code of the link; null where it has none, or the code takes nothing off them. */
  readonly withCodeMinor: number | null;
  /** What was answered, and what it comes to. */
  readonly evaluation: Evaluation;
  readonly problem: LinkProblem | null;
}

/** The goods a link names, as they are sold now; null where they are not sold any more. */
export async function findLinked(
  app: App,
  {
    sku,
    quantity,
    code = '',
    answers = {},
  }: Pick<Goods, 'sku' | 'quantity'> & Partial<Pick<Goods, 'code' | 'answers'>>,
): Promise<LinkedFound | null> {
  const facts = (await app.catalogue.factsOfSkus([sku])).get(sku);
  const product = facts && (await findProduct(app, facts.slug));
  if (!facts || !product) return null;
  const evaluation = evaluateOptions(product.options, answers, await shopToday(app));
  const { problems } = evaluation;
  const extra = effectSums(evaluation.effects);
  const price = await quoteChoice(app, facts.variantId, { quantity, ...extra });
  const withCodeMinor = code === '' ? null : await quoteWithCode(app, facts, { quantity, ...extra }, code);
  const { stock } = facts;
  return {
    facts,
    product,
    evaluation,
    withCodeMinor,
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

/** Variants that can be chosen where a link stands, at most. */
const MOST_VARIANTS = 30;

/** The variants of what a link sells, its own among them, each with what so many of it cost with the link's code. */
export async function linkedVariants(
  app: App,
  { product, evaluation, facts: own }: Pick<LinkedFound, 'product' | 'evaluation' | 'facts'>,
  { quantity, code }: Pick<Goods, 'quantity' | 'code'>,
  language: string,
): Promise<LinkVariant[]> {
  const { lane, currency } = await liveLane(app);
  const { soldOut } = resolveShopWords(lane, language);
  const note = netNote(lane, language);
  const listed = product.variants.filter(({ sku }, i) => i < MOST_VARIANTS || sku === own.sku);
  const all = await app.catalogue.variantFacts(listed.map(({ id }) => id));
  const sold = listed.flatMap(({ id }) => all.get(id) ?? []);
  const sums = await quoteEach(app, sold, { quantity, ...effectSums(evaluation.effects) }, code);
  return sold.map(({ sku, choices, name, stock }, i) => {
    const price = formatMoney(sums[i]!, currency, localeFor(lane.shop, language));
    const isGone = stock !== null && stock < quantity;
    const said = [
      Object.values(choices).join(', ') || name,
      [price, note].filter(Boolean).join(' '),
      ...(isGone ? [soldOut] : []),
    ];
    return { sku, label: said.join(', '), totalMinor: sums[i]!, isGone };
  });
}

/** What a snippet says of the goods of a link, `forMail` with a picture that mails show; null where they are not sold any more. */
export async function linkFacts(
  app: App,
  goods: Goods,
  { forMail = false, asks = false }: { readonly forMail?: boolean; readonly asks?: boolean } = {},
): Promise<(LinkFacts & { readonly problem: LinkProblem | null }) | null> {
  const found = await findLinked(app, goods);
  if (!found) return null;
  const { lane, currency } = await liveLane(app);
  const language = lane.shop.languages[0]!;
  const { facts, product, totalMinor, withCodeMinor, problem } = found;
  const money = (amount: number) => formatMoney(amount, currency, localeFor(lane.shop, language));
  const picture = (facts.picture ?? product.pictures[0])?.src ?? null;
  const { withCode } = resolveShopWords(lane, language);
  return {
    name: goods.quantity > 1 ? `${goods.quantity} × ${found.name}` : found.name,
    problem,
    shortText: product.shortText,
    price: [
      withCodeMinor === null ? money(totalMinor) : fill(withCode, { price: money(withCodeMinor), code: goods.code }),
      netNote(lane, language),
    ]
      .filter(Boolean)
      .join(' '),
    picture,
    productName: goods.quantity > 1 ? `${goods.quantity} × ${facts.name}` : facts.name,
    variants: asks ? await linkedVariants(app, found, goods, language) : [],
    ...(picture !== null && { pictureRatio: await pictureRatio(app, picture) }),
    ...(picture !== null && forMail && { mailPicture: await mailPicture(app, picture) }),
  };
}
