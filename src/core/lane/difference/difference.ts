import { type LaneChange, type Named } from './lane-change';
import { wholeChanges } from './whole-changes';
import isEqual from 'fast-deep-equal';
import { sayTags } from '~/core/facts';
import { own } from '~/core/own';
import { LISTS, readPageName } from '~/core/where';
import { DEVICES } from '~/core/where/where.schema';
import { CALLED_CART } from '~/core/words';
import type { PieceDefinition } from '../settings/definition';
import type { Lane, Piece, ThemeColour } from '../document/lane.schema';
import { pieceName } from '../document/many';
import { resolveWords } from '../document/resolve';
import { SPOTS, type Spot } from '../settings/spots';
import { LOOK_PROPERTIES, type LookProperty, type LookSpec } from '../settings/setting';
import { settingText } from '../settings/types';
import { namesIn, NO_NAMES, type NameOf, type Naming, type ShopNames } from '../settings/shop-names';
import { THEME_LABELS } from '../document/theme';

/** One piece in two lanes. */
interface Pair {
  readonly before: Piece;
  readonly after: Piece;
  readonly definition: PieceDefinition;
  readonly naming: Naming;
}

const within = ({ pieceId }: Named, ...place: string[]) => ['pieces', pieceId!, ...place];

/**
 * Everything that differs, in the order an owner shapes a piece: on/off, where, parts, words, look. What the catalogue's things
 * are called is given by `names`; what is not in it goes by its slug.
 */
export function describeDifference(
  from: Lane,
  to: Lane,
  definitions: readonly PieceDefinition[],
  names: ShopNames = NO_NAMES,
): LaneChange[] {
  const changes: LaneChange[] = [];
  const nameOf = namesIn(names);
  const naming: Naming = {
    nameOf,
    offerName: (id) => (own(to.offers, id) ?? own(from.offers, id))?.name || id,
    say: (text) =>
      sayTags(text, {
        product: (slug) => nameOf('product', slug),
        piece: (id) => {
          const piece = own(to.pieces, id) ?? own(from.pieces, id);
          return piece ? pieceName(piece, definitions) : id;
        },
      }),
  };
  for (const id of new Set([...Object.keys(from.pieces), ...Object.keys(to.pieces)])) {
    const [before, after] = [from.pieces[id], to.pieces[id]];
    const definition = definitions.find((candidate) => candidate.kind === (after ?? before)?.kind);
    if (!definition) continue;
    const named: Named = { pieceId: id, pieceName: pieceName(after ?? before!, definitions) };
    const at = ['pieces', id];
    if (!before) changes.push({ ...named, at, code: 'piece-added' });
    else if (!after) changes.push({ ...named, at, code: 'piece-removed' });
    else changes.push(...pieceChanges({ before, after, definition, naming }, named));
  }
  return [...changes, ...wholeChanges(from, to, naming)];
}

function pieceChanges(pair: Pair, named: Named): LaneChange[] {
  const { before, after, definition } = pair;
  return [
    ...(before.name === after.name
      ? []
      : [
          {
            ...named,
            at: within(named, 'name'),
            code: 'setting' as const,
            what: 'Name',
            from: before.name || definition.name,
            to: after.name || definition.name,
          },
        ]),
    ...(before.on === after.on
      ? []
      : [{ ...named, at: within(named, 'on'), code: after.on ? ('piece-on' as const) : ('piece-off' as const) }]),
    ...whereChanges(pair, named),
    ...settingChanges(pair, named),
    ...partChanges(pair, named),
    ...wordChanges(pair, named),
    ...lookChanges(pair, named),
  ];
}

function whereChanges({ before, after, naming: { nameOf } }: Pair, named: Named): LaneChange[] {
  const list = (values: readonly string[]) => values.join(', ') || 'none';
  const scope = (value: Piece['where']['categories']) =>
    value.mode === 'all' ? 'all' : `${value.mode} ${list(value.slugs.map((slug) => nameOf('product', slug)))}`;
  const about = ({ mode, ...rest }: Piece['where']['categories']) =>
    mode === 'all' || !('slugs' in rest)
      ? 'all'
      : `${mode} ${list(rest.slugs.map((written) => aboutText(written, nameOf)))}`;
  const pairs = [
    ['devices', list(sorted(before.where.devices)), list(sorted(after.where.devices))],
    ['pages', list([...before.where.pages].sort()), list([...after.where.pages].sort())],
    ['categories', about(before.where.categories), about(after.where.categories)],
    ['products', scope(before.where.products), scope(after.where.products)],
    ['spot', spotText(before.where.spot), spotText(after.where.spot)],
    ['order', String(before.where.order), String(after.where.order)],
  ] as const;
  return pairs
    .filter(([, a, b]) => a !== b)
    .map(([what, a, b]) => ({
      ...named,
      at: within(named, 'where', what),
      code: 'where',
      what,
      from: a,
      to: b,
    }));
}

