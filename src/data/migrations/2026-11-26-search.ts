/** Full-text search over products (FTS5): a stemmed index of their words, and one of three letters each for slips. */
const STATEMENTS = [
  `CREATE VIRTUAL TABLE product_search USING fts5 (
    name, words, skus, body, content = '', contentless_delete = 1, tokenize = 'porter unicode61 remove_diacritics 2', prefix = '2 3')`,
  `CREATE TABLE search_words (id INTEGER PRIMARY KEY, word TEXT NOT NULL UNIQUE, products INTEGER NOT NULL DEFAULT 1)`,
  `CREATE VIRTUAL TABLE search_trigrams USING fts5 (word, content = 'search_words', content_rowid = 'id', tokenize = 'trigram')`,
  `CREATE TRIGGER search_words_added AFTER INSERT ON search_words BEGIN
    INSERT INTO search_trigrams (rowid, word) VALUES (new.id, new.word); END`,
  // Every sort of a listing reads an index in order, and stops with the page.
  `CREATE INDEX products_by_sold ON products (is_shown, sold_count DESC, id)`,
  `CREATE INDEX products_by_day ON products (is_shown, created_day DESC, id DESC)`,
  `CREATE INDEX products_by_price ON products (is_shown, from_minor, id)`,
  `CREATE INDEX products_by_rating ON products (is_shown, rating_stars IS NULL, rating_stars DESC, rating_count DESC, id)`,
  `CREATE INDEX products_by_name ON products (is_shown, name COLLATE NOCASE, id)`,
  `DROP INDEX products_shown_name`,
  `DROP INDEX products_name`,
  `CREATE INDEX tags_name ON tags (name, product_id)`,
  // What remembered pages were drawn from: they are drawn anew when it has moved on.
  `CREATE TABLE catalogue_state (id INTEGER PRIMARY KEY CHECK (id = 1), version INTEGER NOT NULL, stock INTEGER NOT NULL)`,
  `INSERT INTO catalogue_state VALUES (1, 1, 1)`,
  `CREATE TABLE search_synonyms (term TEXT PRIMARY KEY, means JSON NOT NULL) WITHOUT ROWID`,
];

export const search = {
  name: '2026-11-26-search',
  up: async ({ context }: { context: { run: (sql: string) => Promise<void> } }): Promise<void> => {
    for (const statement of STATEMENTS) await context.run(statement);
  },
};
