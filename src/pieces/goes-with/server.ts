import { drawSuggestions, loadSuggestions } from '../_suggestions/draw';
import { drawnByServer } from '../shop-reader';
import type { GoesWithPiece } from './definition';

const FILLS = { nothing: [], near: ['near'], best: ['best'] } as const;

export default drawnByServer({
  async load(reader, piece: GoesWithPiece, { about }) {
    const { instead, most, never } = piece.settings;
    const { near, cartToken, explains } = about;
    const rule = { near, cartToken, explains, most, never, picks: true, fills: FILLS[instead] };
    return loadSuggestions(reader, await reader.suggest(rule));
  },
  draw: drawSuggestions,
});
