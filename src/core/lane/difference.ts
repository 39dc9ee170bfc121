import { readPlace } from '~/core/place';
import { DEVICES } from '~/core/where/where.schema';
import type { PieceDefinition } from './definition';
import type { Lane, Piece } from './lane.schema';
import { resolveWords } from './resolve';
import { LOOK_PROPERTIES, type LookProperty, type LookState, type SettingSpec, type WordSpec } from './setting';
import { resolveShopWords, SHOP_WORDS, type ShopWord } from './shop-words';

/** One thing that differs between two lanes, with the labels an owner knows it by. Words are the interface's. */
export type LaneChange = { readonly pieceId: string | null; readonly pieceName: string } & (
  | { readonly code: 'piece-on' | 'piece-off' | 'piece-added' | 'piece-removed' | 'css' }
  | {
      readonly code: 'setting' | 'word' | 'shop' | 'offer';
      readonly what: string;
      readonly from: string;
      readonly to: string;
    }
  | { readonly code: 'part-on' | 'part-off'; readonly what: string }
  | { readonly code: 'part-devices'; readonly what: string; readonly hiddenOn: readonly string[] }
  | { readonly code: 'part-moved'; readonly what: string; readonly after: string | null }
  | {
      readonly code: 'where';
      readonly what: 'devices' | 'pages' | 'categories' | 'products';
      readonly from: string;
      readonly to: string;
    }
  | {
      readonly code: 'look';
      readonly what: string;
      readonly property: string;
      readonly state: LookState;
      readonly from: string;
      readonly to: string;
    }
);

type Named = { readonly pieceId: string | null; readonly pieceName: string };

/** Everything that differs, in the order an owner shapes a piece: on/off, where, parts, words, look. */
export function describeDifference(from: Lane, to: Lane, definitions: readonly PieceDefinition[]): LaneChange[] {
  const changes: LaneChange[] = [];
  for (const id of new Set([...Object.keys(from.pieces), ...Object.keys(to.pieces)])) {
    const [before, after] = [from.pieces[id], to.pieces[id]];
    const definition = definitions.find((candidate) => candidate.kind === (after ?? before)?.kind);
    if (!definition) continue;
    const named: Named = { pieceId: id, pieceName: definition.name };
    if (!before) changes.push({ ...named, code: 'piece-added' });
    else if (!after) changes.push({ ...named, code: 'piece-removed' });
    else changes.push(...pieceChanges(before, after, definition, named));
  }
  return [...changes, ...wholeChanges(from, to)];
}

function pieceChanges(before: Piece, after: Piece, definition: PieceDefinition, named: Named): LaneChange[] {
  return [
    ...(before.on === after.on ? [] : [{ ...named, code: after.on ? ('piece-on' as const) : ('piece-off' as const) }]),
    ...whereChanges(before, after, named),
    ...settingChanges(before, after, definition, named),
    ...partChanges(before, after, definition, named),
    ...wordChanges(before, after, definition, named),
    ...lookChanges(before, after, definition, named),
  ];
}

function whereChanges(before: Piece, after: Piece, named: Named): LaneChange[] {
  const list = (values: readonly string[]) => values.join(', ') || 'none';
  const scope = (value: Piece['where']['categories']) =>
    value.mode === 'all' ? 'all' : `${value.mode} ${list(value.slugs)}`;
  const pairs = [
    ['devices', list(sorted(before.where.devices)), list(sorted(after.where.devices))],
    ['pages', list([...before.where.pages].sort()), list([...after.where.pages].sort())],
    ['categories', scope(before.where.categories), scope(after.where.categories)],
    ['products', scope(before.where.products), scope(after.where.products)],
  ] as const;
  return pairs.filter(([, a, b]) => a !== b).map(([what, a, b]) => ({ ...named, code: 'where', what, from: a, to: b }));
}

function settingChanges(before: Piece, after: Piece, definition: PieceDefinition, named: Named): LaneChange[] {
  return Object.entries(definition.settings)
    .filter(([key]) => before.settings[key] !== after.settings[key])
    .map(([key, spec]) => ({
      ...named,
      code: 'setting',
      what: spec.label,
      from: settingText(spec, before.settings[key]),
      to: settingText(spec, after.settings[key]),
    }));
}

function settingText(spec: SettingSpec, value: Piece['settings'][string] | undefined): string {
  switch (spec.type) {
    case 'choice':
      return spec.options[String(value)] ?? String(value);
    case 'toggle':
      return value ? 'on' : 'off';
    case 'number':
      return `${value} ${spec.unit}`.trim();
    case 'place': {
      const { edge, along } = readPlace(String(value));
      return `${edge} edge, ${along} % along`;
    }
    case 'picture':
      return value ? 'a picture of your own' : 'none';
  }
}

