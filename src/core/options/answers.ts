import { own } from '~/core/own';

/** One answer: text as typed, a choice's value, a number or day as text, an upload's id, `yes` for an add-on; a list for many. */
export type Answer = string | readonly string[];
export type Answers = Readonly<Record<string, Answer>>;

export const ANSWER_FIELD = 'option:';

/** Answers from the fields of a form; a field that comes several times is a list. */
export function readAnswers(fields: Iterable<readonly [string, unknown]>): Record<string, Answer> {
  const answers = new Map<string, string | string[]>();
  for (const [name, value] of fields) {
    if (!name.startsWith(ANSWER_FIELD) || typeof value !== 'string' || value.trim() === '') continue;
    const key = name.slice(ANSWER_FIELD.length);
    const before = answers.get(key);
    answers.set(key, before === undefined ? value : [...(Array.isArray(before) ? before : [before]), value]);
  }
  return Object.fromEntries(answers);
}

/** Whether two sets of answers are the same, in whatever order they are written. */
export function sameAnswers(a: Answers, b: Answers): boolean {
  const keys = Object.keys(a);
  return keys.length === Object.keys(b).length && keys.every((key) => String(a[key]) === String(own(b, key)));
}
