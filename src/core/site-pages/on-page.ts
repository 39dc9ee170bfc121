import type { Piece, PieceDefinition } from '~/core/lane';
import { isSeen } from '~/core/where/who-sees';
import type { Device, Visit } from '~/core/where';

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
  { on, where }: Pick<Piece, 'on' | 'where'>,
  { elsewhere, judges }: Pick<PieceDefinition, 'elsewhere' | 'judges'>,
  product: { readonly slug: string; readonly about: readonly string[] },
): readonly Device[] {
  if (!on || !elsewhere) return [];
  const all = { mode: 'all' } as const;
  const rules = { ...whereElsewhere(where), ...(judges === 'added' && { categories: all, products: all }) };
  return (['phone', 'tablet', 'desktop'] as const).filter((device) => isSeen(rules, visitElsewhere(product, device)));
}
