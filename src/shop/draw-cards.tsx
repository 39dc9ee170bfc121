/** @jsxImportSource preact */
import { LRUCache } from 'lru-cache';
import { renderToString } from 'preact-render-to-string';
import { CALLED_CART } from '~/core/words';
import type { CardExtras, ProductCard } from '~/core/catalogue';
import { compilePiece, newPiece } from '~/core/lane';
import { Card } from '~/pieces/_cards/card';
import { plainCards, type CardsPiece } from '~/pieces/_cards/shared';
import { tellerOf } from '~/services/offers/tell-offers';
import type { ShopContext } from './shop-context';

const MOST_DRAWN = 4000;
const drawn = new LRUCache<string, string>({ max: MOST_DRAWN });
/** Pieces of a manifest and lanes are never changed: what they make of a card is told by a number of their own, a draft’s too. */
const numbers = new WeakMap<object, number>();
let last = 0;
function numberOf(what: object): number {
  let number = numbers.get(what);
  if (number === undefined) numbers.set(what, (number = last += 1));
  return number;
}

/** What listings look like that no piece says anything about. */
export const usualListing = compilePiece(
  { id: 'usual', piece: newPiece(plainCards, true), definition: plainCards },
  'en',
  CALLED_CART,
) as CardsPiece;

interface Drawn {
  readonly piece?: CardsPiece;
  readonly extras?: ReadonlyMap<number, CardExtras>;
  /** The level of a card's heading on the page. */
  readonly level: 2 | 3;
  /** How many pictures are wanted at once. */
  readonly eager?: number;
}

/** Cards as HTML. One that was drawn before of the same facts, for the same readers, is not drawn again. */
export async function drawCards(
  cards: readonly ProductCard[],
  shop: ShopContext,
  { piece = usualListing, extras, level, eager = 0 }: Drawn,
): Promise<string> {
  const readers = `${shop.locale} ${shop.language} ${shop.currency.code} ${numberOf(shop.lane)} ${level} ${numberOf(piece)}`;
  const word = await tellerOf(
    shop.app,
    shop,
    shop.language,
    cards.flatMap(({ told }) => told ?? []),
  );
  return cards
    .map(({ told = [], ...card }, i) => {
      const isEager = i < eager;
      const own = extras?.get(card.id);
      // A card has room for one line of offers.
      const offer = told.map(word).find((line) => line !== null) ?? null;
      const key = `${readers} ${isEager} ${JSON.stringify(card)}${offer ?? ''}${own ? JSON.stringify(own) : ''}`;
      let html = drawn.get(key);
      if (html === undefined) {
        html = renderToString(
          <Card card={card} piece={piece} offer={offer} level={level} extras={own} reader={shop} eager={isEager} />,
        );
        drawn.set(key, html);
      }
      return html;
    })
    .join('');
}
