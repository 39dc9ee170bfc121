import { offerFacts } from '~/core/pricing';
import type { Goods, Lane, Selection } from '~/core/lane';
import { definitionOf } from '~/pieces/definitions';
import type { App } from '~/services/app';
import { listSelection } from './list-selection';

/** Ids of pieces that are on and show a selection in which there is no product now. */
export async function findEmpty(app: App, lane: Lane): Promise<Set<string>> {
  const selections = Object.entries(lane.pieces).flatMap(([id, piece]) =>
    Object.entries((piece.on && definitionOf(piece.kind)?.settings) || {})
      .filter(([, spec]) => spec.type === 'selection')
      .map(([key]) => ({ id, selection: piece.settings[key] as Selection })),
  );
  const totals = await Promise.all(
    selections.map(async ({ selection }) =>
      // A selection that follows the page cannot be judged here.
      selection.from === 'page' ? 1 : (await listSelection(app, selection, { page: 1, pageSize: 1 })).total,
    ),
  );
  return new Set(selections.filter((_selection, i) => totals[i] === 0).map(({ id }) => id));
}

/** SKUs that offers give but the shop does not sell. */
export async function findGoneGifts(app: App, { offers }: Lane): Promise<Set<string>> {
  const given = Object.values(offers).flatMap((offer) => offerFacts(offer).gives?.(offer).variant ?? []);
  if (given.length === 0) return new Set();
  const sold = await app.catalogue.factsOfSkus(given);
  return new Set(given.filter((sku) => !sold.has(sku)));
}

/** SKUs that pieces that are on are to sell, and that are not sold, by the piece’s id. */
export async function findUnsold(app: App, lane: Lane): Promise<Map<string, string>> {
  const named = Object.entries(lane.pieces).flatMap(([id, piece]) =>
    Object.entries((piece.on && definitionOf(piece.kind)?.settings) || {})
      .filter(([, spec]) => spec.type === 'goods')
      .map(([key]) => [id, (piece.settings[key] as Goods).sku] as const),
  );
  const sold = await app.catalogue.factsOfSkus(named.map(([, sku]) => sku));
  return new Map(named.filter(([, sku]) => !sold.has(sku)));
}
