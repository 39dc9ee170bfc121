/** @jsxImportSource preact */
import { renderToString } from 'preact-render-to-string';
import { fill } from '~/core/words/fill';
import { drawCards, loadCards } from '../_cards/draw-cards';
import { asCards } from '../_suggestions/draw';
import { drawnByServer } from '../shop-reader';
import type { BetterOnePiece } from './definition';

export default drawnByServer({
  async load(reader, _piece: BetterOnePiece, { about }) {
    const [slug] = about.near;
    const better = slug === undefined ? null : await reader.betterThan(slug);
    return better && { ...better, loaded: await loadCards(reader, [better.card]) };
  },
  draw({ loaded, changes, moreMinor }, piece, page) {
    const shows = (part: 'changes' | 'more') => piece.parts.some(({ key }) => key === part);
    const word = moreMinor > 0 ? 'more' : moreMinor < 0 ? 'less' : 'same';
    const html = drawCards(loaded, page, { piece: asCards(piece), level: 3 });
    return renderToString(
      <div class="better-one">
        <div class="goods" data-as="list" dangerouslySetInnerHTML={{ __html: html }} />
        {shows('more') && (
          <p data-part="more" data-word={word}>
            {fill(piece.words[word], { amount: page.money(Math.abs(moreMinor)) }, page.language)}
          </p>
        )}
        {shows('changes') && changes.length > 0 && (
          <ul data-part="changes">
            {changes.map((change) => (
              <li key={change}>{change}</li>
            ))}
          </ul>
        )}
      </div>,
    );
  },
});
