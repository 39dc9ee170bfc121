import { localeFor, netNote, type Lane } from '~/core/lane';
import { sayIn, type SayShop } from '~/core/words';
import { formatMoney, type Currency } from '~/core/money';
import { directionOf } from '~/core/words';
import { longDate } from '~/core/time';
import type { App } from '~/services/app';
import { liveLane, type LiveLane } from '~/services/lane/live-lane';

/** What every page of the shop is drawn with: whose shop it is, and how it speaks to this shopper. */
export interface ShopContext {
  readonly app: App;
  readonly lane: Lane;
  readonly revision: number;
  readonly currency: Currency;
  readonly language: string;
  readonly direction: 'ltr' | 'rtl';
  /** BCP 47, of sums and days. */
  readonly locale: string;
  readonly money: (amountMinor: number) => string;
  readonly say: SayShop;
  /** Said beside every price, where the tax is not in it yet. */
  readonly priceNote: string | null;
  /** A day as people write it. */
  readonly date: (atMs: number) => string;
  /** An address of the shop in the shopper's language. */
  readonly link: (path: string) => string;
}

/** The shop as a request sees it. An order speaks the language it was made in, whatever its reader speaks now. */
export async function shopContext(
  locals: { readonly app: App; readonly language: string; readonly draft?: LiveLane | null },
  language = locals.language,
): Promise<ShopContext> {
  const { app } = locals;
  const { lane, currency, revision } = locals.draft ?? (await liveLane(app));
  const locale = localeFor(lane.shop, language);
  return {
    app,
    lane,
    revision,
    currency,
    language,
    direction: directionOf(language),
    locale,
    money: (amount) => formatMoney(amount, currency, locale),
    say: sayIn(lane, language),
    priceNote: netNote(lane, language),
    date: (atMs) => longDate(atMs, locale, lane.shop.timeZone),
    link: (path) => inLanguage(path, language, lane),
  };
}

/** The shop's first language goes without saying; any other stands in the address, so that a shared link keeps it. */
export function inLanguage(path: string, language: string, lane: Lane): string {
  if (language === lane.shop.languages[0]) return path;
  const [bare, hash = ''] = path.split('#');
  const mark = bare!.includes('?') ? '&' : '?';
  return `${bare}${mark}lang=${language}${hash && `#${hash}`}`;
}
