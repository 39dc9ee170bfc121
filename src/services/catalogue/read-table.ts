import { detect } from 'chardet';
import { CsvError, parse } from 'csv-parse';
import { guessDelimiter, type CsvRow } from '~/core/formats';
import { fail, ok, type Result } from '~/core/problems';

export interface Table {
  readonly encoding: string;
  readonly delimiter: string;
  readonly headings: readonly string[];
  readonly rows: readonly CsvRow[];
}

/** Reads a CSV file of unknown encoding and delimiter. Yields to other work between batches of rows. */
export async function readTable(bytes: Uint8Array): Promise<Result<Table>> {
  const { text: decoded, encoding } = decode(bytes);
  // One kind of line break, so that lines are counted as editors count them.
  const text = decoded.replace(/\r\n?/g, '\n');
  const delimiter = guessDelimiter(text);
  const parser = parse(text, { delimiter, info: true, relax_column_count: true, skip_empty_lines: true, trim: false });
  const rows: CsvRow[] = [];
  let start = 1;
  try {
    for await (const item of parser as AsyncIterable<{ record: string[]; info: { lines: number } }>) {
      const { record, info } = item;
      if (record.some((cell) => cell.trim() !== ''))
        rows.push({ row: Math.max(start, info.lines - countBreaks(record)), cells: record });
      start = info.lines + 1;
      if (rows.length % 500 === 0) await new Promise((resolve) => setImmediate(resolve));
    }
  } catch (error) {
    if (!(error instanceof CsvError)) throw error;
    return fail(`row ${rows.length + 1}`, 'csv-quote', { message: error.message });
  }
  const [head, ...body] = rows;
  if (!head || body.length === 0) return fail('file', 'csv-empty');
  return ok({ encoding, delimiter, headings: head.cells.map((cell) => cell.trim()), rows: body });
}

/** Lines a record spans beyond its first, by the breaks quoted in it. */
function countBreaks(record: readonly string[]): number {
  return record.reduce((sum, cell) => sum + (cell.match(/\n/g)?.length ?? 0), 0);
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
