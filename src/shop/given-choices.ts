import { ANSWER_FIELD, readAnswers, type Answers } from '~/core/options';

/** What was chosen in a form that was sent and refused: it comes back in the address, so that nothing is chosen twice. */
export interface GivenChoices {
  readonly choices: Readonly<Record<string, string>>;
  /** null: nothing was sent. */
  readonly answers: Answers | null;
  readonly quantity: number;
}

const CHOICE_FIELD = 'choice:';

export function readGiven(search: URLSearchParams): GivenChoices {
  const names = [...search.keys()];
  const quantity = Number(search.get('quantity'));
  return {
    choices: Object.fromEntries(
      names
        .filter((name) => name.startsWith(CHOICE_FIELD))
        .map((name) => [name.slice(CHOICE_FIELD.length), search.get(name)!]),
    ),
    answers: search.has('given') ? readAnswers(search) : null,
    quantity: Number.isInteger(quantity) && quantity >= 1 && quantity <= 999 ? quantity : 1,
  };
}

/** Longer than this no server reads an address. */
const LONGEST_ADDRESS = 8000;

/** The address of a page whose form is to show what was chosen; what would make it too long is left out, longest first. */
export function addressWithGiven(
  path: string,
  fields: FormData,
  answers: ReadonlyMap<string, string | readonly string[]>,
): string {
  const given: [string, string][] = [['given', '1']];
  for (const [name, value] of fields)
    if (typeof value === 'string' && (name.startsWith(CHOICE_FIELD) || name === 'quantity' || name === 'return'))
      given.push([name, value]);
  for (const [key, value] of answers)
    for (const one of typeof value === 'string' ? [value] : value) given.push([ANSWER_FIELD + key, one]);
  let search = new URLSearchParams(given);
  while (search.toString().length > LONGEST_ADDRESS) {
    const longest = given.reduce((at, [, value], i) => (value.length > given[at]![1].length ? i : at), 0);
    given.splice(longest, 1);
    search = new URLSearchParams(given);
  }
  return `${path}?${search}`;
}
