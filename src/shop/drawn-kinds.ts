import { h } from 'preact';
import { renderToString } from 'preact-render-to-string';
import type { ManifestPiece } from '~/core/lane';
import { linkAddress } from '~/core/links';
import type { BuyLinkPiece } from '~/pieces/buy-link/definition';
import { BuyLink } from '~/pieces/buy-link/link';
import type { CardsPiece } from '~/pieces/_cards/shared';
import { Goods } from '~/pieces/_cards/goods';
import type { OrderFormPiece } from '~/pieces/order-form/definition';
import { shapeOfRows } from '~/pieces/order-form/columns';
import { OrderForm } from '~/pieces/order-form/form';
import type { TextPiece } from '~/pieces/text/definition';
import { linkFacts } from '~/services/links/linked-goods';
import { cardExtras, listSelection, orderRows } from '~/services/catalogue/list-selection';
import { drawCards } from './draw-cards';
import { listingPlace } from './listing-address';
import { drawBetterOne, drawGoesWith, drawRelated } from './draw-suggestions';
import { drawThanks } from './draw-thanks';
import { drawText } from './rich-text';
import type { About } from './spot-pieces';
import type { ShopContext } from './shop-context';

/** Draws a piece in a place of a page, below its heading; nothing to show is an empty text. */
type Draw = (piece: ManifestPiece, shop: ShopContext, url: URL, about: About) => Promise<string>;

/** Every kind of piece that the server draws into places of pages: one line each. */
export const drawnKinds: Readonly<Record<string, Draw>> = {
  listing: async (drawn, shop, url) => {
    const piece = drawn as CardsPiece;
    const place = listingPlace(url, piece.id);
    const { shows, pageSize, more } = piece.settings;
    const size = more === 'none' ? shows.most : pageSize;
    const found = await listSelection(shop.app, shows, { ...place, pageSize: size });
    const extras = await cardExtras(shop.app, found.cards, piece.parts);
    const { say } = shop;
    const paging = {
      page: found.page,
      pages: more === 'none' ? 1 : found.pages,
      href: place.href,
      words: { pages: say('pages'), previous: say('previous'), next: say('next') },
    };
    const html = await drawCards(found.cards, shop, { piece, extras, level: 3 });
    return renderToString(h(Goods, { piece, html, isEmpty: found.cards.length === 0, paging }));
  },
  'buy-link': async (drawn, shop, url) => {
    const piece = drawn as BuyLinkPiece;
    const asks = piece.parts.some(({ key }) => key === 'variants');
    const facts = await linkFacts(shop.app, piece.settings.goods, { asks });
    const { goods, leads } = piece.settings;
    const address = linkAddress(url.origin, { ...goods, leads, link: piece.id });
    return facts ? renderToString(h(BuyLink, { piece, facts: { ...facts, address } })) : '';
  },
  'goes-with': drawGoesWith,
  related: drawRelated,
  'better-one': drawBetterOne,
  'thanks-page': drawThanks,
  text: async (drawn, shop) => {
    const piece = drawn as TextPiece;
    const { width, align, framed } = piece.settings;
    const html = await drawText(piece.words.body, shop);
    return renderToString(
      h('div', {
        class: 'rich',
        'data-slot': 'body',
        'data-word': 'body',
        'data-width': width,
        'data-align': align,
        'data-framed': framed,
        dangerouslySetInnerHTML: { __html: html },
      }),
    );
  },
  'order-form': async (drawn, shop, url, { product = null }) => {
    const piece = drawn as OrderFormPiece;
    const rows = await orderRows(shop.app, piece.settings.shows, shapeOfRows(piece), product);
    const { money, link, language } = shop;
    const { say } = shop;
    const pagesWords = { pages: say('pages'), previous: say('previous'), next: say('next') };
    const place = listingPlace(url, piece.id);
    return renderToString(h(OrderForm, { piece, rows, place, pagesWords, money, link, language, path: url.pathname }));
  },
};
