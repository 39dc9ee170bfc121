/** @jsxImportSource preact */
import { LRUCache } from 'lru-cache';
import { renderToString } from 'preact-render-to-string';
import { CALLED_CART } from '~/core/words';
import type { CardExtras, ProductCard } from '~/core/catalogue';
import { compilePiece, newPiece } from '~/core/lane';
import type { Told } from '~/core/pricing';
import type { DrawnPage, ShopReader } from '../shop-reader';
import { Card } from './card';
import { plainCards, type CardsPiece } from './shared';

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
export const usualCards = compilePiece(
  { id: 'usual', piece: newPiece(plainCards, true), definition: plainCards },
  'en',
  CALLED_CART,
) as CardsPiece;

/** Cards with all that they say. */
export interface LoadedCards {
  readonly cards: readonly ProductCard[];
  readonly extras: ReadonlyMap<number, CardExtras> | null;
  readonly wordOffer: (told: Told) => string | null;
}

/** `piece`: whose parts say what is shown; without one nothing beyond the card is. */
export async function loadCards(
  reader: Pick<ShopReader, 'cardExtras' | 'tellOffers'>,
  cards: readonly ProductCard[],
  piece: CardsPiece | null = null,
): Promise<LoadedCards> {
  const [extras, wordOffer] = await Promise.all([
    piece && reader.cardExtras(cards, piece.parts),
    reader.tellOffers(cards.flatMap(({ told }) => told ?? [])),
  ]);
  return { cards, extras, wordOffer };
}

interface Drawn {
  readonly piece?: CardsPiece;
  /** The level of a card's heading on the page. */
  readonly level: 2 | 3;
  /** How many pictures are wanted at once. */
  readonly eager?: number;
}

type CardsPage = Pick<DrawnPage, 'say' | 'money' | 'link' | 'language' | 'locale' | 'currency' | 'priceNote' | 'lane'>;

/** Cards as HTML. One that was drawn before of the same facts, for the same readers, is not drawn again. */
export function drawCards(
  { cards, extras, wordOffer }: LoadedCards,
  page: CardsPage,
  { piece = usualCards, level, eager = 0 }: Drawn,
): string {
  const readers = `${page.locale} ${page.language} ${page.currency} ${numberOf(page.lane)} ${level} ${numberOf(piece)}`;
  return cards
    .map(({ told = [], ...card }, i) => {
      const isEager = i < eager;
      const own = extras?.get(card.id);
      // A card has room for one line of offers.
      const offer = told.map(wordOffer).find((line) => line !== null) ?? null;
      const key = `${readers} ${isEager} ${JSON.stringify(card)}${offer ?? ''}${own ? JSON.stringify(own) : ''}`;
      let html = drawn.get(key);
      if (html === undefined) {
        html = renderToString(
          <Card card={card} piece={piece} offer={offer} level={level} extras={own} reader={page} eager={isEager} />,
        );
        drawn.set(key, html);
      }
      return html;
    })
    .join('');
}

/** Words of the links between the pages of a list. */
export const pagesWords = ({ say }: Pick<DrawnPage, 'say'>) => ({
  pages: say('pages'),
  previous: say('previous'),
  next: say('next'),
});
