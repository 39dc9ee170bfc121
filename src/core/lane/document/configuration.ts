import { z } from 'zod';
import { parseJson } from '~/core/formats/parse-json';
import { fail, type Result } from '~/core/problems';
import type { PieceDefinition } from '../settings/definition';
import { anyLaneSchema, type Lane } from './lane.schema';
import { readLane } from './read-lane';

/** What a file of a whole configuration says that it is. */
const FORMAT = 'paved-lane-configuration';
/** Where its schema stands, on the shop itself. */
export const CONFIGURATION_SCHEMA_PATH = '/api/studio/configuration/schema';

const fileSchema = z.strictObject({
  $schema: z.string().max(2000).optional(),
  format: z.literal(FORMAT),
  lane: z.record(z.string(), z.unknown()),
});

/** A whole configuration as a file: pieces, offers, theme, words and what the shop says of itself. */
export function writeConfiguration(lane: Lane, origin: string): string {
  return `${JSON.stringify({ $schema: origin + CONFIGURATION_SCHEMA_PATH, format: FORMAT, lane }, null, 2)}\n`;
}

/** Reads such a file, of this or an earlier version. What cannot be read is refused with its place. */
export function readConfiguration(text: string, definitions: readonly PieceDefinition[]): Result<Lane> {
  const value = parseJson(text);
  if (value === undefined) return fail('file', 'configuration-json', { line: lineOfFault(text) });
  const file = fileSchema.safeParse(value);
  return file.success ? readLane(file.data.lane, definitions) : fail('file', 'configuration-other', { format: FORMAT });
}

/** The line on which a text ceases to be JSON; the last where it is none for another reason. */
function lineOfFault(text: string): number {
  const lines = (end?: number) => text.slice(0, end).split('\n').length;
  try {
    JSON.parse(text);
    return lines();
  } catch (error) {
    const at = /position (\d+)/.exec((error as Error).message)?.[1];
    return lines(at === undefined ? undefined : Number(at));
  }
}

/** JSON Schema (2020-12) of such a file. */
export function configurationSchema(): object {
  const file = z.strictObject({ $schema: z.string().optional(), format: z.literal(FORMAT), lane: anyLaneSchema });
  return z.toJSONSchema(file, { io: 'input', unrepresentable: 'any' });
}
