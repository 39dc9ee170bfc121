import { type ImportPreview } from './import-preview';
import { WhatComesOfIt, Changes, LeftOutOf } from './import-preview';
import type { Dispatch, SetStateAction } from 'react';
import { useEffect, useRef, useState } from 'react';
import { COLUMN_FIELDS, type ColumnField } from '~/core/formats';
import { ask } from '~/studio/data/api';
import { useAnswer } from '~/studio/data/query';
import { count, plural } from '~/studio/data/format';
import { Tick } from '~/studio/fields/tick';
import { MatchedColumns } from '~/studio/fields/matched-columns';
import { Segmented } from '~/studio/fields/segmented';
import { PastedGoods } from './pasted-goods';

interface Progress {
  readonly state: 'running' | 'done' | 'failed' | 'stopped';
  readonly written: number;
  readonly total: number;
  readonly message: string | null;
}

type DecimalMark = 'found' | 'point' | 'comma';
const MARKS: Readonly<Record<string, string>> = { ',': 'commas', ';': 'semicolons', '\t': 'tabs', '|': 'bars' };

/** Brings a CSV file in: choose, see what it would do, correct the columns, then write. */
export function ImportScreen({ isEmpty }: { isEmpty: boolean }) {
  const [file, setFile] = useState<File | null>(null);
  const [columns, setColumns] = useState<readonly ColumnField[] | null>(null);
  const [decimalMark, setMark] = useState<DecimalMark>('found');
  const [allOrNothing, setAllOrNothing] = useState(false);
  const [isFree, setFree] = useState(false);
  const [preview, setPreview] = useState<ImportPreview | null>(null);
  const [progress, setProgress] = useState<Progress | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const newest = useRef(0);
  /** The import that writes, until it has ended. */
  const [running, setRunning] = useState<string | null>(null);
  const watched = useAnswer('GET /api/studio/imports/[id]', running === null ? null : { params: { id: running } }, {
    againAfterMs: 250,
  });
  useEffect(() => {
    if (watched.problem) setProgress({ state: 'failed', written: 0, total: 0, message: watched.problem });
    else if (watched.answer) setProgress(watched.answer);
    if (watched.problem || (watched.answer && watched.answer.state !== 'running')) setRunning(null);
  }, [watched.answer, watched.problem]);

  async function look(
    chosen: File,
    next: { columns: readonly ColumnField[] | null; decimalMark: DecimalMark },
  ): Promise<void> {
    const turn = (newest.current += 1);
    setFile(chosen);
    setColumns(next.columns);
    setMark(next.decimalMark);
    setProgress(null);
    try {
      const options = { decimalMark: next.decimalMark, ...(next.columns && { columns: next.columns }) };
      const seen = await ask('POST /api/studio/imports', { form: { file: chosen, options } });
      if ('id' in seen) throw new Error('The file was written at once. Look into the catalogue.');
      if (turn !== newest.current) return;
      setPreview(seen);
      setProblem(null);
    } catch (error) {
      if (turn !== newest.current) return;
      setPreview(null);
      setProblem((error as Error).message);
    }
  }

  async function write(): Promise<void> {
    if (!file || !preview) return;
    setProgress({ state: 'running', written: 0, total: 0, message: null });
    try {
      const options = { decimalMark, allOrNothing, isFree, columns: preview.columns };
      const started = await ask('POST /api/studio/imports', { form: { file, options, apply: '1' } });
      if ('id' in started) setRunning(started.id);
    } catch (error) {
      setProgress({ state: 'failed', written: 0, total: 0, message: (error as Error).message });
    }
  }

  const refused = preview?.counts.rowsRefused ?? 0;
  const writable =
    preview !== null &&
    preview.products.length > 0 &&
    preview.columnProblems.length === 0 &&
    !(allOrNothing && refused > 0);
  return (
    <div className="flex max-w-[1060px] flex-col gap-4 px-[18px] py-4">
      <header>
        <h1>Import your catalogue</h1>
        <p className="text-gravel">
          A CSV file, as spreadsheets save it. Nothing is written before you have seen what it would do.{' '}
          <a href="/example-catalogue.csv">An example file</a>
        </p>
      </header>
      <ChooseFile look={look} decimalMark={decimalMark} file={file} columns={columns} setMark={setMark} />
      <PastedGoods onFile={(made) => void look(made, { columns: null, decimalMark: 'point' })} />
      {isEmpty && !file && <ExamplesOffer />}
      {problem && (
        <p role="alert" className="border-s-4 border-brick ps-3 text-brick">
          {problem}
        </p>
      )}
      {preview && file && (
        <>
          <p className="text-gravel">
            {plural(preview.rows, 'row', 'rows')}, {preview.encoding}, separated by{' '}
            {MARKS[preview.delimiter] ?? preview.delimiter}. Each column and what it holds; correct it where it was
            guessed wrong.
          </p>
          <MatchedColumns
            headings={preview.headings}
            columns={columns ?? preview.columns}
            fields={COLUMN_FIELDS}
            sample={preview.sample}
            onChoose={(column, field) =>
              void look(file, {
                columns: (columns ?? preview.columns).map((own, i) => (i === column ? field : own)),
                decimalMark,
              })
            }
          />
          {preview.columnProblems.map((message) => (
            <p key={message} role="alert" className="border-s-4 border-brick ps-3 text-brick">
              {message}
            </p>
          ))}
          <LeftOutOf left={preview.left} isNew={preview.counts.productsCreated > 0} />
          <WhatComesOfIt preview={preview} refused={refused} />
          {preview.changes.length > 0 && <Changes preview={preview} />}
          {preview.free > 0 && (
            <div className="flex flex-col gap-1 border-s-4 border-paint ps-3">
              <p>
                {plural(preview.free, 'product costs', 'products cost')} nothing. What has no price is imported, and not
                shown until it has one.
              </p>
              <Tick label="They are free: show them" checked={isFree} onChange={setFree} />
            </div>
          )}
          <div className="flex items-center gap-4">
            <Tick
              label="All or nothing: write only if no row is refused"
              checked={allOrNothing}
              onChange={setAllOrNothing}
            />
            <button
              className="btn btn-go"
              disabled={!writable || progress?.state === 'running'}
              onClick={() => void write()}
            >
              Import {plural(preview.counts.productsCreated + preview.counts.productsChanged, 'product', 'products')}
            </button>
          </div>
        </>
      )}
      {progress && <ProgressNote progress={progress} />}
    </div>
  );
}

