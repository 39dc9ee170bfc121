/** @jsxImportSource preact */
import { renderToString } from 'preact-render-to-string';
import { drawnByServer } from '../shop-reader';
import type { ThanksPiece } from '../_thanks/shared';
import { ThanksPage } from './page';

/** The page that thanks for an order; nothing where there is none. */
export default drawnByServer({
  load: async (reader, piece: ThanksPiece, { about }) => (about.order ? reader.thanksFacts(piece, about.order) : null),
  draw(facts, piece, { url, about, say, language }) {
    const isShaped = url.searchParams.get('shape') === piece.id && about.order?.isExample === true;
    return renderToString(<ThanksPage piece={piece} facts={facts} say={say} language={language} isShaped={isShaped} />);
  },
});
