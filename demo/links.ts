import { NO_GOODS, applyLayout, newPiece, type Piece } from '~/core/lane';
import { definitionOf } from '~/pieces/definitions';
import type { SeededOrder, SeededVisit } from '~/data';

const buyLink = definitionOf('buy-link')!;

interface DemoLink {
  readonly name: string;
  readonly sku: string;
  readonly layout: string;
  readonly quantity?: number;
  readonly code?: string;
  /** On its button, where “Buy it” would not say enough. */
  readonly button?: string;
  readonly settings?: object;
  /** Where visits that use it come from. */
  readonly source: 'kite-blog' | 'newsletter';
}

/** The buy links that the stand-in sites carry, by their ids. */
export const DEMO_LINKS = {
  'blog-text': { name: 'In the blog’s text', sku: 'HER106-LAG', layout: 'text', source: 'kite-blog' },
  'blog-pair': {
    name: 'Two winders, a button',
    sku: 'HOO130',
    quantity: 2,
    button: 'Buy two winders',
    layout: 'button',
    source: 'kite-blog',
  },
  'blog-card': { name: 'Card on the blog', sku: 'LAP101-SMALL-HAR', layout: 'card', source: 'kite-blog' },
  'newsletter-card': {
    name: 'Newsletter, issue 12',
    sku: 'LAP101-SMALL-DUS',
    code: 'WIND10',
    layout: 'card',
    settings: { width: 280, leads: 'checkout' },
    source: 'newsletter',
  },
  'arabic-card': { name: 'Card on the Arabic blog', sku: 'HER106-SLA', layout: 'card', source: 'kite-blog' },
} as const satisfies Readonly<Record<string, DemoLink>>;

export type DemoLinkId = keyof typeof DEMO_LINKS;

export function demoLinks(): Record<string, Piece> {
  return Object.fromEntries(
    (Object.entries(DEMO_LINKS) as [string, DemoLink][]).map(
      ([id, { name, sku, layout, quantity = 1, code = '', button, settings }]) => {
        const piece = newPiece(buyLink, true);
        piece.name = name;
        piece.where.spot = 'elsewhere';
        applyLayout(piece, buyLink.layouts![layout]!);
        Object.assign(piece.settings, settings, { goods: { ...NO_GOODS, sku, quantity, code } });
        if (button) piece.words = { en: { button } };
        return [id, piece];
      },
    ),
  );
}

/**
 * Writes into a visit that it came by a link, where what it ordered or put into the cart is a product that a link of its source
 * sells; another variant of it may have been taken in the end. Draws nothing, so that the rest of the past stays as it is.
 */
export function noteLink(visit: SeededVisit, order: SeededOrder | null, slugOf: (sku: string) => string): void {
  if (visit.excluded !== null) return;
  const add = visit.events.find((event) => event[3] === 'add');
  const found = (Object.entries(DEMO_LINKS) as [DemoLinkId, DemoLink][]).find(
    ([, { source, sku }]) =>
      source === visit.source &&
      (order ? order.lines.some((line) => slugOf(line.sku) === slugOf(sku)) : add?.[5] === slugOf(sku)),
  );
  if (!add || !found) return;
  const [id, { sku }] = found;
  add[5] = slugOf(sku);
  add[6] = id;
}
