import { drawSuggestions, loadSuggestions } from '../_suggestions/draw';
import { drawnByServer } from '../shop-reader';
import type { RelatedPiece } from './definition';

const WEIGHTS = {
  tags: { tag: 4, category: 1, attribute: 1 },
  categories: { tag: 1, category: 4, attribute: 1 },
  attributes: { tag: 1, category: 1, attribute: 4 },
} as const;

export default drawnByServer({
  async load(reader, piece: RelatedPiece, { about }) {
    const { by, instead, most, never } = piece.settings;
    const { near, cartToken, explains } = about;
    const fills = instead === 'best' ? (['near', 'best'] as const) : (['near'] as const);
    const rule = { near, cartToken, explains, most, never, picks: false, fills, weights: WEIGHTS[by] };
    return loadSuggestions(reader, await reader.suggest(rule));
  },
  draw: drawSuggestions,
});
