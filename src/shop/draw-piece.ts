import { h } from 'preact';
import { renderToString } from 'preact-render-to-string';
import type { ManifestPiece } from '~/core/lane';
import { MEDIA_OF } from '~/core/where';
import { DEVICES } from '~/core/where/where.schema';
import type { PageAbout, ShopReader } from '~/pieces/shop-reader';
import { servers } from '~/pieces/servers';
import { drawnPage, readerOf } from './reader';
import type { ShopContext } from './shop-context';
import { styleHtml } from './style-html';

/** Whether the owner is at this piece in the bench. */
const isShaped = ({ id }: ManifestPiece, { searchParams }: URL) =>
  searchParams.has('draft') && searchParams.get('shape') === id;

/** As many suggestions as the bench asks for: filled up with what sells best. */
function withSuggestions(reader: ShopReader, { searchParams }: URL): ShopReader {
  const asked = searchParams.get('suggestions');
  if (asked === null || !/^\d$/.test(asked)) return reader;
  const most = Number(asked);
  return {
    ...reader,
    suggest: async (rule) => (most === 0 ? [] : reader.suggest({ ...rule, most, fills: ['near', 'best'] })),
  };
}

const nothingHere = (id: string) =>
  `<section class="wrap spot-piece" data-pl-piece="${id}"><p class="lead" lang="en">Shoppers see nothing here: there is nothing to show for this page.</p></section>`;

/** A piece as it stands in a page, with its heading and its style; null when there is nothing to show. */
export async function drawPiece(
  piece: ManifestPiece,
  shop: ShopContext,
  url: URL,
  about?: PageAbout,
): Promise<string | null> {
  const reader = isShaped(piece, url) ? withSuggestions(readerOf(shop), url) : readerOf(shop);
  const html = await servers[piece.kind]?.(piece, reader, drawnPage(shop, url, about)).catch((error: unknown) => {
    // A piece that fails is left out; the page stays whole.
    shop.app.log.error({ err: error, piece: piece.id }, 'a piece could not be drawn');
    return null;
  });
  if (!html) return isShaped(piece, url) ? nothingHere(piece.id) : null;
  const hidden = DEVICES.filter((device) => !piece.where.devices.includes(device));
  const rules = hidden.map((device) => `@media ${MEDIA_OF[device]}{:scope{display:none}}`).join('');
  const style = styleHtml(`@scope ([data-pl-piece="${piece.id}"]){${rules}${piece.css}}`);
  const { heading, intro } = piece.words;
  const head = [
    heading && renderToString(h('h2', { 'data-slot': 'heading', 'data-word': 'heading' }, heading)),
    intro && renderToString(h('p', { class: 'lead', 'data-word': 'intro' }, intro)),
  ];
  return `<section class="wrap spot-piece" data-pl-piece="${piece.id}" data-part="">${style}${head.filter(Boolean).join('')}${html}</section>`;
}
