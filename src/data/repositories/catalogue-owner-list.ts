import type { ProductFilter, ListedProduct } from '~/core/catalogue';
import type { Database } from '../database';

const SQL_OF_FILTER: Readonly<Record<ProductFilter, string>> = {
  all: 'true',
  shown: 'p.is_shown = 1',
  hidden: 'p.is_shown = 0',
  'in-stock': 'p.in_stock = 1 AND p.is_shown = 1',
  'sold-out': 'p.in_stock = 0 AND p.is_shown = 1',
};

/** More words than these narrow no further. */
const MOST_WORDS = 8;

export interface StudioQuery {
  /** A full-text query, as `resolveSearch` writes it; null: names and SKUs alone are looked through. */
  readonly match: string | null;
  /** What was typed. */
  readonly typed: string;
  readonly filter: ProductFilter;
  /** Of this category or one under it; empty: of any. */
  readonly category: string;
  /** These alone; none: all. */
  readonly slugs: readonly string[];
  readonly page: number;
  readonly pageSize: number;
}

/** Products as their owner lists them. */
export function ownersList(db: Database) {
  /** Each word stands in the name or in a SKU, or the text has them: the index of words holds what is shown. */
  function narrow({ match, typed, filter, category, slugs }: Omit<StudioQuery, 'page' | 'pageSize'>): {
    where: string;
    params: Record<string, unknown>;
  } {
    const wheres: string[] = [SQL_OF_FILTER[filter]];
    const params: Record<string, unknown> = {};
    if (category !== '') {
      wheres.push(`p.id IN (SELECT pc.product_id FROM product_categories pc JOIN categories c ON c.id = pc.category_id
        LEFT JOIN categories parent ON parent.id = c.parent_id WHERE $category IN (c.slug, parent.slug))`);
      params['category'] = category;
    }
    if (slugs.length > 0) {
      wheres.push('p.slug IN (SELECT value FROM json_each($slugs))');
      params['slugs'] = JSON.stringify(slugs);
    }
    const words = typed.split(/\s+/).filter(Boolean).slice(0, MOST_WORDS);
    const named = words.map((word, i) => {
      params[`word${i}`] = `%${word.replace(/[\\%_]/g, '\\$&')}%`;
      return `(p.name LIKE $word${i} ESCAPE '\\'
        OR EXISTS (SELECT 1 FROM variants v WHERE v.product_id = p.id AND v.sku LIKE $word${i} ESCAPE '\\'))`;
    });
    if (match !== null) params['match'] = match;
    const inTexts =
      match === null ? 'false' : 'p.id IN (SELECT rowid FROM product_search WHERE product_search MATCH $match)';
    if (named.length > 0) wheres.push(`((${named.join(' AND ')}) OR ${inTexts})`);
    return { where: wheres.join(' AND '), params };
  }
  /** Products by name, with how many there are. */
  async function listForOwner(query: StudioQuery): Promise<{ products: ListedProduct[]; total: number }> {
    const { where, params } = narrow(query);
    const [counted] = await db.select<{ n: number }>(`SELECT count(*) n FROM products p WHERE ${where}`, params);
    const rows = await db.select<
      Omit<ListedProduct, 'isShown' | 'hasOptions'> & { isShown: number; hasOptions: number }
    >(
      `SELECT p.slug, p.name, p.short_text shortText, p.is_shown isShown, p.options <> '[]' hasOptions, p.from_minor fromMinor, p.to_minor toMinor,
         (SELECT count(*) FROM variants v WHERE v.product_id = p.id) variants,
         (SELECT iif(count(*) = count(s.quantity), sum(s.quantity), NULL) FROM variants v
            LEFT JOIN stock_levels s ON s.variant_id = v.id WHERE v.product_id = p.id) stock,
         (SELECT src FROM images i WHERE i.product_id = p.id ORDER BY position LIMIT 1) picture
       FROM products p WHERE ${where} ORDER BY p.name COLLATE NOCASE, p.id LIMIT $limit OFFSET $offset`,
      { ...params, limit: query.pageSize, offset: (query.page - 1) * query.pageSize },
    );
    const products = rows.map((row) => ({ ...row, isShown: row.isShown === 1, hasOptions: row.hasOptions === 1 }));
    return { products, total: counted!.n };
  }
  /** The ids of all products the list would show, page by page. */
  async function listIdsForOwner(query: StudioQuery): Promise<number[]> {
    const { where, params } = narrow(query);
    const rows = await db.select<{ id: number }>(
      `SELECT p.id FROM products p WHERE ${where} ORDER BY p.id LIMIT $limit`,
      {
        ...params,
        limit: query.pageSize,
      },
    );
    return rows.map((row) => row.id);
  }

  return { listForOwner, listIdsForOwner };
}
