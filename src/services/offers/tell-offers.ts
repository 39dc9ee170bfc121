import { localeFor } from '~/core/lane';
import { sayIn } from '~/core/words';
import { formatMoney } from '~/core/money';
import { countryName } from '~/core/delivery';
import { wordTold, type Told, type ToldReader } from '~/core/pricing';
import type { App } from '~/services/app';
import type { LiveLane } from '~/services/lane/live-lane';
import { listCategories } from '~/services/list-categories';

type Selection = Parameters<ToldReader['nameOf']>[0];
type Named = NonNullable<NonNullable<Selection>['only']>;

/** With more names an offer is not told beside a price: the line would be too long. */
const MOST_NAMES = 2;

function selectionsOf({ effect, when }: Told): readonly Selection[] {
  if ('items' in effect) return [...effect.items.map(({ selection }) => selection), when.counts];
  return 'what' in effect ? [effect.what, when.counts] : [when.counts];
}

/** Words offers for shoppers in their language; what they name is looked up once for all of them. */
export async function tellerOf(
  app: App,
  { lane, currency }: Pick<LiveLane, 'lane' | 'currency'>,
  language: string,
  told: readonly Told[],
): Promise<(told: Told) => string | null> {
  if (told.length === 0) return () => null;
  const named = told.flatMap((one) => selectionsOf(one).flatMap((selection) => selection?.only ?? []));
  const skus = [
    ...named.flatMap(({ variants }) => variants ?? []),
    ...told.flatMap(({ effect }) => (effect.code === 'gift' ? [effect.variant] : [])),
  ];
  const [categories, products, variants] = await Promise.all([
    listCategories(app),
    app.catalogue.namesOf(named.flatMap(({ products: slugs }) => slugs ?? [])),
    app.catalogue.factsOfSkus([...new Set(skus)]),
  ]);
  const locale = localeFor(lane.shop, language);
  const variantName = (sku: string) => variants.get(sku)?.name ?? null;
  const nameAll = ({ products: slugs, variants: own, categories: held, tags }: Named) => [
    ...(held ?? []).flatMap((slug) => categories.find((category) => category.slug === slug)?.name ?? []),
    ...(slugs ?? []).flatMap((slug) => products[slug] ?? []),
    ...(own ?? []).flatMap((sku) => variantName(sku) ?? []),
    ...(tags ?? []),
  ];
  const reader: ToldReader = {
    say: sayIn(lane, language),
    money: (amount) => formatMoney(amount, currency, locale),
    locale,
    countryName: (code) => countryName(code, language),
    nameOf(selection) {
      const names = [...new Set(selection?.only ? nameAll(selection.only) : [])];
      if (names.length === 0 || names.length > MOST_NAMES) return null;
      return new Intl.ListFormat(locale, { type: 'disjunction' }).format(names);
    },
    variantName,
  };
  return (one) => wordTold(one, reader);
}
