import type { DecidedPair } from '~/core/finder';
import { netNote } from '~/core/lane';
import type { ProductCard } from '~/core/catalogue';
import {
  changesOf,
  relatedTo,
  type BetterCard,
  type Relation,
  type SuggestedCard,
  type SuggestionRule,
} from '~/core/suggest';
import { quoteCards } from '~/services/cart/quote-product';
import type { App } from '~/services/app';
import { liveLane } from '~/services/lane/live-lane';

/**
 * What goes with the products named: what their owner picked, then what is close to them, then what sells best, as far as the rule
 * goes; never one of them, one in the cart, one swapped for its better one, or one sold out.
 */
export async function suggestBy(app: App, rule: SuggestionRule): Promise<SuggestedCard[]> {
  const { near, cartToken, most, picks, fills, weights, never, explains } = rule;
  const [picked, known, cart, decided] = await Promise.all([
    picks ? app.catalogue.listPicked(near) : [],
    app.catalogue.listRelatable(near),
    cartToken ? app.carts.read(cartToken) : null,
    explains ? app.pairs.listDecided() : [],
  ]);
  const facts = await app.catalogue.variantFacts((cart?.lines ?? []).map((line) => line.variantId));
  const swapped = (cart?.lines ?? []).flatMap(({ insteadOf }) => insteadOf ?? []);
  const left = new Set([...near, ...[...facts.values()].map((variant) => variant.slug), ...swapped]);
  const able = [...picked, ...known.map(({ slug }) => slug)];
  if (never) for (const slug of await app.catalogue.taggedAmong(able, never)) left.add(slug);
  const own = picked.filter((slug) => !left.has(slug));
  const given = known.filter((product) => near.includes(product.slug));
  const found = fills.includes('near')
    ? relatedTo(given, known, { excluded: new Set([...left, ...own]), most, ...(weights && { weights }) })
    : [];
  const slugs = [...own, ...found.map((relation) => relation.slug)];
  const asked = slugs.length > 0 ? await quoteCards(app, await app.catalogue.cardsOf(slugs)) : [];
  const cards = slugs
    .flatMap((slug) => asked.find((card) => card.slug === slug && card.inStock) ?? [])
    .slice(0, most)
    .map((card) =>
      explains
        ? { ...card, why: own.includes(card.slug) ? whyPicked(card.slug, near, decided) : whyRelated(card, found) }
        : card,
    );
  if (cards.length >= most || !fills.includes('best')) return cards;
  return [...cards, ...(await bestSelling(app, rule, new Set([...left, ...slugs]), most - cards.length))];
}

async function bestSelling(
  app: App,
  { never, explains }: SuggestionRule,
  left: ReadonlySet<string>,
  most: number,
): Promise<SuggestedCard[]> {
  const query = {
    sort: 'best-selling' as const,
    without: [...left],
    inStockOnly: true,
    ...(never && { withoutTag: never }),
  };
  const cards = await quoteCards(app, await app.catalogue.listFrom(query, 0, most));
  return cards.map((card) =>
    explains ? { ...card, why: 'It sells best of what is left. Nothing fits better.' } : card,
  );
}

/** What goes with the products named, as the parts of a cart and the popups show it. */
export async function suggestNear(
  app: App,
  near: readonly string[],
  {
    cartToken,
    most,
    language,
    explains = false,
  }: {
    readonly cartToken: string | null;
    readonly most: number;
    readonly language: string;
    readonly explains?: boolean;
  },
): Promise<SuggestedCard[]> {
  const cards = await suggestBy(app, {
    near,
    cartToken,
    most,
    explains,
    picks: true,
    fills: ['near'],
    never: '',
  });
  const note = netNote((await liveLane(app)).lane, language);
  return note === null ? cards : cards.map((card) => ({ ...card, priceNote: note }));
}

/** The better one of a product, with what is different about it; null where there is none to be had. */
export async function betterThan(app: App, slug: string): Promise<BetterCard | null> {
  const better = await app.catalogue.betterOf(slug);
  if (better === null) return null;
  const [cards, own, other] = await Promise.all([
    app.catalogue.cardsOf([slug, better]).then((found) => quoteCards(app, found)),
    app.catalogue.findProduct(slug),
    app.catalogue.findProduct(better),
  ]);
  const [from, card] = [slug, better].map((one) => cards.find((candidate) => candidate.slug === one));
  if (!from || !card?.inStock || !own || !other) return null;
  return { card, changes: changesOf(own, other), moreMinor: card.fromMinor - from.fromMinor };
}

function whyPicked(slug: string, near: readonly string[], decided: readonly DecidedPair[]): string {
  const pair = decided.find(
    ({ a, b, state }) => state === 'accepted' && ((a === slug && near.includes(b)) || (b === slug && near.includes(a))),
  );
  if (!pair) return 'You picked it on the product.';
  const { both, baskets, lift } = pair;
  return `Bought together in ${both} of ${baskets} orders, ${lift.toFixed(1)} times as often as by chance; you took it over.`;
}

function whyRelated({ slug }: ProductCard, found: readonly Relation[]): string {
  const relation = found.find((one) => one.slug === slug)!;
  const shared = [
    relation.sharedTags.length > 0 && `the tags ${relation.sharedTags.join(', ')}`,
    relation.sharedCategories.length > 0 && `the categories ${relation.sharedCategories.join(', ')}`,
    relation.sharedAttributes.length > 0 && `${relation.sharedAttributes.join(', ')}`,
  ].filter(Boolean);
  return `Related: it shares ${shared.join(' and ')}. Nothing was picked that fits better.`;
}
