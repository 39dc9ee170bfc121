/** @jsxImportSource preact */
import { renderToString } from 'preact-render-to-string';
import type { ManifestPiece } from '~/core/lane';
import { fill } from '~/core/words/fill';
import type { BetterOnePiece } from '~/pieces/better-one/definition';
import type { GoesWithPiece } from '~/pieces/goes-with/definition';
import { Goods } from '~/pieces/_cards/goods';
import type { CardsPiece } from '~/pieces/_cards/shared';
import type { RelatedPiece } from '~/pieces/related/definition';
import { betterThan, suggestBy, type SuggestedCard } from '~/services/catalogue/suggest';
import { drawCards, usualListing } from './draw-cards';
import type { About } from './spot-pieces';
import type { ShopContext } from './shop-context';

const dressed = new WeakMap<ManifestPiece, CardsPiece>();

/** A piece of suggestions as the cards of a listing see it: its own parts and form, the usual of everything else. */
function asListing(piece: GoesWithPiece | RelatedPiece | BetterOnePiece): CardsPiece {
  let found = dressed.get(piece);
  if (!found) {
    const parts = piece.parts.filter(({ key }) => key !== 'changes' && key !== 'more');
    const settings = { ...usualListing.settings, ...piece.settings };
    dressed.set(piece, (found = { ...usualListing, id: piece.id, parts, settings } as CardsPiece));
  }
  return found;
}

const NO_PAGES = { page: 1, pages: 1, href: () => '', words: { pages: '', previous: '', next: '' } };

async function drawSuggested(
  piece: GoesWithPiece | RelatedPiece,
  shop: ShopContext,
  cards: readonly SuggestedCard[],
): Promise<string> {
  if (cards.length === 0) return '';
  const listing = asListing(piece);
  const html = await drawCards(
    cards.map(({ why: _why, ...card }) => card),
    shop,
    { piece: listing, level: 3 },
  );
  const told = cards.filter(({ why }) => why !== undefined);
  return renderToString(
    <>
      <Goods piece={listing} html={html} isEmpty={false} paging={NO_PAGES} />
      {told.length > 0 && (
        <details class="why">
          <summary>Why these?</summary>
          <ul>
            {told.map(({ slug, name, why }) => (
              <li key={slug}>
                <b>{name}</b>: {why}
              </li>
            ))}
          </ul>
        </details>
      )}
    </>,
  );
}

const FILLS = { nothing: [], near: ['near'], best: ['best'] } as const;

export async function drawGoesWith(drawn: ManifestPiece, shop: ShopContext, _url: URL, about: About): Promise<string> {
  const piece = drawn as GoesWithPiece;
  const { instead, most, never } = piece.settings;
  return drawSuggested(
    piece,
    shop,
    await suggestBy(shop.app, { ...about, most, never, picks: true, fills: FILLS[instead] }),
  );
}

const WEIGHTS = {
  tags: { tag: 4, category: 1, attribute: 1 },
  categories: { tag: 1, category: 4, attribute: 1 },
  attributes: { tag: 1, category: 1, attribute: 4 },
} as const;

export async function drawRelated(drawn: ManifestPiece, shop: ShopContext, _url: URL, about: About): Promise<string> {
  const piece = drawn as RelatedPiece;
  const { by, instead, most, never } = piece.settings;
  const fills = instead === 'best' ? (['near', 'best'] as const) : (['near'] as const);
  return drawSuggested(
    piece,
    shop,
    await suggestBy(shop.app, { ...about, most, never, picks: false, fills, weights: WEIGHTS[by] }),
  );
}

export async function drawBetterOne(drawn: ManifestPiece, shop: ShopContext, _url: URL, about: About): Promise<string> {
  const piece = drawn as BetterOnePiece;
  const [slug] = about.near;
  const better = slug === undefined ? null : await betterThan(shop.app, slug);
  if (!better) return '';
  const { words } = piece;
  const { card, changes, moreMinor } = better;
  const shows = (part: 'changes' | 'more') => piece.parts.some(({ key }) => key === part);
  const word = moreMinor > 0 ? 'more' : moreMinor < 0 ? 'less' : 'same';
  const said = words[word] ?? '';
  const html = await drawCards([card], shop, { piece: asListing(piece), level: 3 });
  return renderToString(
    <div class="better-one">
      <div class="goods" data-as="list" dangerouslySetInnerHTML={{ __html: html }} />
      {shows('more') && (
        <p data-part="more" data-word={word}>
          {fill(said, { amount: shop.money(Math.abs(moreMinor)) }, shop.language)}
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
}
