import { compileManifest, type Lane, type ManifestPiece } from '~/core/lane';
import { isSeen, type Visit } from '~/core/where';
import { definitionOf, definitions } from '~/pieces/definitions';
import type { App } from '~/services/app';
import { liveLane, liveManifest, type LiveLane } from '~/services/lane/live-lane';

interface Locals {
  readonly app: App;
  readonly language: string;
  readonly draft?: LiveLane | null;
}

/** The page a spot is on, as a visit to it is judged. */
export type SpotVisit = Omit<Visit, 'device'>;

/**
 * The pieces that stand in a spot of this page, in their order. The server does not know the device: a piece is drawn when
 * any device would show it. In the bench the piece that is shaped stands there though it be off.
 */
export async function piecesAt(locals: Locals, spot: string, visit: SpotVisit, url: URL): Promise<ManifestPiece[]> {
  const live = locals.draft ?? (await liveLane(locals.app));
  const shaped = locals.draft ? url.searchParams.get('shape') : null;
  const pieces =
    shaped !== null && Object.hasOwn(live.lane.pieces, shaped)
      ? compileManifest(withShown(live.lane, shaped), definitions, live.revision, locals.language).pieces
      : liveManifest(live, locals.language).pieces;
  return pieces.filter(
    ({ id, kind, where }) =>
      (where.spot === spot || (id === shaped && where.spot === 'text' && spot === 'home.above')) &&
      definitionOf(kind)?.spots?.some((own) => own === spot) &&
      (id === shaped ||
        where.devices.some((device) => isSeen({ ...where, pages: [visit.page] }, { ...visit, device }))),
  );
}

function withShown(lane: Lane, id: string): Lane {
  return { ...lane, pieces: { ...lane.pieces, [id]: { ...lane.pieces[id]!, on: true } } };
}
