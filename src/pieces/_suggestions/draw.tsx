/** @jsxImportSource preact */
import { renderToString } from 'preact-render-to-string';
import type { ManifestPiece } from '~/core/lane';
import type { SuggestedCard } from '~/core/suggest';
import { drawCards, loadCards, usualCards, type LoadedCards } from '../_cards/draw-cards';
import { Goods } from '../_cards/goods';
import type { CardsPiece } from '../_cards/shared';
import type { DrawnPage, ShopReader } from '../shop-reader';

const dressed = new WeakMap<ManifestPiece, CardsPiece>();

/** A piece of suggestions as cards see it: its own parts and form, the usual of everything else. */
export function asCards(piece: ManifestPiece): CardsPiece {
  let found = dressed.get(piece);
  if (!found) {
    const parts = piece.parts.filter(({ key }) => key !== 'changes' && key !== 'more');
    const settings = { ...usualCards.settings, ...piece.settings };
    dressed.set(piece, (found = { ...usualCards, id: piece.id, parts, settings } as CardsPiece));
  }
  return found;
}

const NO_PAGES = { page: 1, pages: 1, href: () => '', words: { pages: '', previous: '', next: '' } };

/** Suggestions, and why each of them; the reasons are for the shop's own people. */
interface LoadedSuggestions {
  readonly loaded: LoadedCards;
  readonly reasons: readonly { readonly slug: string; readonly name: string; readonly why: string }[];
}

export async function loadSuggestions(
  reader: ShopReader,
  found: readonly SuggestedCard[],
): Promise<LoadedSuggestions | null> {
  if (found.length === 0) return null;
  const cards = found.map(({ why: _why, ...card }) => card);
  return {
    loaded: await loadCards(reader, cards),
    reasons: found.flatMap(({ slug, name, why }) => (why === undefined ? [] : [{ slug, name, why }])),
  };
}

export function drawSuggestions({ loaded, reasons }: LoadedSuggestions, piece: ManifestPiece, page: DrawnPage): string {
  const cards = asCards(piece);
  return renderToString(
    <>
      <Goods
        piece={cards}
        html={drawCards(loaded, page, { piece: cards, level: 3 })}
        isEmpty={false}
        paging={NO_PAGES}
      />
      {reasons.length > 0 && (
        <details class="why" lang="en">
          <summary>Why these?</summary>
          <ul>
            {reasons.map(({ slug, name, why }) => (
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
