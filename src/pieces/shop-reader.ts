import type { CardExtras, CardsOfPage, OrderRow, ProductCard, RowsShape, WantedPage } from '~/core/catalogue';
import type { Goods, ManifestPiece, Selection } from '~/core/lane';
import type { LinkFacts } from '~/core/links';
import type { Order } from '~/core/orders';
import type { Told } from '~/core/pricing';
import type { BetterCard, SuggestedCard, SuggestionRule } from '~/core/suggest';
import type { SayShop } from '~/core/words';
import type { ThanksShown } from './_thanks/shown';

/** An order on the page that thanks for it. */
export interface ThankedOrder {
  readonly order: Order;
  /** What a press just did, or why not. */
  readonly said: string | null;
  /** An order of somebody's, shown to the owner with nothing of them. */
  readonly isExample: boolean;
  /** Without `buyer` nothing can be charged, taken or answered. */
  readonly access: 'buyer' | 'details';
  /** Whether its buyer looks at it, rather than whoever works in the shop. */
  readonly isBuyer: boolean;
}

/** What the page is about that a piece stands on. */
export interface PageAbout {
  /** Slugs of what is looked at, in the cart or ordered. */
  readonly near: readonly string[];
  readonly cartToken: string | null;
  /** The product of a product page. */
  readonly product?: string | null;
  /** Whether whoever looks is told why something is suggested: the shop’s own people. */
  readonly explains: boolean;
  /** The order that is thanked for; only on its page. */
  readonly order?: ThankedOrder;
}

/** What a piece may ask the shop for while it is loaded. The shop answers it by its services; a piece imports none. */
export interface ShopReader {
  /** A page of a selection's products. */
  listSelection(selection: Selection, wanted: WantedPage): Promise<CardsOfPage>;
  /** What cards say beyond what every card does, where one of the parts asks for it. */
  cardExtras(
    cards: readonly ProductCard[],
    parts: readonly { readonly key: string }[],
  ): Promise<ReadonlyMap<number, CardExtras>>;
  /** Words what offers are told beside a price; null where there is no line for one. */
  tellOffers(told: readonly Told[]): Promise<(told: Told) => string | null>;
  orderRows(selection: Selection, shape: RowsShape, product: string | null): Promise<OrderRow[]>;
  suggest(rule: SuggestionRule): Promise<SuggestedCard[]>;
  betterThan(slug: string): Promise<BetterCard | null>;
  /** What a snippet says of the goods of a link; null where they are not sold any more. */
  linkFacts(goods: Goods, asksVariant: boolean): Promise<LinkFacts | null>;
  /** A text of the owner's as HTML, its facts filled in. */
  textHtml(text: string): Promise<string>;
  /** What is said of an order; which of the blocks that ask for something its buyer was shown is noted. */
  thanksFacts(piece: ManifestPiece, order: ThankedOrder): Promise<ThanksShown>;
}

/** Where a listing stands, as the address of its page says it. */
export interface ListingPlace {
  readonly page: number;
  /** With all pages before it. */
  readonly fromFirst: boolean;
  readonly href: (page: number, fromFirst: boolean) => string;
}

/** The page a piece is drawn into, and how it speaks. */
export interface DrawnPage {
  readonly url: URL;
  readonly about: PageAbout;
  /** Where the piece's own list stands. */
  readonly placeOf: (pieceId: string) => ListingPlace;
  readonly say: SayShop;
  readonly money: (amountMinor: number) => string;
  readonly link: (path: string) => string;
  readonly language: string;
  /** BCP 47. */
  readonly locale: string;
  /** ISO 4217. */
  readonly currency: string;
  readonly priceNote: string | null;
  /** The lane that is drawn by; told apart from others by being another object. */
  readonly lane: object;
}

interface PieceServer<Piece extends ManifestPiece, Shown> {
  /** What it shows; null: there is nothing to show, and the piece is left out. */
  load(reader: ShopReader, piece: Piece, page: DrawnPage): Promise<Shown | null>;
  /** As HTML. Asks for nothing, and writes nothing. */
  draw(shown: Shown, piece: Piece, page: DrawnPage): string;
}

/** Draws a piece as HTML, below its heading; empty where there is nothing to show. */
export type DrawOnServer = (piece: ManifestPiece, reader: ShopReader, page: DrawnPage) => Promise<string>;

/** A kind that stands in spots of pages, as the server draws it. */
export function drawnByServer<Piece extends ManifestPiece, Shown>(server: PieceServer<Piece, Shown>): DrawOnServer {
  return async (piece, reader, page) => {
    // The list of kinds hands each its own pieces.
    const own = piece as Piece;
    const shown = await server.load(reader, own, page);
    return shown === null ? '' : server.draw(shown, own, page);
  };
}
