import { problemSentences } from '~/core/problems';
import { CALLED_CART, cartRename, type CartNaming } from '~/core/words';
import type { PieceDefinition } from '../settings/definition';
import type { Lane } from '../document/lane.schema';
import { resolveWords } from '../document/resolve';
import { resolveShopWords } from '~/core/words/shop-words';

/** A text of the shop before and after its cart got another name. */
export interface RenamedSentence {
  readonly from: string;
  readonly to: string;
}

/** Every text shoppers can meet in a language that another name of the cart would change, each once. */
export function renamedSentences(
  lane: Lane,
  definitions: readonly PieceDefinition[],
  language: string,
  naming: CartNaming,
): RenamedSentence[] {
  const rename = cartRename(naming, language);
  const texts = [
    ...Object.values(resolveShopWords({ ...lane, shop: { cart: CALLED_CART } }, language)),
    ...Object.values(lane.pieces).flatMap((piece) => {
      const definition = definitions.find(({ kind }) => kind === piece.kind);
      return definition ? Object.values(resolveWords(definition, piece, language, CALLED_CART)) : [];
    }),
    ...problemSentences(language),
  ];
  return [...new Set(texts)].map((from) => ({ from, to: rename(from) })).filter(({ from, to }) => from !== to);
}
