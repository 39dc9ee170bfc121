import { namedIn } from '~/core/facts';
import { own } from '~/core/own';
import { NO_GIFT, offerFacts } from '~/core/pricing';
import { readPageName } from '~/core/where';
import type { PieceDefinition } from '../settings/definition';
import type { Lane } from '../document/lane.schema';
import type { SettingSpec } from '../settings/setting';
import type { Goods } from '../settings/types/goods';
import type { Selection } from '../settings/types/selection';
import type { Mentions, NamedThing } from '../settings/shop-names';

/** Everything of the catalogue that a lane names: in Where, settings, texts, offers and floors. */
export function mentionedIn(lane: Lane, definitions: readonly PieceDefinition[]): Mentions {
  const found = { product: new Set<string>(), category: new Set<string>(), variant: new Set<string>() };
  const add = (what: NamedThing, keys: readonly string[]) => {
    for (const key of keys) if (key !== '') found[what].add(key);
  };
  const text = (written: string) => add('product', namedIn(written).products);
  for (const piece of Object.values(lane.pieces)) {
    const { categories, products } = piece.where;
    if (products.mode !== 'all') add('product', products.slugs);
    if (categories.mode !== 'all')
      for (const about of categories.slugs.map(readPageName))
        if (about.kind === 'category') add('category', [about.name]);
    for (const words of Object.values(piece.words))
      for (const written of Object.values(words)) if (written) text(written);
    const settings = definitions.find(({ kind }) => kind === piece.kind)?.settings ?? {};
    for (const [key, spec] of Object.entries(settings)) addSetting(spec, piece.settings[key], add);
  }
  for (const page of Object.values(lane.pages)) for (const written of Object.values(page.text)) text(written);
  for (const offer of Object.values(lane.offers)) {
    addSelections(offer, add);
    const gift = offerFacts(offer).gives?.(offer);
    if (gift && gift.variant !== NO_GIFT) add('variant', [gift.variant]);
  }
  add('category', Object.keys(lane.margins.categories));
  add('product', Object.keys(lane.margins.products));
  return { product: [...found.product], category: [...found.category], variant: [...found.variant] };
}

type Add = (what: NamedThing, keys: readonly string[]) => void;

function addSetting(spec: SettingSpec, value: unknown, add: Add): void {
  if (value === undefined) return;
  if (spec.type === 'goods') add('variant', [(value as Goods).sku]);
  if (spec.type !== 'selection') return;
  const { category, picked, without } = value as Selection;
  add('category', [category]);
  add('product', [...picked.slugs, ...without.slugs]);
}

const LISTS_OF: Readonly<Record<string, NamedThing>> = {
  products: 'product',
  categories: 'category',
  variants: 'variant',
};

/** The selections anywhere in an offer. */
function addSelections(value: unknown, add: Add): void {
  if (typeof value !== 'object' || value === null) return;
  for (const [key, inner] of Object.entries(value)) {
    const what = own(LISTS_OF, key);
    if (what && Array.isArray(inner)) add(what, inner.map(String));
    else addSelections(inner, add);
  }
}