/** What a rule names, in words. */
export function aboutText(written: string, nameOf: NameOf = (_what, slug) => slug): string {
  const about = readPageName(written);
  if (about.kind === 'list') return LISTS[about.name].toLowerCase();
  return about.kind === 'category' ? nameOf('category', about.name) : `${about.kind} “${about.name}”`;
}

const spotText = (spot: string | null) => (spot === null ? 'nowhere' : (own(SPOTS, spot as Spot)?.label ?? spot));

function settingChanges({ before, after, definition, naming }: Pair, named: Named): LaneChange[] {
  return Object.entries(definition.settings)
    .filter(([key]) => !isEqual(before.settings[key], after.settings[key]))
    .map(([key, spec]) => ({
      ...named,
      at: within(named, 'settings', key),
      code: 'setting',
      what: spec.label,
      from: settingText(spec, before.settings[key], naming),
      to: settingText(spec, after.settings[key], naming),
    }));
}

function partChanges({ before, after, definition }: Pair, named: Named): LaneChange[] {
  const changes: LaneChange[] = [];
  const label = (key: string) => definition.parts[key]?.label ?? key;
  for (const part of after.parts) {
    const old = before.parts.find((candidate) => candidate.key === part.key);
    if (old && old.on !== part.on)
      changes.push({
        ...named,
        at: within(named, 'parts', part.key, 'on'),
        code: part.on ? 'part-on' : 'part-off',
        what: label(part.key),
      });
    if (old && sorted(old.hideOn).join() !== sorted(part.hideOn).join()) {
      changes.push({
        ...named,
        at: within(named, 'parts', part.key, 'hideOn'),
        code: 'part-devices',
        what: label(part.key),
        hiddenOn: sorted(part.hideOn),
      });
    }
  }
  for (const key of movedKeys(
    before.parts.map((part) => part.key),
    after.parts.map((part) => part.key),
  )) {
    const position = after.parts.findIndex((part) => part.key === key);
    changes.push({
      ...named,
      at: within(named, 'parts', key, 'place'),
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

/** Words are told as they were written: what the cart is called is one change, not one a word. */
function wordChanges({ before, after, definition, naming }: Pair, named: Named): LaneChange[] {
  const languages = new Set(['en', ...Object.keys(before.words), ...Object.keys(after.words)]);
  return [...languages].flatMap((language) => {
    const [old, now] = [
      resolveWords(definition, before, language, CALLED_CART),
      resolveWords(definition, after, language, CALLED_CART),
    ];
    return Object.entries(definition.words)
      .filter(([key]) => old[key] !== now[key])
      .map(([key, spec]): LaneChange => ({
        ...named,
        at: within(named, 'words', language, key),
        code: 'word',
        what: language === 'en' ? spec.label : `${spec.label} (${language})`,
        from: spec.isRich ? naming.say(old[key]!) : old[key]!,
        to: spec.isRich ? naming.say(now[key]!) : now[key]!,
      }));
  });
}

function lookChanges({ before, after, definition }: Pair, named: Named): LaneChange[] {
  const changes: LaneChange[] = [];
  for (const [key, slot] of Object.entries(definition.looks)) {
    for (const state of slot.states) {
      for (const property of slot.properties) {
        const [a, b] = [before, after].map((piece) => piece.look.slots[key]?.[state]?.[property]);
        if (a === b) continue;
        const text = (value: typeof a) =>
          value === undefined
            ? 'the theme'
            : (own((LOOK_PROPERTIES[property] as LookSpec).options ?? {}, String(value)) ??
              String(value).replace(/^token:(\w+)$/, (_, token: ThemeColour) => THEME_LABELS[token]));
        changes.push({
          ...named,
          at: within(named, 'look', 'slots', key, state, property),
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
  if (before.look.css !== after.look.css) changes.push({ ...named, at: within(named, 'look', 'css'), code: 'css' });
  return changes;
}

function sorted(devices: readonly (typeof DEVICES)[number][]): string[] {
  return DEVICES.filter((device) => devices.includes(device));
}
