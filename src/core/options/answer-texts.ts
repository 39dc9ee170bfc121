import { own } from '~/core/own';
import type { Answers } from './answers';
import type { ProductOption } from './option.schema';

/** An answer as people read it. `uploadId` is set for files; `text` is then the file's name. */
export interface AnswerText {
  readonly key: string;
  readonly label: string;
  readonly text: string;
  readonly uploadId?: string;
}

/** The answers in the order of the options. `nameOfUpload` knows what an uploaded file was called. */
export function answerTexts(
  options: readonly ProductOption[],
  answers: Answers,
  nameOfUpload: (id: string) => string | undefined = () => undefined,
): AnswerText[] {
  return options.flatMap((option): AnswerText[] => {
    const answer = own(answers, option.key);
    if (answer === undefined) return [];
    const { key, label } = option;
    switch (option.kind) {
      case 'one':
      case 'swatch':
      case 'many': {
        const values = typeof answer === 'string' ? [answer] : answer;
        const text = option.choices.filter((choice) => values.includes(choice.value)).map((choice) => choice.label);
        return [{ key, label, text: text.join(', ') }];
      }
      case 'number':
        return [{ key, label, text: `${String(answer)} ${option.unit}`.trim() }];
      case 'file':
        return [{ key, label, text: nameOfUpload(String(answer)) ?? '–', uploadId: String(answer) }];
      case 'addOn':
        return [{ key, label, text: option.product?.name ?? option.sku }];
      default:
        return [{ key, label, text: String(answer) }];
    }
  });
}
