import { createHash } from 'node:crypto';
import { z } from 'zod';
import type { BodyOf } from '~/contract';
import { proofRoutes, type KeptProof, type PieceProof } from '~/contract/studio/proofs';
import { readLane, type Lane } from '~/core/lane';
import { fail, ok, type Result } from '~/core/problems';
import { CHECK_KEYS } from '~/core/proof';
import type { StoredProof } from '~/data';
import { definitions } from '~/pieces/definitions';
import type { App } from '~/services/app';
import { liveLane, type LiveLane } from '~/services/lane/live-lane';

const problemsSchema: z.ZodType<KeptProof['problems']> =
  proofRoutes['PUT /api/studio/proofs/[piece]'].body.shape.problems;

/** Of all of a lane that a piece is drawn from, and of the checks there are. */
function fingerprintOf(lane: Lane, pieceId: string): string {
  const { pieces, ...shared } = lane;
  const drawnFrom = JSON.stringify([CHECK_KEYS, shared, pieces[pieceId]]);
  return createHash('sha256').update(drawnFrom).digest('base64url').slice(0, 22);
}

async function readDraft(app: App): Promise<{ lane: Lane; edit: number } | null> {
  const stored = await app.lanes.readDraft();
  const read = readLane(stored?.document, definitions);
  return stored && read.ok ? { lane: read.value, edit: stored.edit } : null;
}

/** What the sheets found of every piece of the draft. */
export async function showProofs(app: App): Promise<PieceProof[]> {
  const [draft, live, stored] = await Promise.all([readDraft(app), liveLane(app), app.proofs.list()]);
  if (!draft) return [];
  const byPrint = new Map(stored.map((proof) => [`${proof.pieceId} ${proof.fingerprint}`, proof]));
  const kept = (lane: Lane, pieceId: string) => shown(byPrint.get(`${pieceId} ${fingerprintOf(lane, pieceId)}`));
  return Object.keys(draft.lane.pieces).map((pieceId) => ({
    pieceId,
    draft: kept(draft.lane, pieceId),
    live: isLive(live, pieceId) ? kept(live.lane, pieceId) : null,
    isChanged: !isLive(live, pieceId) || fingerprintOf(live.lane, pieceId) !== fingerprintOf(draft.lane, pieceId),
  }));
}

const isLive = ({ revision, lane }: LiveLane, pieceId: string) => revision > 0 && Object.hasOwn(lane.pieces, pieceId);

function shown(proof: StoredProof | undefined): KeptProof | null {
  const problems = problemsSchema.safeParse(proof?.problems);
  return proof && problems.success ? { at: proof.at, situations: proof.situations, problems: problems.data } : null;
}

/** Keeps what a sheet found, unless what it was drawn from has changed meanwhile. */
export async function keepProof(
  app: App,
  pieceId: string,
  { of, number, situations, problems }: BodyOf<'PUT /api/studio/proofs/[piece]'>,
): Promise<Result<null>> {
  const [draft, live] = await Promise.all([readDraft(app), liveLane(app)]);
  const proved = of === 'live' ? { lane: live.lane, number: live.revision } : draft && { ...draft, number: draft.edit };
  if (!proved || !Object.hasOwn(proved.lane.pieces, pieceId)) return fail('piece', 'not-found');
  if (proved.number !== number) return fail('number', 'stale-draft');
  const fingerprint = fingerprintOf(proved.lane, pieceId);
  await app.proofs.write({ pieceId, fingerprint, at: app.now(), situations, problems });
  return ok(null);
}
