import { parse, TYPE, type MessageFormatElement } from '@formatjs/icu-messageformat-parser';

/** What a text of the owner's stands on: the names in braces, or why it cannot be read as a message (ICU MessageFormat). */
export type CheckedMessage =
  { readonly ok: true; readonly placeholders: readonly string[] } | { readonly ok: false; readonly because: string };

/** Reads a text as `fill` will: `{name}`, and `{count, plural, one {…} other {…}}` with nothing but text and `#` in its forms. */
export function checkMessage(text: string): CheckedMessage {
  try {
    const names = new Set<string>();
    for (const part of parse(text, { ignoreTag: true })) {
      if (part.type === TYPE.literal || part.type === TYPE.pound) continue;
      const wrong = unsupported(part);
      if (wrong) return { ok: false, because: wrong };
      names.add((part as { value: string }).value);
    }
    return { ok: true, placeholders: [...names] };
  } catch (error) {
    return { ok: false, because: wordParseError((error as Error).message) };
  }
}

function unsupported(part: MessageFormatElement): string | null {
  if (part.type === TYPE.argument) return null;
  if (part.type !== TYPE.plural || part.pluralType === 'ordinal')
    return 'only {name} and {count, plural, …} can stand in braces';
  const isPlain = Object.values(part.options).every(({ value }) =>
    value.every(({ type }) => type === TYPE.literal || type === TYPE.pound),
  );
  return isPlain ? null : 'a form of a plural may hold text and #, and no braces of its own';
}

/** The parser's code as what to do. */
function wordParseError(code: string): string {
  if (code === 'MISSING_OTHER_CLAUSE') return 'a plural needs the form “other”';
  if (code.includes('PLURAL_ARGUMENT_SELECTOR')) return 'forms of a plural are zero, one, two, few, many, other or =2';
  if (code === 'EMPTY_ARGUMENT') return 'there is nothing between two braces';
  return 'a brace is not closed, or one too many is there';
}
