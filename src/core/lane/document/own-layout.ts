import { z } from 'zod';
import { ok, problemsFromZod, type Result } from '~/core/problems';
import type { PieceDefinition } from '../settings/definition';
import { pieceSchema, type Piece } from './lane.schema';
import type { SettingSpec } from '../settings/setting';

/** How a piece is built, without what it shows and where: parts with their order and devices, settings, and look. */
export type SavedLayout = Pick<Piece, 'parts' | 'settings' | 'look'>;

/** What settings of these types hold is the piece's own: goods, pictures, offers. */
const CONTENT: readonly SettingSpec['type'][] = ['goods', 'offer', 'selection', 'picture', 'text'];

/** Where there are many of a kind, what stands under Where says for whom each is, or what it sells. */
const shapeKeys = ({ settings, isMany }: PieceDefinition): string[] =>
  Object.entries(settings)
    .filter(([, { task, type }]) => !CONTENT.includes(type) && !(isMany && task === 'where'))
    .map(([key]) => key);

/** A piece's layout, to be kept and begun from again. */
export function layoutOf(piece: Piece, definition: PieceDefinition): SavedLayout {
  const { parts, look } = structuredClone(piece);
  const settings = shapeKeys(definition).map((key) => [key, structuredClone(piece.settings[key]!)]);
  return { parts, look, settings: Object.fromEntries(settings) };
}

/** Begins a piece anew from a layout that was kept. Words, what it shows and where stay. Changes `piece`. */
export function applySavedLayout(piece: Piece, layout: SavedLayout): void {
  const { parts, look, settings } = structuredClone(layout);
  Object.assign(piece, { parts, look });
  Object.assign(piece.settings, settings);
}

/** A layout as it was kept or sent, by what the kind knows today: what it does not hold keeps the kind's default. */
export function readSavedLayout(input: unknown, definition: PieceDefinition): Result<SavedLayout> {
  const keys = shapeKeys(definition);
  const { parts, look, settings } = pieceSchema(definition).shape;
  const shape = Object.fromEntries(
    keys.map((key) => [key, settings.shape[key]!.default(definition.settings[key]!.default as never)]),
  );
  const read = z.strictObject({ parts, look, settings: z.strictObject(shape) }).safeParse(input);
  return read.success ? ok(read.data as SavedLayout) : { ok: false, problems: problemsFromZod(read.error) };
}
