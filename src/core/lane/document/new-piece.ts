import { defaultWhere, type PieceDefinition, type StartingLayout } from '../settings/definition';
import type { Piece } from './lane.schema';

/** A piece with every default of its kind. */
export function newPiece(definition: PieceDefinition, on: boolean): Piece {
  return {
    kind: definition.kind,
    name: '',
    on,
    where: defaultWhere(definition),
    parts: Object.entries(definition.parts).map(([key, part]) => ({ key, on: part.on, hideOn: [] })),
    settings: Object.fromEntries(
      Object.entries(definition.settings).map(([key, spec]) => [key, structuredClone(spec.default)]),
    ),
    words: {},
    look: { slots: {}, css: '' },
  };
}

/** Begins a piece anew from a layout: its parts shown in order, the others off behind them. Words, look and where stay. Changes `piece`. */
export function applyLayout(piece: Piece, layout: StartingLayout): void {
  const byKey = new Map(piece.parts.map((part) => [part.key, part]));
  const shown = layout.parts.flatMap((key) => {
    const part = byKey.get(key);
    byKey.delete(key);
    return part ? [{ ...part, on: true, hideOn: [] }] : [];
  });
  piece.parts = [...shown, ...[...byKey.values()].map((part) => ({ ...part, on: false }))];
  Object.assign(piece.settings, layout.settings);
}

/** Puts one part back to the definition: its settings, words, look, and whether it is shown. Its place stays. Changes `piece`. */
export function resetPart(piece: Piece, definition: PieceDefinition, key: string): void {
  const part = piece.parts.find((candidate) => candidate.key === key);
  if (part) Object.assign(part, { on: definition.parts[key]?.on ?? true, hideOn: [] });
  for (const [name, spec] of Object.entries(definition.settings))
    if (spec.part === key) piece.settings[name] = spec.default;
  for (const words of Object.values(piece.words))
    for (const [name, spec] of Object.entries(definition.words)) if (spec.part === key) delete words[name];
  for (const [name, slot] of Object.entries(definition.looks)) if (slot.part === key) delete piece.look.slots[name];
}
