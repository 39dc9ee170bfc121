import { withoutTags } from '~/core/facts';
import {
  firstThatFinds,
  nearWords,
  queryWords,
  ranksOf,
  searchesOf,
  trigramsOf,
  wordsOf,
  type SearchRanks,
  type SearchWord,
} from '~/core/search';
import type { Database } from '../database';
import { catalogueState } from './catalogue-state';

/** How a search is carried out: the full-text query, and what was taken for what. */
export interface ResolvedSearch {
  /** null: nothing is found. */
  readonly match: string | null;
  /** By which what is found is ordered. */
  readonly ranks: SearchRanks | null;
  /** Corrected words, as typed and as searched for. */
  readonly mended: readonly { readonly typed: string; readonly taken: string }[];
}

const KNOWN_NEAR = 60;
const SLICE = 500;

interface Document {
  id: number;
  name: string;
  brand: string;
  body: string;
  places: string;
  tags: string;
  facts: string;
  skus: string;
  choices: string;
}

/** What a search is taken to mean. */
function searchWords(db: Database) {
  async function countMatches(match: string): Promise<number> {
    const [row] = await db.select<{ n: number }>(
      'SELECT count(*) n FROM product_search WHERE product_search MATCH $match',
      { match },
    );
    return row!.n;
  }
  async function synonymsOf(words: readonly string[]): Promise<Map<string, string[]>> {
    const rows = await db.select<{ term: string; means: string }>(
      'SELECT term, means FROM search_synonyms WHERE term IN (SELECT value FROM json_each($words))',
      { words: JSON.stringify(words) },
    );
    return new Map(rows.map((row) => [row.term, JSON.parse(row.means) as string[]]));
  }
  /** Known words similar to an unknown one, nearest first. */
  async function findNear(word: string): Promise<string[]> {
    const trigrams = trigramsOf(word);
    if (trigrams.length === 0) return [];
    const known = await db.select<{ word: string; products: number }>(
      `SELECT w.word, w.products FROM search_trigrams t JOIN search_words w ON w.id = t.rowid
       WHERE search_trigrams MATCH $match ORDER BY rank LIMIT ${KNOWN_NEAR}`,
      { match: trigrams.map((part) => `"${part}"`).join(' OR ') },
    );
    return nearWords(word, known);
  }
  /** Finds what a shopper means: synonyms count, slips are corrected, and words that would leave too few results are dropped. */
  async function resolveSearch(typed: string): Promise<ResolvedSearch> {
    const words = queryWords(typed);
    const synonyms = await synonymsOf(words);
    const mended: { typed: string; taken: string }[] = [];
    const found = await Promise.all(
      words.map(async (text): Promise<SearchWord> => {
        const others = synonyms.get(text) ?? [];
        for (const isWhole of [true, false]) {
          const [alone] = searchesOf([{ text, others, products: 1, isWhole }]);
          const products = await countMatches(alone!);
          if (products > 0) return { text, others, products, isWhole };
        }
        const near = await findNear(text);
        if (near.length === 0) return { text, others, products: 0 };
        mended.push({ typed: text, taken: near[0]! });
        const more = [...near, ...[...(await synonymsOf(near)).values()].flat()];
        const [instead] = searchesOf([{ text: more[0]!, others: more.slice(1), products: 1 }]);
        return { text: more[0]!, others: more.slice(1), products: await countMatches(instead!) };
      }),
    );
    const match = await firstThatFinds(searchesOf(found), countMatches);
    return { match, ranks: ranksOf(typed, found), mended };
  }

  return { resolveSearch };
}

