/** @jsxImportSource preact */
import { renderToString } from 'preact-render-to-string';
import { pagesWords } from '../_cards/draw-cards';
import type { OrderRow, RowsShape } from '~/core/catalogue';
import type { ManifestPiece } from '~/core/lane';
import { drawnByServer, type DrawnPage } from '../shop-reader';
import { shapeOfRows } from './columns';
import type { OrderFormPiece } from './definition';
import { OrderForm } from './form';

function draw(
  rows: readonly OrderRow[],
  piece: OrderFormPiece,
  page: DrawnPage,
  { path, isNothingSaid }: { readonly path: string; readonly isNothingSaid?: boolean },
): string {
  return renderToString(
    <OrderForm
      piece={piece}
      rows={rows}
      place={page.placeOf(piece.id)}
      pagesWords={pagesWords(page)}
      money={page.money}
      link={page.link}
      language={page.language}
      path={path}
      isNothingSaid={isNothingSaid}
    />,
  );
}

export default drawnByServer({
  load: (reader, piece: OrderFormPiece, { about }) =>
    reader.orderRows(piece.settings.shows, shapeOfRows(piece), about.product ?? null),
  draw: (rows, piece, page) => draw(rows, piece, page, { path: page.url.pathname }),
});

/** The same in place of a listing's own products: of all that its page shows, in the piece's order. */
export const table = {
  orderOf: (piece: ManifestPiece) => (piece as OrderFormPiece).settings.shows.order,
  async draw(
    piece: ManifestPiece,
    rowsOf: (shape: RowsShape) => Promise<readonly OrderRow[]>,
    page: DrawnPage,
  ): Promise<string> {
    const own = piece as OrderFormPiece;
    const rows = await rowsOf(shapeOfRows(own));
    return draw(rows, own, page, { path: page.url.pathname + page.url.search, isNothingSaid: true });
  },
};
