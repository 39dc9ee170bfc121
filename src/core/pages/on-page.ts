import type { Piece } from '~/core/lane';
import { isSeen } from '~/core/where/who-sees';
import type { Device, Visit } from '~/core/where';

/** The kinds of pieces that make sense on a page that is not the shop's. */
const KINDS = 'quick-view product-options added-popup cart-opener cart-surface line-editor buy-bar'.split(' ');

export const standsElsewhere = (kind: string): boolean => KINDS.includes(kind);

/** Pieces are shown there whatever pages of the shop they are for. */
export const whereElsewhere = <Where extends Piece['where']>(where: Where): Where => ({
  ...where,
  pages: ['other', 'product'],
});

/** A page of another site: about one of our products, or about something else. */
export const visitElsewhere = (
  product: { readonly slug: string; readonly about: readonly string[] } | null,
  device: Device,
): Visit => ({
  device,
  page: product ? 'product' : 'other',
  categories: product?.about ?? [],
  product: product?.slug ?? null,
});

/** On which devices a piece comes up on a page of another site that is about a product; on none where it is off, or never does there. */
export function devicesElsewhere(
  { kind, on, where }: Pick<Piece, 'kind' | 'on' | 'where'>,
  product: { readonly slug: string; readonly about: readonly string[] },
  judgesAdded: boolean,
): readonly Device[] {
  if (!on || !standsElsewhere(kind)) return [];
  const all = { mode: 'all' } as const;
  const rules = { ...whereElsewhere(where), ...(judgesAdded && { categories: all, products: all }) };
  return (['phone', 'tablet', 'desktop'] as const).filter((device) => isSeen(rules, visitElsewhere(product, device)));
}