/** The index that products are found by. */
export function catalogueSearch(db: Database) {
  const { bumpVersion } = catalogueState(db);
  /** Writes the words of products into the index; of all products when no ids are given. */
  async function refreshSearch(ids?: readonly number[]): Promise<void> {
    const all = ids ?? (await db.select<{ id: number }>('SELECT id FROM products ORDER BY id')).map((row) => row.id);
    for (let i = 0; i < all.length; i += SLICE) await refreshSlice(all.slice(i, i + SLICE));
  }
  async function refreshSlice(ids: readonly number[]): Promise<void> {
    const documents = await db.select<Document>(
      `SELECT p.id, p.name, p.brand, p.short_text || ' ' || p.full_text body,
         (SELECT json_group_array(s.name || ' ' || s.description) FROM product_categories pc JOIN categories c ON c.id = pc.category_id
            JOIN categories s ON s.id = c.id OR s.id = c.parent_id WHERE pc.product_id = p.id) places,
         (SELECT group_concat(name, ' ') FROM tags t WHERE t.product_id = p.id) tags,
         (SELECT group_concat(value, ' ') FROM attributes a WHERE a.product_id = p.id) facts,
         (SELECT group_concat(sku, ' ') FROM variants v WHERE v.product_id = p.id) skus,
         (SELECT group_concat(c.value, ' ') FROM variants v, json_each(v.choices) c WHERE v.product_id = p.id) choices
       FROM products p WHERE p.id IN (SELECT value FROM json_each($ids)) AND p.is_shown = 1`,
      { ids: JSON.stringify(ids) },
    );
    const rows = documents.map((document) => {
      const words = [
        document.brand,
        document.tags,
        document.facts,
        document.choices,
        ...readTexts(document.places).map(withoutTags),
      ];
      // Written as they are searched for: the tokenizer would split “children’s”, which shoppers type as one word.
      const plain = (texts: readonly (string | null)[]) => wordsOf(texts.filter(Boolean).join(' ')).join(' ');
      // Numbers keep their punctuation: the tokenizer splits them in the index and in what is typed alike.
      return [document.id, plain([document.name]), plain(words), document.skus ?? '', plain([document.body])] as const;
    });
    await db.run('DELETE FROM product_search WHERE rowid IN (SELECT value FROM json_each($ids))', {
      ids: JSON.stringify(ids),
    });
    await db.run(
      `INSERT INTO product_search (rowid, name, words, skus, body)
       SELECT value ->> 0, value ->> 1, value ->> 2, value ->> 3, value ->> 4 FROM json_each($rows)`,
      { rows: JSON.stringify(rows) },
    );
    const counts = new Map<string, number>();
    for (const [, name, words] of rows)
      for (const word of new Set(`${name} ${words}`.split(' ')))
        if (word.length > 2) counts.set(word, (counts.get(word) ?? 0) + 1);
    await db.run(
      `INSERT INTO search_words (word, products) SELECT value ->> 0, value ->> 1 FROM json_each($rows) WHERE true
       ON CONFLICT (word) DO UPDATE SET products = max(products, excluded.products)`,
      { rows: JSON.stringify([...counts]) },
    );
  }
  async function writeSynonyms(entries: readonly (readonly [term: string, means: readonly string[]])[]): Promise<void> {
    await db.run(
      `INSERT INTO search_synonyms (term, means) SELECT value ->> 0, value -> 1 FROM json_each($rows) WHERE true
       ON CONFLICT (term) DO UPDATE SET means = excluded.means`,
      { rows: JSON.stringify(entries.map(([term, means]) => [wordsOf(term).join(' '), means])) },
    );
    await bumpVersion();
  }
  async function listSynonyms(): Promise<{ term: string; means: string[] }[]> {
    const rows = await db.select<{ term: string; means: string }>(
      'SELECT term, means FROM search_synonyms ORDER BY term LIMIT 2000',
    );
    return rows.map((row) => ({ term: row.term, means: readTexts(row.means) }));
  }
  async function removeSynonym(term: string): Promise<void> {
    await db.run('DELETE FROM search_synonyms WHERE term = $term', { term });
    await bumpVersion();
  }
  return { ...searchWords(db), refreshSearch, writeSynonyms, listSynonyms, removeSynonym };
}

function readTexts(json: string): string[] {
  return JSON.parse(json) as string[];
}
