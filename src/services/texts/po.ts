import { po } from 'gettext-parser';
import { fail, ok, type Result } from '~/core/problems';

/** A text of a PO file (GNU gettext). */
export interface PoText {
  /** Where it stands, as the program knows it: `msgctxt`. */
  readonly key: string;
  readonly source: string;
  /** Empty: not translated. */
  readonly target: string;
  /** For whoever translates. */
  readonly note: string;
}

export interface PoFile {
  /** ISO 639-1, as its header says. */
  readonly language: string;
  readonly texts: readonly Omit<PoText, 'note'>[];
}

/** An empty source would be taken for the header. */
const EMPTY = '(empty)';

export function writePo({ language, texts }: { readonly language: string; readonly texts: readonly PoText[] }): string {
  const contexts = texts.map(({ key, source, target, note }) => {
    const msgid = source || EMPTY;
    return [key, { [msgid]: { msgctxt: key, msgid, msgstr: [target], comments: { extracted: note } } }] as const;
  });
  const headers = { Language: language, 'MIME-Version': '1.0', 'Content-Type': 'text/plain; charset=utf-8' };
  const header = { '': { msgid: '', msgstr: [''] } };
  const translations = { '': header, ...Object.fromEntries(contexts) };
  return new TextDecoder().decode(po.compile({ charset: 'utf-8', headers, translations }));
}

/** Reads a PO file. One that cannot be read is refused with its line, where that is known. */
export function readPo(text: string): Result<PoFile> {
  try {
    const { headers, translations } = po.parse(text);
    const language = (headers['Language'] ?? '').slice(0, 2).toLowerCase();
    const texts = Object.entries(translations).flatMap(([key, entries]) =>
      key === ''
        ? []
        : Object.values(entries).map(({ msgid, msgstr }) => ({
            key,
            source: msgid === EMPTY ? '' : msgid,
            target: msgstr[0] ?? '',
          })),
    );
    return ok({ language, texts });
  } catch (error) {
    const { lineNumber } = error as { lineNumber?: number };
    return fail('file', 'po-unreadable', { line: lineNumber ?? 1 });
  }
}
