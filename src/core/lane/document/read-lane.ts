import { z } from 'zod';
import { ok, type Problem, type Result } from '~/core/problems';
import type { PieceDefinition } from '../settings/definition';
import { LANE_VERSION, laneSchema, type Lane } from './lane.schema';
import { migrateLane } from './migrate-lane';
import { newPiece } from './new-piece';

const versioned = z.looseObject({ version: z.number().int() });
const schemas = new WeakMap<readonly PieceDefinition[], z.ZodType<Lane>>();

/** Pieces that every shop has are added to documents from before they existed. */
function withAlwaysOn(lane: Lane, definitions: readonly PieceDefinition[]): Lane {
  const missing = definitions.filter(
    ({ kind, isAlwaysOn }) => isAlwaysOn && !Object.values(lane.pieces).some((piece) => piece.kind === kind),
  );
  if (missing.length === 0) return lane;
  const made = Object.fromEntries(missing.map((definition) => [definition.kind, newPiece(definition, true)]));
  return { ...lane, pieces: { ...lane.pieces, ...made } };
}

/** Reads a stored, imported or patched document; every place that is wrong is named. */
export function readLane(input: unknown, definitions: readonly PieceDefinition[]): Result<Lane> {
  const version = versioned.safeParse(input);
  if (version.success && version.data.version > LANE_VERSION) {
    return {
      ok: false,
      problems: [
        { path: 'version', code: 'lane-version', facts: { found: version.data.version, known: LANE_VERSION } },
      ],
    };
  }
  const current = migrateLane(input);
  let schema = schemas.get(definitions);
  if (!schema) schemas.set(definitions, (schema = laneSchema(definitions)));
  const parsed = schema.safeParse(current);
  if (parsed.success) return ok(withAlwaysOn(parsed.data, definitions));
  const problems = parsed.error.issues.map((issue): Problem => {
    const place = issue.path.map(String).join('/');
    return { path: place, code: 'lane-invalid', facts: { place: place || 'the document', message: issue.message } };
  });
  return { ok: false, problems };
}
