import type { DrawnPage, PageAbout, ShopReader } from '~/pieces/shop-reader';
import type { ThanksPiece } from '~/pieces/_thanks/shared';
import { cardExtras, listSelection, orderRows } from '~/services/catalogue/list-selection';
import { betterThan, suggestBy } from '~/services/catalogue/suggest';
import { linkFacts } from '~/services/links/linked-goods';
import { tellerOf } from '~/services/offers/tell-offers';
import { listingPlace } from './listing-address';
import { drawText } from './rich-text';
import type { ShopContext } from './shop-context';
import { thanksFacts } from './thanks-facts';

/** What pieces may ask this shop for. */
export function readerOf(shop: ShopContext): ShopReader {
  const { app } = shop;
  return {
    listSelection: (selection, wanted) => listSelection(app, selection, wanted),
    cardExtras: (cards, parts) => cardExtras(app, cards, parts),
    tellOffers: (told) => tellerOf(app, shop, shop.language, told),
    orderRows: (selection, shape, product) => orderRows(app, selection, shape, product),
    suggest: (rule) => suggestBy(app, rule),
    betterThan: (slug) => betterThan(app, slug),
    linkFacts: (goods, asksVariant) => linkFacts(app, goods, { asks: asksVariant }),
    textHtml: (text) => drawText(text, shop),
    thanksFacts: (piece, order) => thanksFacts(piece as ThanksPiece, shop, order),
  };
}

const NOTHING: PageAbout = { near: [], cartToken: null, explains: false };

/** A page of this shop, as pieces are drawn into it. */
export function drawnPage(shop: ShopContext, url: URL, about: PageAbout = NOTHING): DrawnPage {
  const { say, money, link, language, locale, priceNote, lane } = shop;
  return {
    url,
    about,
    placeOf: (pieceId) => listingPlace(url, pieceId),
    say,
    money,
    link,
    language,
    locale,
    currency: shop.currency.code,
    priceNote,
    lane,
  };
}
