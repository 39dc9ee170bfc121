import { NOTHING_CHOSEN, readChosen, type Chosen } from '~/core/catalogue';
import type { CardsPiece } from '~/pieces/_cards/shared';
import type { ManifestPiece } from '~/core/lane';
import { table } from '~/pieces/servers';
import type { ListingShape, Sort } from '~/services/catalogue/browse-shop';
import { usualCards } from '~/pieces/_cards/draw-cards';
import { listingPlace } from '~/shop/listing-address';
import { piecesAt, type SpotVisit } from '~/shop/spot-pieces';

/** How the products of a listing page are shown: by the piece that stands there, or as usual. */
export interface MainListing {
  /** null: no piece says anything about it. */
  readonly id: string | null;
  readonly piece: CardsPiece;
  /** What is ordered from instead, where a table stands in place of the products. */
  readonly table: ManifestPiece | null;
  readonly shape: ListingShape & { readonly chosen: Chosen };
}

const USUAL: MainListing = {
  id: null,
  piece: { ...usualCards, settings: { ...usualCards.settings, more: 'pages' } },
  table: null,
  shape: { chosen: NOTHING_CHOSEN },
};

export async function mainListing(
  locals: Parameters<typeof piecesAt>[0],
  visit: SpotVisit,
  url: URL,
): Promise<MainListing> {
  const [found] = await piecesAt(locals, 'listing.main', visit, url);
  const chosen = readChosen(url.searchParams);
  if (!found) return { ...USUAL, shape: { chosen } };
  if (found.role === 'table') {
    const piece = { ...USUAL.piece, settings: { ...USUAL.piece.settings, filters: 'all' as const } };
    return {
      id: found.id,
      piece,
      table: found,
      // The table has rows of its own, of all that the page is about.
      shape: { pageSize: 1, order: table.orderOf(found) as Sort, chosen, facets: true },
    };
  }
  const piece = found as CardsPiece;
  const { pageSize, more, shows, filters } = piece.settings;
  const grows = more === 'button' || more === 'endless';
  // A page always leads to all that it is about.
  const shown = more === 'none' ? { ...piece, settings: { ...piece.settings, more: 'pages' as const } } : piece;
  const fromFirst = grows && listingPlace(url, null).fromFirst;
  return {
    id: piece.id,
    piece: shown,
    table: null,
    shape: { pageSize, order: shows.order as Sort, fromFirst, chosen, facets: filters === 'all' },
  };
}
