import type { Shop } from '../document/lane.schema';

/**
 * The locale sums and days are written in for a language: the shop's own for its first language, else that language in the
 * shop's region, with the digits its currency is written in everywhere in this shop.
 */
export function localeFor(shop: Pick<Shop, 'locale' | 'languages'>, language: string): string {
  const own = new Intl.Locale(shop.locale);
  if (language === own.language) return shop.locale;
  return new Intl.Locale(language, { ...(own.region && { region: own.region }), numberingSystem: 'latn' }).toString();
}
