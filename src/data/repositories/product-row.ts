import type { Fulfilment, Product } from '~/core/catalogue';

export interface ProductRow {
  id: number;
  slug: string;
  name: string;
  brand: string;
  short_text: string;
  full_text: string;
  fulfilment: Fulfilment;
  axes: string;
  video_src: string | null;
  from_minor: number;
  to_minor: number;
  in_stock: number;
  rating_stars: number | null;
  rating_count: number;
  options: string;
  lead_days: number | null;
}

export function ratingOf(row: Pick<ProductRow, 'rating_stars' | 'rating_count'>): Product['rating'] {
  return row.rating_stars === null ? null : { stars: row.rating_stars, count: row.rating_count };
}
