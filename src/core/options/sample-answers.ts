import type { Answers } from './answers';
import type { ProductOption } from './option.schema';

/** An answer to everything that can be answered without a file or a day, so that as much as possible is asked and seen. */
export function sampleAnswers(options: readonly ProductOption[]): Answers {
  return Object.fromEntries(
    options.flatMap((option): [string, string | string[]][] => {
      switch (option.kind) {
        case 'text':
          return [[option.key, 'Ada of the Lake'.slice(0, option.most)]];
        case 'one':
        case 'swatch':
          return [[option.key, (option.choices[1] ?? option.choices[0]!).value]];
        case 'many':
          return [[option.key, option.choices.slice(0, Math.max(1, option.least)).map((choice) => choice.value)]];
        case 'number':
          return [[option.key, String(option.min)]];
        case 'addOn':
          return [[option.key, 'yes']];
        default:
          return [];
      }
    }),
  );
}
