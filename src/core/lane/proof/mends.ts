import { nearestPassing, type CheckKey, type ProofProblem } from '~/core/proof';
import { readPlace } from '~/core/opener-position';
import { deviceOf } from '~/core/where';
import { directionOf } from '~/core/words';
import type { Lane } from '../document/lane.schema';
import { resolveLook } from '../document/resolve';
import type { Situation } from '../preview/situation';
import type { PieceDefinition } from '../settings/definition';
import { LOOK_PROPERTIES, type LookProperty, type LookState, type LookValue } from '../settings/setting';
import { STATE_WORDS, type Concerned, type Mend } from './mend';
import { undoneMends, undoneWords } from './undone-mends';

export type { Mend } from './mend';

interface Asked {
  readonly problem: ProofProblem;
  readonly situation: Situation;
  readonly lane: Lane;
  readonly definitions: readonly PieceDefinition[];
}

/** What is wrong with the room or the place something takes; what nobody can name or read is not helped by hiding it. */
const HELPED_BY_HIDING: ReadonlySet<CheckKey> = new Set([
  'covered',
  'several',
  'faint',
  'cut',
  'sticks-out',
  'narrow',
  'small',
  'sideways',
  'shifts',
  'dead',
  'no-close',
]);
const SMALLEST_TEXT_PX = 12;
const CORNERS = ['bottom 0', 'top 100', 'top 0', 'bottom 100', 'end 50', 'start 50'];
/**
 * What could mend a problem, likeliest first: the nearest change of what was measured, then every change of the owner's
 * own undone, what lies nearest first, then the part left out where it was found.
 * @param pieceId the piece that was proved, for a problem of the whole page
 */
export function mendsFor(asked: Asked, pieceId: string): Mend[] {
  const { problem, lane, definitions } = asked;
  const places = [problem.at];
  if (problem.check === 'covered') places.unshift(problem.by);
  if (problem.check === 'several') places.push(...problem.others);
  const concerned = places.flatMap((at): Concerned[] => {
    const id = at.pieceId || pieceId;
    const piece = lane.pieces[id];
    const definition = definitions.find(({ kind }) => kind === piece?.kind);
    return piece && definition ? [{ pieceId: id, piece, definition, at }] : [];
  });
  // Only words can be in the wrong language.
  if (problem.check === 'untranslated')
    return concerned.flatMap((one) => undoneWords(one, problem.language, problem.at.word));
  return [
    ...concerned.flatMap((one) => nearestMends(asked, one)),
    ...concerned.flatMap((one) => undoneMends(problem.check, one)),
    ...concerned.flatMap((one) => leftOutMends(asked, one)),
  ];
}

/** The smallest change of what was measured. */
function nearestMends(asked: Asked, one: Concerned): Mend[] {
  const { problem, situation } = asked;
  switch (problem.check) {
    case 'faint':
      return colourMends(problem, situation.state ?? 'rest', one);
    case 'unmarked':
      return markMends(problem, situation.state ?? 'rest', one);
    case 'cut':
    case 'sticks-out':
    case 'narrow':
      return sizeMends(one, (size) => [0.9, 0.8, 0.7, 0.6].map((share) => Math.round(size * share)));
    case 'small':
      return sizeMends(one, (size) => [1.25, 1.5, 2].map((share) => Math.round(size * share)));
    case 'covered':
      return cornerMends(asked, one);
    default:
      return [];
  }
}

function lookMend(one: Concerned, key: string, state: LookState, [property, value]: [LookProperty, LookValue]): Mend {
  const { pieceId, definition } = one;
  const slot = definition.looks[key]!;
  return {
    pieceId,
    task: 'look',
    part: slot.part ?? null,
    setting: `${slot.label}${STATE_WORDS[state]}: ${LOOK_PROPERTIES[property].label.toLowerCase()}`,
    label: `Change it to ${value}${typeof value === 'number' ? ' px' : ''}`,
    change: (lane) => {
      const slots = lane.pieces[pieceId]?.look.slots;
      if (slots) ((slots[key] ??= {})[state] ??= {})[property] = value;
    },
  };
}