function partChanges(before: Piece, after: Piece, definition: PieceDefinition, named: Named): LaneChange[] {
  const changes: LaneChange[] = [];
  const label = (key: string) => definition.parts[key]?.label ?? key;
  for (const part of after.parts) {
    const old = before.parts.find((candidate) => candidate.key === part.key);
    if (old && old.on !== part.on)
      changes.push({ ...named, code: part.on ? 'part-on' : 'part-off', what: label(part.key) });
    if (old && sorted(old.hideOn).join() !== sorted(part.hideOn).join()) {
      changes.push({ ...named, code: 'part-devices', what: label(part.key), hiddenOn: sorted(part.hideOn) });
    }
  }
  for (const key of movedKeys(
    before.parts.map((part) => part.key),
    after.parts.map((part) => part.key),
  )) {
    const position = after.parts.findIndex((part) => part.key === key);
    changes.push({
      ...named,
      code: 'part-moved',
      what: label(key),
      after: position === 0 ? null : label(after.parts[position - 1]!.key),
    });
  }
  return changes;
}

/** The fewest keys that must move to turn one order into the other: those outside a longest increasing subsequence. */
function movedKeys(before: readonly string[], after: readonly string[]): string[] {
  const places = after.map((key) => before.indexOf(key));
  const runs: number[][] = [];
  for (const [i, place] of places.entries()) {
    const best = runs.reduce<number[]>(
      (top, run) => (places[run.at(-1)!]! < place && run.length > top.length ? run : top),
      [],
    );
    runs.push([...best, i]);
  }
  const kept = new Set(runs.reduce<number[]>((top, run) => (run.length > top.length ? run : top), []));
  return after.filter((_, i) => !kept.has(i));
}

function wordChanges(before: Piece, after: Piece, definition: PieceDefinition, named: Named): LaneChange[] {
  const languages = new Set(['en', ...Object.keys(before.words), ...Object.keys(after.words)]);
  return [...languages].flatMap((language) => {
    const [old, now] = [resolveWords(definition, before, language), resolveWords(definition, after, language)];
    return Object.entries(definition.words)
      .filter(([key]) => old[key] !== now[key])
      .map(([key, spec]): LaneChange => ({
        ...named,
        code: 'word',
        what: language === 'en' ? spec.label : `${spec.label} (${language})`,
        from: old[key]!,
        to: now[key]!,
      }));
  });
}

function lookChanges(before: Piece, after: Piece, definition: PieceDefinition, named: Named): LaneChange[] {
  const changes: LaneChange[] = [];
  for (const [key, slot] of Object.entries(definition.looks)) {
    for (const state of slot.states) {
      for (const property of slot.properties) {
        const [a, b] = [before, after].map((piece) => piece.look.slots[key]?.[state]?.[property]);
        if (a === b) continue;
        const text = (value: typeof a) =>
          value === undefined ? 'the theme' : String(value).replace(/^token:/, 'theme ');
        changes.push({
          ...named,
          code: 'look',
          what: slot.label,
          property: LOOK_PROPERTIES[property as LookProperty].label,
          state,
          from: text(a),
          to: text(b),
        });
      }
    }
  }
  if (before.look.css !== after.look.css) changes.push({ ...named, code: 'css' });
  return changes;
}

function wholeChanges(from: Lane, to: Lane): LaneChange[] {
  const flat = (value: unknown) => (typeof value === 'object' ? JSON.stringify(value) : String(value));
  const named: Named = { pieceId: null, pieceName: 'Shop' };
  const shop = { ...from.shop, ...from.theme };
  const changes: LaneChange[] = Object.entries({ ...to.shop, ...to.theme })
    .filter(([key, value]) => flat(value) !== flat(shop[key as keyof typeof shop]))
    .map(([key, value]) => ({
      ...named,
      code: 'shop',
      what: key,
      from: flat(shop[key as keyof typeof shop]),
      to: flat(value),
    }));
  for (const language of new Set([...from.shop.languages, ...to.shop.languages, 'en'])) {
    const [before, after] = [from, to].map((lane) => resolveShopWords(lane.shopWords, language));
    for (const [key, spec] of Object.entries(SHOP_WORDS) as [ShopWord, WordSpec][])
      if (before![key] !== after![key])
        changes.push({
          ...named,
          code: 'word',
          what: language === 'en' ? spec.label : `${spec.label} (${language})`,
          from: before![key],
          to: after![key],
        });
  }
  for (const id of new Set([...from.offers, ...to.offers].map((offer) => offer.id))) {
    const [a, b] = [from, to].map((lane) => lane.offers.find((offer) => offer.id === id));
    if (flat(a) !== flat(b))
      changes.push({
        ...named,
        code: 'offer',
        what: (b ?? a)!.name,
        from: a ? flat(a) : 'none',
        to: b ? flat(b) : 'none',
      });
  }
  return changes;
}

function sorted(devices: readonly (typeof DEVICES)[number][]): string[] {
  return DEVICES.filter((device) => devices.includes(device));
}
