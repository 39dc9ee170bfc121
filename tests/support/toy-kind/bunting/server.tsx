/** @jsxImportSource preact */
import { renderToString } from 'preact-render-to-string';
import { drawnByServer } from '~/pieces/shop-reader';
import type { BuntingPiece } from './definition';
import { Bunting } from './drawing';

export default drawnByServer({
  load: (_reader, { settings }: BuntingPiece) => Promise.resolve(settings.flags),
  draw: (_flags, piece) => renderToString(<Bunting piece={piece} />),
});
