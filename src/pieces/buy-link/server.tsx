/** @jsxImportSource preact */
import { renderToString } from 'preact-render-to-string';
import { linkAddress } from '~/core/links';
import { drawnByServer } from '../shop-reader';
import type { BuyLinkPiece } from './definition';
import { BuyLink } from './link';

export default drawnByServer({
  load: (reader, { settings, parts }: BuyLinkPiece) =>
    reader.linkFacts(
      settings.goods,
      parts.some(({ key }) => key === 'variants'),
    ),
  draw(facts, piece, { url }) {
    const { goods, leads } = piece.settings;
    const address = linkAddress(url.origin, { ...goods, leads, link: piece.id });
    return renderToString(<BuyLink piece={piece} facts={{ ...facts, address }} />);
  },
});
