import type { Database } from '../database';

/** Counts that move on with what shoppers see: of the catalogue, and of what is left on the shelves. */
export interface CatalogueState {
  readonly version: number;
  readonly stock: number;
}

export function catalogueState(db: Database) {
  async function readState(): Promise<CatalogueState> {
    const [row] = await db.select<CatalogueState>('SELECT version, stock FROM catalogue_state WHERE id = 1');
    return row!;
  }

  /** Call wherever a listing would be drawn differently afterwards. */
  async function bumpVersion(): Promise<void> {
    await db.run('UPDATE catalogue_state SET version = version + 1, stock = stock + 1 WHERE id = 1');
  }

  return { readState, bumpVersion };
}
