import { choice, numeric, toggle, type ManifestPiece, type PartSpec, type SettingsOf } from '~/core/lane';
import { say, type WordSpec } from '~/core/words';

/** Settings of the fields that options are asked with, wherever they are. */
export const optionSettings = {
  prices: choice({
    task: 'parts',
    label: 'What an answer costs',
    help: 'Beside the answer, or only in the price that changes with it.',
    options: { beside: 'Beside it', hidden: 'In the price' },
    default: 'beside',
  }),
  help: choice({
    task: 'parts',
    label: 'Help texts',
    help: 'Under each option, or folded behind a question mark.',
    options: { under: 'Under it', folded: 'Folded' },
    default: 'under',
  }),
  counter: toggle({
    task: 'parts',
    label: 'Characters left',
    help: 'Counts down under texts with a limit.',
    default: true,
  }),
  choicesAs: choice({
    task: 'parts',
    label: 'Single choice as',
    help: 'Buttons are quicker; a list takes less room. More than eight are always a list.',
    options: { buttons: 'Buttons', list: 'List' },
    default: 'buttons',
  }),
  swatchSize: numeric({
    task: 'look',
    label: 'Swatch size',
    help: 'Never too small for a thumb.',
    min: 28,
    max: 64,
    step: 2,
    unit: 'px',
    default: 40,
  }),
  gap: numeric({
    task: 'look',
    label: 'Room between options',
    help: 'Above each option.',
    min: 4,
    max: 32,
    step: 2,
    unit: 'px',
    default: 14,
  }),
};

/** Parts of those fields. */
export const optionParts = {
  fields: { label: 'Options', help: 'Asked in the order you gave them in the catalogue.', on: true },
  extra: { label: 'What they add', help: 'The sum of all answers, while there is one.', on: true },
} satisfies Record<string, PartSpec>;

/** Their words. */
export const optionWords = {
  needed: {
    part: 'fields',
    label: 'Required',
    help: 'Beside what must be answered.',
    default: say('required', 'erforderlich', 'مطلوب'),
  },
  none: {
    part: 'fields',
    label: 'No answer',
    help: 'First in a list that may stay open.',
    default: say('None', 'Keine', 'بدون'),
  },
  left: {
    part: 'fields',
    label: 'Characters left',
    help: '{count} stands for the number.',
    default: say(
      '{count, plural, one {# character} other {# characters}} left',
      'noch {count} Zeichen',
      'بقي {count} حرفًا',
    ),
  },
  once: {
    part: 'fields',
    label: 'Once',
    help: 'Behind a price that counts once.',
    default: say('once', 'einmal', 'مرة واحدة'),
  },
  choose: {
    part: 'fields',
    label: 'Choose a file',
    help: 'On the button.',
    default: say('Choose a file', 'Datei wählen', 'اختر ملفًا'),
  },
  replace: {
    part: 'fields',
    label: 'Another file',
    help: 'When one is there.',
    default: say('Choose another', 'Andere wählen', 'اختر آخر'),
  },
  sending: {
    part: 'fields',
    label: 'While a file is sent',
    help: 'Seen on slow connections.',
    default: say('Sending …', 'Wird gesendet …', 'جارٍ الإرسال …'),
  },
  yes: {
    part: 'fields',
    label: 'Add-on',
    help: 'Beside the tick.',
    default: say('Yes, please', 'Ja, bitte', 'نعم، من فضلك'),
  },
  help: {
    part: 'fields',
    label: 'Help',
    help: 'Unfolds a help text.',
    default: say('What is this?', 'Was ist das?', 'ما هذا؟'),
  },
  onlyWhen: {
    part: 'fields',
    label: 'Only when',
    help: 'For shoppers without script, before the condition.',
    default: say('Counts only when:', 'Zählt nur, wenn:', 'يُحتسب فقط عندما:'),
  },
  extra: {
    part: 'extra',
    label: 'What they add',
    help: '{amount} stands for the sum.',
    default: say('Options: {amount}', 'Optionen: {amount}', 'الخيارات: {amount}'),
  },
} satisfies Record<string, WordSpec>;

/** The piece whose settings the fields follow. */
export type OptionsPiece = ManifestPiece<
  SettingsOf<typeof optionSettings>,
  keyof typeof optionWords,
  keyof typeof optionParts
>;
