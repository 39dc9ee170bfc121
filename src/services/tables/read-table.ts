import { detect } from 'chardet';
import Papa from 'papaparse';
import { guessDelimiter, type CsvRow } from '~/core/formats';
import { fail, ok, type Problem, type Result } from '~/core/problems';

export interface Table {
  readonly encoding: string;
  readonly delimiter: string;
  readonly headings: readonly string[];
  readonly rows: readonly CsvRow[];
}

/** What a table can have at most, besides rows. */
export const MOST_COLUMNS = 500;
export const MOST_CELLS = 4_000_000;

const written = (most: number) => most.toLocaleString('en');

/**
 * Reads a CSV file (RFC 4180) of unknown encoding and delimiter, in time that grows with its length. Columns without a heading at
 * the end are left out: spreadsheets put them there. Stops at the first cap that is passed. Only for the thread that reads tables.
 */
export function readTable(bytes: Uint8Array, { mostRows }: { readonly mostRows: number }): Result<Table> {
  if (isBinary(bytes)) return fail('file', 'csv-binary');
  const { text: decoded, encoding } = decode(bytes);
  // One kind of line break, so that lines are counted as editors count them.
  const text = decoded.replace(/^\uFEFF/, '').replace(/\r\n?/g, '\n');
  const delimiter = guessDelimiter(text);
  if (marksIn(text, delimiter) > MOST_CELLS) return fail('file', 'csv-cells', { limit: written(MOST_CELLS) });
  const rows: CsvRow[] = [];
  let [line, width] = [1, 0];
  let problem: Problem | null = null;
  function take(record: readonly string[]): Problem | null {
    if (rows.length === 0) width = record.findLastIndex(isFilled) + 1;
    if (width > MOST_COLUMNS)
      return { path: 'file', code: 'csv-columns', facts: { count: written(width), limit: written(MOST_COLUMNS) } };
    const cells = record.slice(0, width);
    if (cells.some(isFilled)) rows.push({ row: line, cells });
    line += 1 + breaksIn(record);
    return rows.length > mostRows + 1
      ? { path: 'file', code: 'csv-too-many', facts: { limit: written(mostRows) } }
      : null;
  }
  Papa.parse<string[]>(text, {
    delimiter,
    newline: '\n',
    step({ data, errors: [error] }, parser) {
      problem = error ? { path: `row ${line}`, code: 'csv-quote', facts: { message: error.message } } : take(data);
      if (problem) parser.abort();
    },
  });
  if (problem) return { ok: false, problems: [problem] };
  const [head, ...body] = rows;
  if (!head || body.length === 0) return fail('file', 'csv-empty');
  return ok({ encoding, delimiter, headings: head.cells.map((cell) => cell.trim()), rows: body });
}

const isFilled = (cell: string) => cell.trim() !== '';

/** Lines a record spans beyond its first, by the breaks quoted in it. */
function breaksIn(record: readonly string[]): number {
  return record.reduce((sum, cell) => sum + (cell.includes('\n') ? cell.split('\n').length - 1 : 0), 0);
}

/** Characters that separate, end or quote cells: each costs reading time. */
function marksIn(text: string, delimiter: string): number {
  const mark = delimiter.charCodeAt(0);
  let count = 0;
  for (let i = 0; i < text.length; i += 1) {
    const code = text.charCodeAt(i);
    if (code === mark || code === 0x0a || code === 0x22) count += 1;
  }
  return count;
}

const ZIP = [0x50, 0x4b, 0x03, 0x04];
/** How many bytes are looked at to tell text from other files. */
const LOOKED_AT = 4096;

/** Whether a file is not text: a spreadsheet (a zip), or a file with bytes that never occur in text. */
function isBinary(bytes: Uint8Array): boolean {
  const head = bytes.subarray(0, LOOKED_AT);
  if (ZIP.every((byte, i) => head[i] === byte)) return true;
  const isWide = (head[0] === 0xff && head[1] === 0xfe) || (head[0] === 0xfe && head[1] === 0xff);
  return head.includes(0) && !isWide && !detect(head)?.startsWith('UTF-16');
}

function decode(bytes: Uint8Array): { text: string; encoding: string } {
  try {
    return { text: new TextDecoder('utf-8', { fatal: true }).decode(bytes), encoding: 'UTF-8' };
  } catch {
    const guessed = detect(bytes.subarray(0, 100_000)) ?? 'windows-1252';
    const encoding = guessed.startsWith('UTF-8') ? 'windows-1252' : guessed;
    try {
      return { text: new TextDecoder(encoding).decode(bytes), encoding };
    } catch {
      return { text: new TextDecoder('windows-1252').decode(bytes), encoding: 'windows-1252' };
    }
  }
}
