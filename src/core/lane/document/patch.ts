import { applyPatch, createPatch, type Operation } from 'rfc6902';
import { z } from 'zod';
import { fail, ok, type Result } from '~/core/problems';
import type { PieceDefinition } from '../settings/definition';
import type { Lane } from './lane.schema';
import { readLane } from './read-lane';

const pointer = z.string().max(500).regex(/^\//, 'must be a JSON pointer');

/** Whatever JSON can hold; the lane it makes is checked as a whole. */
const value: z.ZodType<unknown, unknown> = z.json();

/** RFC 6902, the operations the studio sends. */
export const lanePatchSchema = z
  .array(
    z.discriminatedUnion('op', [
      z.strictObject({ op: z.literal('add'), path: pointer, value }),
      z.strictObject({ op: z.literal('replace'), path: pointer, value }),
      z.strictObject({ op: z.literal('remove'), path: pointer }),
      z.strictObject({ op: z.literal('test'), path: pointer, value }),
    ]),
  )
  .min(1)
  .max(500);

export type LanePatch = z.infer<typeof lanePatchSchema>;

/** The patch that leads from one document to another. */
export function diffLanes(from: Lane, to: Lane): LanePatch {
  return createPatch(from, to) as LanePatch;
}

/** Applies a patch and checks the result as a whole; the document given is left as it was. */
export function applyLanePatch(lane: Lane, patch: LanePatch, definitions: readonly PieceDefinition[]): Result<Lane> {
  const patched: unknown = structuredClone(lane);
  for (const operation of patch) {
    const error = applyPatch(patched, [operation as Operation])[0];
    if (error)
      return fail(operation.path, 'patch-invalid', { pointer: operation.path || '(start)', message: error.message });
  }
  return readLane(patched, definitions);
}

/** The patch that undoes `patch` when applied to the document it produced. */
export function invertPatch(
  before: Lane,
  patch: LanePatch,
  definitions: readonly PieceDefinition[],
): Result<LanePatch> {
  const after = applyLanePatch(before, patch, definitions);
  return after.ok ? ok(diffLanes(after.value, before)) : after;
}

/** Lists whose places shift when they are changed: two changes to one list always clash. */
const LISTS = /\/(parts|devices|pages|slugs|breaks|items)\/.*$/;

/** Whether two patches made from the same document write to the same place, or one inside the other's. */
export function patchesClash(a: LanePatch, b: LanePatch): boolean {
  const place = (path: string) => path.replace(LISTS, '/$1');
  const within = (inner: string, outer: string) => inner === outer || inner.startsWith(`${outer}/`);
  return a.some((left) =>
    b.some((right) => within(place(left.path), place(right.path)) || within(place(right.path), place(left.path))),
  );
}