/** Another colour of the text, or of its ground where the owner chose that. */
function colourMends(problem: ProofProblem & { check: 'faint' }, shown: LookState, one: Concerned): Mend[] {
  const { at, definition, piece } = one;
  const slot = at.slot === null ? undefined : definition.looks[at.slot];
  if (!slot || at.slot === null) return [];
  const state = slot.states.includes(shown) ? shown : 'rest';
  const { colour, ground, wanted } = problem;
  const text = nearestPassing(colour, ground, wanted);
  const behind = nearestPassing(ground, colour, wanted);
  const mends: Mend[] = [];
  const own = piece.look.slots[at.slot]?.[state];
  if (text !== null && slot.properties.includes('text')) mends.push(lookMend(one, at.slot, state, ['text', text]));
  if (behind !== null && slot.properties.includes('background'))
    mends.push(lookMend(one, at.slot, state, ['background', behind]));
  return own?.background !== undefined && own.text === undefined ? mends.reverse() : mends;
}

/** Another colour of the edge or the drawing. */
function markMends(problem: ProofProblem & { check: 'unmarked' }, shown: LookState, one: Concerned): Mend[] {
  const { at, definition } = one;
  const slot = at.slot === null ? undefined : definition.looks[at.slot];
  const property = problem.what === 'edge' ? 'border' : 'text';
  const colour = nearestPassing(problem.colour, problem.ground, problem.wanted);
  if (!slot || at.slot === null || colour === null || !slot.properties.includes(property)) return [];
  return [lookMend(one, at.slot, slot.states.includes(shown) ? shown : 'rest', [property, colour])];
}

function sizeMends(one: Concerned, sizes: (from: number) => readonly number[]): Mend[] {
  const { at, definition, piece } = one;
  const slot = at.slot === null ? undefined : definition.looks[at.slot];
  if (!slot || at.slot === null || !slot.properties.includes('size')) return [];
  const now = resolveLook(slot, piece.look.slots[at.slot], 'rest', 'size');
  const most = LOOK_PROPERTIES.size.max;
  return sizes(typeof now === 'number' ? now : 16)
    .filter((size) => size >= SMALLEST_TEXT_PX && size <= most)
    .map((size) => lookMend(one, at.slot!, 'rest', ['size', size]));
}

/** The other corners of what can be dragged about, on the devices on which it was found. */
function cornerMends({ situation, lane }: Asked, { pieceId, piece, definition }: Concerned): Mend[] {
  const isPhone = deviceOf(situation.width) === 'phone';
  return Object.entries(definition.settings).flatMap(([key, spec]) => {
    if (spec.type !== 'place' || /phone/i.test(key) !== isPhone) return [];
    const now = piece.settings[key] ?? spec.default;
    return CORNERS.filter((corner) => corner !== now).map((corner): Mend => ({
      pieceId,
      task: spec.task,
      part: spec.part ?? null,
      setting: spec.label,
      label: `Move it to the ${cornerName(corner, lane)}`,
      change: (changing) => {
        const changed = changing.pieces[pieceId];
        if (changed) changed.settings[key] = corner;
      },
    }));
  });
}

/** Where a corner is on the pages of the shop's own language. */
function cornerName(corner: string, { shop }: Lane): string {
  const { edge, along } = readPlace(corner);
  const isAcross = edge === 'top' || edge === 'bottom';
  const isStart = isAcross ? along === 0 : edge === 'start';
  const isLeft = isStart === (directionOf(shop.languages[0]!) === 'ltr');
  const row = { top: 'upper', bottom: 'lower', start: 'middle', end: 'middle' }[edge];
  return `${row} ${isLeft ? 'left' : 'right'}`;
}

/** The part hidden on the device it was found on; a surface too many turned off. */
function leftOutMends({ problem, situation }: Asked, { pieceId, piece, definition, at }: Concerned): Mend[] {
  const device = deviceOf(situation.width);
  const mends: Mend[] = [];
  if (!HELPED_BY_HIDING.has(problem.check)) return [];
  const isNeeded = (key: string) => (definition.needs ?? []).some(({ oneOf }) => Object.hasOwn(oneOf, key));
  if (at.part !== null && !isNeeded(at.part) && piece.parts.some(({ key }) => key === at.part))
    mends.push({
      pieceId,
      task: 'parts',
      part: at.part,
      setting: definition.parts[at.part]?.label ?? at.part,
      label: `Hide it on ${device}s`,
      change: (lane) => {
        const part = lane.pieces[pieceId]?.parts.find(({ key }) => key === at.part);
        if (part && !part.hideOn.includes(device)) part.hideOn.push(device);
      },
    });
  if ((problem.check === 'several' || problem.check === 'covered') && !definition.isAlwaysOn)
    mends.push({
      pieceId,
      task: 'where',
      part: null,
      setting: 'On or off',
      label: 'Turn it off',
      change: (lane) => {
        const changed = lane.pieces[pieceId];
        if (changed) changed.on = false;
      },
    });
  return mends;
}
