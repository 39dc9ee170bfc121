import { partsOf, withoutPart, type Chosen, type FacetCount } from '~/core/catalogue';
import type { Database } from '../database';
import { type ListingQuery } from './listing-query';
import { narrowed } from './listing-query';
import { CATEGORY_TREE } from './listing-query';

type Narrowing = Omit<ListingQuery, 'sort' | 'page' | 'pageSize'>;

const RATINGS = [4, 3, 2] as const;

/** How many products of a listing have what, each under all filters but its own. */
export function catalogueFacets(db: Database) {
  async function countFacets(query: Narrowing, chosen: Chosen): Promise<FacetCount[]> {
    const parts = partsOf(chosen);
    const [rest, ...own] = await Promise.all([
      countAll({ ...query, chosen }),
      ...parts.map(async ({ group, key }) => {
        const all = await countAll({ ...query, chosen: withoutPart(chosen, group, key) });
        const kind = group === 'range' ? 'attribute' : group;
        return { kind, key, counts: all.filter((count) => count.group === kind && count.key === key) };
      }),
    ]);
    const isOwn = (count: FacetCount) => own.some(({ kind, key }) => kind === count.group && key === count.key);
    return [...rest.filter((count) => !isOwn(count)), ...own.flatMap(({ counts }) => counts)];
  }

  async function countAll(query: Narrowing): Promise<FacetCount[]> {
    const { from, where, params } = narrowed(query);
    return db.select<{ [Key in keyof FacetCount]: FacetCount[Key] }>(
      `WITH RECURSIVE ${query.category ? `${CATEGORY_TREE},` : ''}
         hits(id, stars) AS MATERIALIZED (SELECT p.id, p.rating_stars FROM ${from} WHERE ${where})
       SELECT 'attribute' "group", a.key key, a.value value, count(*) count FROM hits JOIN attributes a ON a.product_id = hits.id
         GROUP BY a.key, a.value
       UNION ALL SELECT 'axis', j.key, j.value, count(DISTINCT v.product_id) FROM hits JOIN variants v ON v.product_id = hits.id
         JOIN json_each(v.choices) j GROUP BY j.key, j.value
       UNION ALL SELECT 'tag', '', t.name, count(*) FROM hits JOIN tags t ON t.product_id = hits.id GROUP BY t.name
       ${RATINGS.map((stars) => `UNION ALL SELECT 'rating', '', '${stars}', count(*) FROM hits WHERE stars >= ${stars} HAVING count(*) > 0`).join(' ')}`,
      params,
    );
  }

  return { countFacets };
}
