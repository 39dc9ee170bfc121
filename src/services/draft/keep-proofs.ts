import { createHash } from 'node:crypto';
import type { z } from 'zod';
import type { BodyOf } from '~/contract';
import { proofRoutes, type KeptProof, type PieceProof } from '~/contract/studio/proofs';
import { readLane, type Lane } from '~/core/lane';
import { fail, ok, type Result } from '~/core/problems';
import { CHECK_KEYS } from '~/core/proof';
import type { StoredProof } from '~/data';
import { definitions } from '~/pieces/definitions';
import type { App } from '~/services/app';
import { liveLane } from '~/services/lane/live-lane';

const problemsSchema: z.ZodType<KeptProof['problems']> =
  proofRoutes['PUT /api/studio/proofs/[piece]'].body.shape.problems;

const hashOf = (of: unknown) => createHash('sha256').update(JSON.stringify(of)).digest('base64url').slice(0, 22);

/** Of all of a lane that each of its pieces is drawn from, and of the checks there are. */
function fingerprintsOf({ pieces, ...shared }: Lane): Map<string, string> {
  const ofAll = hashOf([CHECK_KEYS, shared]);
  return new Map(Object.entries(pieces).map(([pieceId, piece]) => [pieceId, hashOf([ofAll, piece])]));
}

async function readDraft(app: App): Promise<{ lane: Lane; edit: number } | null> {
  const stored = await app.lanes.readDraft();
  const read = readLane(stored?.document, definitions);
  return stored && read.ok ? { lane: read.value, edit: stored.edit } : null;
}

/** What the sheets found of every piece of a draft, and of those that are only live. */
export async function showProofs(app: App, draft: Lane): Promise<PieceProof[]> {
  const [live, stored] = await Promise.all([liveLane(app), app.proofs.list()]);
  const byPrint = new Map(stored.map((proof) => [`${proof.pieceId} ${proof.fingerprint}`, proof]));
  const [now, before] = [
    fingerprintsOf(draft),
    live.revision > 0 ? fingerprintsOf(live.lane) : new Map<string, string>(),
  ];
  const kept = (pieceId: string, prints: ReadonlyMap<string, string>) =>
    shown(byPrint.get(`${pieceId} ${prints.get(pieceId) ?? ''}`));
  return [...new Set([...now.keys(), ...before.keys()])].map((pieceId) => ({
    pieceId,
    draft: kept(pieceId, now),
    live: kept(pieceId, before),
    isChanged: now.get(pieceId) !== before.get(pieceId),
  }));
}

/** The same of the draft as it is stored; none where it cannot be read. */
export async function showStoredProofs(app: App): Promise<PieceProof[]> {
  const draft = await readDraft(app);
  return draft ? showProofs(app, draft.lane) : [];
}

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
  const fingerprint = fingerprintsOf(proved.lane).get(pieceId)!;
  await app.proofs.write({ pieceId, fingerprint, at: app.now(), situations, problems });
  return ok(null);
}
