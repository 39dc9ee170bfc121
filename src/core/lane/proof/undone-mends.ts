import type { CheckKey } from '~/core/proof';
import { LOOK_PROPERTIES, type LookProperty, type LookState } from '../settings/setting';
import { STATE_WORDS, type Concerned, type Mend } from './mend';
import { ownRules, type OwnRule } from './own-rules';

/** Properties that are likely to have caused what a check found. */
const CAUSES: Readonly<Partial<Record<CheckKey, RegExp>>> = {
  faint: /color|background|opacity|filter|fill/,
  unmarked: /color|border|background|opacity|fill|stroke/,
  'unseen-focus': /outline|shadow|border|background/,
  covered: /position|inset|width|height|z-index|margin|transform|top|left|right|bottom|pointer-events/,
  'no-close': /display|visibility|position|inset|transform|opacity|pointer-events/,
  cut: /overflow|height|width|clip|white-space|font|line/,
  'sticks-out': /font|width|height|padding|white-space|line|letter/,
  narrow: /width|flex|grid|overflow-wrap|word-break|columns/,
  small: /width|height|padding|font|inline|block/,
  sideways: /width|white-space|min|margin|position|overflow/,
  dead: /pointer-events/,
  shifts: /aspect|height|width|object|position/,
  moves: /animation|transition/,
  unannounced: /display|visibility/,
};
/** Every change of the owner's own taken back by itself, that of the place itself first. */
export function undoneMends(check: CheckKey, one: Concerned): Mend[] {
  const { at, definition } = one;
  const isNear = ({ part, setting }: Mend) =>
    Number(part !== null && part === (at.part ?? definition.looks[at.slot ?? '']?.part)) +
    Number(at.slot !== null && setting.startsWith(definition.looks[at.slot]?.label ?? '\n'));
  return [
    ...undoneRules(check, one),
    ...[...undoneLooks(one), ...undoneWords(one), ...undoneSettings(one)].sort((a, b) => isNear(b) - isNear(a)),
  ];
}

/** Style rules taken back a declaration at a time, first those that name the place and do what was found. */
function undoneRules(check: CheckKey, { pieceId, piece, at }: Concerned): Mend[] {
  const names = [at.slot, at.part, at.word].filter((name) => name !== null);
  const isLikely = ({ property, selector }: OwnRule) =>
    2 * Number(CAUSES[check]?.test(property) ?? false) +
    Number(names.some((name) => selector.includes(`=${name}]`))) +
    Number(check === 'unseen-focus' && selector.includes(':focus'));
  const rules = ownRules(piece.look.css).sort((a, b) => isLikely(b) - isLikely(a));
  return rules.map(({ line, text, without }) => ({
    pieceId,
    task: 'look',
    part: null,
    setting: `Own style rules, line ${line}`,
    label: `Remove “${text.slice(0, 40)}”`,
    change: (lane) => {
      const changed = lane.pieces[pieceId];
      if (changed) changed.look.css = without;
    },
  }));
}

function undoneLooks({ pieceId, piece, definition }: Concerned): Mend[] {
  return Object.entries(piece.look.slots).flatMap(([key, states]) =>
    Object.entries(states ?? {}).flatMap(([state, rules]) =>
      Object.keys(rules ?? {}).map((property): Mend => ({
        pieceId,
        task: 'look',
        part: definition.looks[key]?.part ?? null,
        setting: `${definition.looks[key]?.label ?? key}${STATE_WORDS[state as LookState]}: ${LOOK_PROPERTIES[property as LookProperty].label.toLowerCase()}`,
        label: 'Back to the usual',
        change: (lane) => {
          delete lane.pieces[pieceId]?.look.slots[key]?.[state as LookState]?.[property as LookProperty];
        },
      })),
    ),
  );
}

/** The owner's texts taken back: all of them, or one in one language. */
export function undoneWords(
  { pieceId, piece, definition }: Concerned,
  only?: string,
  onlyWord?: string | null,
): Mend[] {
  return Object.entries(piece.words).flatMap(([language, words]) =>
    Object.keys(words)
      .filter((word) => only === undefined || (language === only && word === onlyWord))
      .map((word): Mend => ({
        pieceId,
        task: 'words',
        part: definition.words[word]?.part ?? null,
        setting: definition.words[word]?.label ?? word,
        label: 'Use the usual text',
        change: (lane) => {
          delete lane.pieces[pieceId]?.words[language]?.[word];
        },
      })),
  );
}

function undoneSettings({ pieceId, piece, definition }: Concerned): Mend[] {
  return Object.entries(definition.settings).flatMap(([key, spec]): Mend[] => {
    const now = piece.settings[key];
    if (now === undefined || JSON.stringify(now) === JSON.stringify(spec.default)) return [];
    return [
      {
        pieceId,
        task: spec.task,
        part: spec.part ?? null,
        setting: spec.label,
        label: 'Back to the usual',
        change: (lane) => {
          const changed = lane.pieces[pieceId];
          if (changed) changed.settings[key] = structuredClone(spec.default);
        },
      },
    ];
  });
}