function ChooseFile({
  look,
  decimalMark,
  file,
  columns,
  setMark,
}: {
  look: (chosen: File, next: { columns: readonly ColumnField[] | null; decimalMark: DecimalMark }) => Promise<void>;
  decimalMark: DecimalMark;
  file: File | null;
  columns: readonly ColumnField[] | null;
  setMark: Dispatch<SetStateAction<DecimalMark>>;
}) {
  return (
    <div className="flex flex-wrap items-center gap-4">
      <input
        type="file"
        accept=".csv,.tsv,.txt,text/csv"
        aria-label="Catalogue file"
        className="field file:me-3 file:rounded-stone file:border-0 file:bg-slab file:px-3 file:py-1"
        onChange={(event) => {
          const chosen = event.target.files?.[0];
          if (chosen) void look(chosen, { columns: null, decimalMark });
        }}
      />
      <div className="flex items-center gap-2">
        Prices are written
        <div className="w-80">
          <Segmented
            label="Prices are written"
            options={{ found: 'As found', point: '1,234.50', comma: '1.234,50' }}
            value={decimalMark}
            onChange={(mark) => (file ? void look(file, { columns, decimalMark: mark }) : setMark(mark))}
          />
        </div>
      </div>
    </div>
  );
}

/** For who has no file yet: a few products to try everything on. */
function ExamplesOffer() {
  const [problem, setProblem] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  async function add(): Promise<void> {
    setBusy(true);
    try {
      await ask('POST /api/studio/examples');
      location.assign('/studio/catalogue');
    } catch (error) {
      setProblem((error as Error).message);
      setBusy(false);
    }
  }
  return (
    <div className="flex flex-wrap items-center gap-3 border-s-4 border-paint bg-slab px-3 py-2">
      <p className="me-auto">No file yet? Begin with six example products; one press deletes them again.</p>
      <button className="btn" disabled={busy} onClick={() => void add()}>
        Add example products
      </button>
      {problem && (
        <p role="alert" className="w-full text-brick">
          {problem}
        </p>
      )}
    </div>
  );
}

function ProgressNote({ progress }: { progress: Progress }) {
  const note = useRef<HTMLDivElement>(null);
  // It stands below all that was looked at: whoever pressed the button sees what comes of it.
  useEffect(() => {
    // Not answered: some browsers give a promise, which React would call when the effect is over.
    note.current?.scrollIntoView({ block: 'nearest' });
  }, [progress.state]);
  return (
    <div ref={note} className="scroll-mb-6">
      <ProgressText progress={progress} />
    </div>
  );
}

function ProgressText({ progress }: { progress: Progress }) {
  if (progress.state === 'failed' || progress.state === 'stopped') {
    return (
      <p role="alert" className="border-s-4 border-brick ps-3 text-brick">
        {progress.written > 0
          ? `${count(progress.written)} of ${count(progress.total)} products were imported. `
          : 'Nothing was imported. '}
        {progress.message}
      </p>
    );
  }
  return (
    <div role="status" className="flex items-center gap-3">
      <progress
        className="h-2 w-64 accent-moss"
        max={progress.total || 1}
        value={progress.state === 'done' ? progress.total || 1 : progress.written}
      />
      {progress.state === 'done' ? (
        <p>
          Imported. <a href="/shop/all?sort=newest">See it in the shop</a> or{' '}
          <a href="/studio/catalogue">in the catalogue</a>. {progress.message}
        </p>
      ) : (
        <p>
          {count(progress.written)} of {count(progress.total)} products
        </p>
      )}
    </div>
  );
}
