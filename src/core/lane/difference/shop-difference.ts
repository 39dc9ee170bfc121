import { countryName } from '~/core/delivery/countries';
import { zonesInOrder } from '~/core/delivery/delivery';
import type { Delivery } from '~/core/delivery/delivery.schema';
import { currencyOf, formatMoney } from '~/core/money';
import { FONTS } from '../settings/fonts';
import { LEGAL_PAGES, THEME_COLOURS, type Lane } from '../document/lane.schema';
import type { Naming } from '../settings/shop-names';
import { THEME_LABELS } from '../document/theme';

interface Fact {
  readonly at: readonly string[];
  readonly what: string;
  readonly text: string;
}

/** What an owner knows of the shop as a whole, each in words. */
function factsOf({ shop, theme, legal, pages, margins }: Lane, { nameOf, say }: Naming): Fact[] {
  const share = (basisPoints: number | null) => (basisPoints === null ? 'none' : `${basisPoints / 100} %`);
  const name = (of: 'language' | 'region' | 'currency', code: string) =>
    new Intl.DisplayNames(['en'], { type: of }).of(code) ?? code;
  const picture = (src: string) => (src ? 'a picture of your own' : 'none');
  return [
    { at: ['shop', 'name'], what: 'Name', text: shop.name },
    { at: ['shop', 'email'], what: 'E-mail address', text: shop.email || 'none' },
    // The address of a picture tells two of them apart.
    { at: ['shop', 'logo'], what: 'Logo', text: shop.logo && `${picture(shop.logo)} (${shop.logo.slice(-12)})` },
    {
      at: ['shop', 'hero'],
      what: 'Front page picture',
      text: shop.hero && `${picture(shop.hero)} (${shop.hero.slice(-12)})`,
    },
    { at: ['shop', 'currency'], what: 'Currency', text: `${name('currency', shop.currency)} (${shop.currency})` },
    { at: ['shop', 'locale'], what: 'Sums and days are written as in', text: shop.locale },
    { at: ['shop', 'timeZone'], what: 'Time zone', text: shop.timeZone },
    { at: ['shop', 'sites'], what: 'Sites that show pieces', text: shop.sites.join(', ') || 'none' },
    { at: ['shop', 'severalCodes'], what: 'Codes in a cart', text: shop.severalCodes ? 'several' : 'one at a time' },
    { at: ['shop', 'cart'], what: 'The cart is called', text: cartName(shop.cart) },
    {
      at: ['shop', 'languages'],
      what: 'Languages',
      text: shop.languages.map((code) => name('language', code)).join(', '),
    },
    {
      at: ['shop', 'tax'],
      what: 'Tax',
      text: [
        `${shop.tax.basisPoints / 100} %, ${shop.tax.included ? 'in the prices' : 'on top'}`,
        ...Object.values(shop.tax.rates).map((rate) => `${rate.name} ${rate.basisPoints / 100} %`),
      ].join('; '),
    },
    { at: ['margins', 'shop'], what: 'Floor for margins', text: share(margins.shop) },
    ...(['categories', 'products'] as const).flatMap((of) =>
      Object.entries(margins[of]).map(([slug, floor]) => ({
        at: ['margins', of, slug],
        what: `Floor for margins of ${nameOf(of === 'products' ? 'product' : 'category', slug)}`,
        text: share(floor),
      })),
    ),
    ...deliveryFacts(shop.delivery, (amount) => formatMoney(amount, currencyOf(shop.currency), shop.locale)),
    ...THEME_COLOURS.map((key) => ({ at: ['theme', key], what: THEME_LABELS[key], text: theme[key] })),
    { at: ['theme', 'radiusPx'], what: 'Corners', text: `${theme.radiusPx} px` },
    { at: ['theme', 'font'], what: 'Font', text: FONTS[theme.font].label },
    ...Object.entries(pages).flatMap(([slug, page]) => [
      {
        at: ['pages', slug, 'on'],
        what: `Page /${slug}`,
        text: `${page.on ? 'shown' : 'not shown'}, ${page.inFooter ? 'linked at the foot' : 'not linked'}`,
      },
      ...(['title', 'text'] as const).flatMap((key) =>
        Object.entries(page[key]).map(([language, text]) => ({
          at: ['pages', slug, key, language],
          what: `Page /${slug}, ${key} (${language})`,
          text: say(text),
        })),
      ),
    ]),
    ...Object.entries(legal).flatMap(([language, texts]) =>
      LEGAL_PAGES.map((page) => ({
        at: ['legal', language, page],
        what: `${LEGAL_NAMES[page]} (${language})`,
        text: texts[page] ?? '',
      })),
    ),
  ];
}

export const LEGAL_NAMES = {
  imprint: 'About us',
  terms: 'Terms of sale',
  privacy: 'Privacy',
  returns: 'Returns',
} as const;

function cartName({ kind, own }: Lane['shop']['cart']): string {
  if (kind !== 'own') return kind;
  return Object.entries(own)
    .map(([language, { word }]) => `${word} (${language})`)
    .join(', ');
}

function deliveryFacts(delivery: Delivery, money: (amountMinor: number) => string): Fact[] {
  const by = { carrier: 'the carrier', weight: 'your table, by weight', value: 'your table, by value' }[delivery.by];
  const upTo = (limit: number | null) =>
    limit === null ? 'beyond' : `up to ${delivery.by === 'value' ? money(limit) : `${limit / 1000} kg`}`;
  return [
    { at: ['shop', 'delivery', 'home'], what: 'The shop is in', text: countryName(delivery.home, 'en') },
    { at: ['shop', 'delivery', 'by'], what: 'Delivery costs come from', text: by },
    ...zonesInOrder(delivery).map((zone) => ({
      at: ['shop', 'delivery', 'zones', zone.key],
      what: `Delivery zone ${zone.name}`,
      text: [
        zone.countries.map((code) => countryName(code, 'en')).join(', ') || 'no country',
        `${zone.days} working days`,
        ...zone.steps.map((step) => `${upTo(step.upTo)} ${money(step.amountMinor)}`),
        ...(zone.express ? [`express ${zone.express.days}, ${money(zone.express.extraMinor)} more`] : []),
      ].join('; '),
    })),
  ];
}

/** What of the shop as a whole differs, in words; `none` where one side has nothing. */
export function shopDifference(
  from: Lane,
  to: Lane,
  naming: Naming,
): { at: readonly string[]; what: string; from: string; to: string }[] {
  const key = (fact: Fact) => JSON.stringify(fact.at);
  const [before, after] = [from, to].map((lane) => new Map(factsOf(lane, naming).map((fact) => [key(fact), fact])));
  return [...new Set([...before!.keys(), ...after!.keys()])]
    .map((place) => {
      const [old, now] = [before!.get(place), after!.get(place)];
      const { at, what } = (now ?? old)!;
      return { at, what, from: old?.text || 'none', to: now?.text || 'none' };
    })
    .filter((change) => change.from !== change.to);
}
