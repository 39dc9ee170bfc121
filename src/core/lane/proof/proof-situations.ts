import { directionOf } from '~/core/words';
import type { CartPick, Situation } from '../preview/situation';
import type { PieceDefinition } from '../settings/definition';
import { LOOK_STATES, type LookState } from '../settings/setting';

/** Windows in CSS px: the narrowest phone, a usual one, a tablet, a desktop. */
const WIDTHS = [320, 390, 768, 1280];
const LARGE_TEXT_PERCENT = 200;
const PHONE_PX = 390;

const STATE_LABELS: Readonly<Record<LookState, string>> = {
  rest: 'At rest',
  hover: 'Under the pointer',
  focus: 'In focus',
  pressed: 'Pressed',
};

/** Carts that every piece is shown with that shows what is in one. */
const CARTS: Readonly<Partial<Record<CartPick, string>>> = {
  'nine-lines': 'Nine lines',
  'code-taken': 'Code taken',
  'code-refused': 'Code refused',
  'under-threshold': 'Under free delivery',
  'at-threshold': 'Just free delivery',
  'over-threshold': 'Well over free delivery',
};
const SUGGESTIONS = [0, 1, 4];
const SUGGESTION_WORDS = ['No suggestion', 'One suggestion', 'Four suggestions'];

/**
 * Every situation a piece is proved in: those of its kind, and its everyday one in each width, each of the shop's
 * languages, with large text, and in each state that its look has rules for.
 */
export function proofSituations(
  definition: Pick<PieceDefinition, 'looks' | 'showsSuggestions'>,
  own: readonly Situation[],
  languages: readonly string[],
): Situation[] {
  const [everyday] = own;
  if (!everyday) return [];
  const names = new Intl.DisplayNames(['en'], { type: 'language' });
  const isShown = (width: number) =>
    own.some(
      (situation) => situation.width === width && situation.product === everyday.product && !situation.rightToLeft,
    );
  const more: Situation[] = [
    ...WIDTHS.filter((width) => !isShown(width)).map((width) => ({
      ...everyday,
      key: `width-${width}`,
      label: `${width} px wide`,
      width,
    })),
    ...languages.slice(1).map((language) => ({
      ...everyday,
      key: `language-${language}`,
      label: names.of(language) ?? language,
      width: PHONE_PX,
      language,
      rightToLeft: directionOf(language) === 'rtl',
    })),
    ...[PHONE_PX, everyday.width]
      .filter((width, i, all) => all.indexOf(width) === i)
      .map((width) => ({
        ...everyday,
        key: `large-text-${width}`,
        label: `Large text, ${width} px`,
        width,
        textPercent: LARGE_TEXT_PERCENT,
      })),
    ...LOOK_STATES.filter((state) => hasState(definition, state)).map((state) => ({
      ...everyday,
      key: state,
      label: STATE_LABELS[state],
      state,
    })),
    ...(own.some(({ cart }) => cart === 'full')
      ? Object.entries(CARTS).map(([cart, label]) => ({ ...everyday, key: cart, label, cart: cart as CartPick }))
      : []),
    ...(definition.showsSuggestions
      ? SUGGESTIONS.map((suggestions, i) => ({
          ...everyday,
          key: `suggestions-${suggestions}`,
          label: SUGGESTION_WORDS[i]!,
          suggestions,
        }))
      : []),
    { ...everyday, key: 'calm', label: 'Without motion', media: 'calm' },
    { ...everyday, key: 'forced-colours', label: 'Forced colours', media: 'forced-colours' },
  ];
  return [...own, ...more];
}

/** Whether it can look otherwise in a state than at rest. */
function hasState({ looks }: Pick<PieceDefinition, 'looks'>, state: LookState): boolean {
  return state !== 'rest' && Object.values(looks).some(({ states }) => states.includes(state));
}
