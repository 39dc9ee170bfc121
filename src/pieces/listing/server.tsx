/** @jsxImportSource preact */
import { renderToString } from 'preact-render-to-string';
import { Goods } from '../_cards/goods';
import { drawCards, loadCards, pagesWords } from '../_cards/draw-cards';
import type { CardsPiece } from '../_cards/shared';
import { drawnByServer } from '../shop-reader';

export default drawnByServer({
  async load(reader, piece: CardsPiece, { placeOf }) {
    const { shows, pageSize, more } = piece.settings;
    const size = more === 'none' ? shows.most : pageSize;
    const { page, fromFirst } = placeOf(piece.id);
    const found = await reader.listSelection(shows, { page, fromFirst, pageSize: size });
    const loaded = await loadCards(reader, found.cards, piece);
    return { loaded, page: found.page, pages: more === 'none' ? 1 : found.pages };
  },
  draw({ loaded, page, pages }, piece, drawn) {
    const paging = { page, pages, href: drawn.placeOf(piece.id).href, words: pagesWords(drawn) };
    const html = drawCards(loaded, drawn, { piece, level: 3 });
    return renderToString(<Goods piece={piece} html={html} isEmpty={loaded.cards.length === 0} paging={paging} />);
  },
});
