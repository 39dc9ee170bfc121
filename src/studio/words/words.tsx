import { useState } from 'react';
import { directionOf } from '~/core/words';
import { laneTexts, writeLaneText, type LaneText, type TextState } from '~/core/lane';
import { translationProblems } from '~/core/lane/texts/translation-problems';
import { wordProblem } from '~/core/problems';
import { definitions } from '~/pieces/definitions';
import { ask } from '~/studio/data/api';
import { useDraft } from '~/studio/data/draft-store';
import type { ShellData } from '~/studio/data/studio-data';
import { LanguageChoice } from '~/studio/fields/language-choice';
import { Segmented } from '~/studio/fields/segmented';
import { FileIntoDraft } from '~/studio/publish/file-into-draft';
import { Shell } from '~/studio/shell/shell';

/** All texts of the lane in a language, beside the shop's own. */
export function WordsPage({ shell }: { readonly shell: ShellData }) {
  return (
    <Shell data={shell} room="/studio/shop">
      <WordsScreen />
    </Shell>
  );
}

/** As many rows are drawn at a time. */
const ROWS = 60;
const SHOWN = { open: 'To do', all: 'All' } as const;
/** What is to be done comes first. */
const ORDER: readonly TextState[] = ['missing', 'stale', 'own', 'shipped', 'none'];
const IS_OPEN: ReadonlySet<TextState> = new Set(['missing', 'stale']);
const STATE_WORDS: Readonly<Record<TextState, string>> = {
  missing: 'Missing: shoppers read another language here.',
  stale: 'You changed the source. This is the usual translation.',
  own: 'Yours.',
  shipped: 'Comes with the program.',
  none: '',
};

const nameOf = (language: string) => new Intl.DisplayNames(['en'], { type: 'language' }).of(language) ?? language;

function WordsScreen() {
  const { lane } = useDraft();
  const [first, ...others] = lane.shop.languages;
  const [language, setLanguage] = useState(others[0] ?? null);
  if (language === null)
    return (
      <div className="px-[18px] py-4">
        <h1>Words in every language</h1>
        <p className="text-gravel">
          The shop speaks {nameOf(first!)} alone. Add a language in <a href="/studio/shop?section=about">Settings</a>.
        </p>
      </div>
    );
  return (
    <div className="flex flex-col gap-4 px-[18px] py-4">
      <header className="flex flex-wrap items-end justify-between gap-3">
        <div>
          <h1>Words in every language</h1>
          <p className="text-gravel">What shoppers read, in {nameOf(first!)} and beside it in another language.</p>
        </div>
        <div className="flex flex-wrap items-center gap-2">
          <a className="btn" href={`/api/studio/texts?language=${language}`} download>
            Export {nameOf(language)} (PO)
          </a>
          <FileIntoDraft
            label="Import a PO file …"
            name="PO file"
            accept=".po,text/x-gettext-translation"
            check={async (file) => {
              const checked = await ask('POST /api/studio/texts/check', { form: { file } });
              return {
                changes: checked.changes,
                notes: [
                  { heading: 'Translated from another source', lines: checked.otherSource },
                  { heading: 'Not in this shop', lines: checked.unknown },
                ],
              };
            }}
            take={(file, edit) => ask('POST /api/studio/texts', { form: { file, options: { edit } } })}
            said="The translations are in the draft now."
          />
        </div>
      </header>
      <div className="self-start">
        <LanguageChoice languages={others} value={language} onChange={setLanguage} />
      </div>
      <TextTable key={language} language={language} first={first!} />
    </div>
  );
}

function TextTable({ language, first }: { readonly language: string; readonly first: string }) {
  const { lane } = useDraft();
  const texts = laneTexts({ lane, definitions, language });
  const [shown, setShown] = useState<keyof typeof SHOWN>(() =>
    texts.some(({ state }) => IS_OPEN.has(state)) ? 'open' : 'all',
  );
  const [wanted, setWanted] = useState('');
  const [most, setMost] = useState(ROWS);
  /** What was to be done when the list was made stays in it while it is written. */
  const [listed, setListed] = useState<ReadonlySet<string>>(
    () => new Set(texts.filter(({ state }) => IS_OPEN.has(state)).map(({ key }) => key)),
  );
  const [order] = useState(
    () =>
      new Map([...texts].sort((a, b) => ORDER.indexOf(a.state) - ORDER.indexOf(b.state)).map(({ key }, i) => [key, i])),
  );
  const missing = texts.filter(({ state }) => state === 'missing').length;
  const stale = texts.filter(({ state }) => state === 'stale').length;
  const needle = wanted.toLowerCase().trim();
  const found = texts
    .filter(({ key, state }) => state !== 'none' && (shown === 'all' || listed.has(key)))
    .filter(({ group, label, source, target }) =>
      `${group} ${label} ${source} ${target}`.toLowerCase().includes(needle),
    )
    .sort((a, b) => (order.get(a.key) ?? 0) - (order.get(b.key) ?? 0));
  return (
    <>
      <div className="flex flex-wrap items-center gap-3">
        <Segmented
          label="Show"
          options={SHOWN}
          value={shown}
          onChange={(next) => {
            setShown(next);
            setListed(new Set(texts.filter(({ state }) => IS_OPEN.has(state)).map(({ key }) => key)));
          }}
        />
        <input
          className="field w-72"
          type="search"
          aria-label="Find a text"
          placeholder="Find a text"
          value={wanted}
          onChange={({ currentTarget: { value } }) => setWanted(value)}
        />
        <p role="status" className="text-gravel">
          {missing === 0 && stale === 0
            ? 'Nothing is missing.'
            : `${missing} missing, ${stale} with a source you changed.`}
        </p>
      </div>
      {found.length === 0 ? (
        <p className="panel px-4 py-3">{needle ? 'No text found. Try a shorter word.' : 'Nothing to do here.'}</p>
      ) : (
        <ul aria-label="Texts" className="panel flex flex-col">
          {found.slice(0, most).map((text) => (
            <TextRow key={text.key} text={text} first={first} language={language} />
          ))}
        </ul>
      )}
      {found.length > most && (
        <button className="btn self-start" onClick={() => setMost(most + ROWS)}>
          Show more ({found.length - most})
        </button>
      )}
    </>
  );
}

interface RowProps {
  readonly text: LaneText;
  readonly first: string;
  readonly language: string;
}

function TextRow({ text, first, language }: RowProps) {
  const change = useDraft((state) => state.change);
  /** A field that is emptied stays empty while it is written in, though shoppers would read the usual text. */
  const [typed, setTyped] = useState<string | null>(null);
  const { key, group, label, help, source, target, state } = text;
  const problems = target === '' ? [] : translationProblems(text, target);
  const [, pieceId] = key.split('/');
  return (
    <li className="grid gap-x-5 gap-y-1 border-t border-mortar px-4 py-3 first:border-t-0 md:grid-cols-[200px_minmax(0,1fr)_minmax(0,1fr)]">
      <p className="text-[13px]">
        {key.startsWith('pieces/') ? <a href={`/studio/bench/${pieceId}?task=words`}>{group}</a> : group}
        <br />
        <strong title={help}>{label}</strong>
      </p>
      <p dir={directionOf(first)} lang={first} className="max-h-64 overflow-y-auto whitespace-pre-line">
        {source}
      </p>
      <div>
        <textarea
          className="field w-full resize-y"
          rows={Math.min(8, Math.max(1, Math.ceil(Math.max(source.length, target.length) / 52)))}
          aria-label={`${group}: ${label}`}
          aria-invalid={problems.length > 0 || undefined}
          dir={directionOf(language)}
          lang={language}
          value={typed ?? target}
          onBlur={() => setTyped(null)}
          onChange={({ currentTarget: { value } }) => {
            setTyped(value);
            change((lane) => void writeLaneText(lane, key, language, value), `text ${language} ${key}`);
          }}
        />
        {problems.length > 0 ? (
          <p role="alert" className="help !text-brick">
            {problems.map((problem) => wordProblem(problem)).join(' ')}
          </p>
        ) : (
          <p className="help">{STATE_WORDS[state]}</p>
        )}
      </div>
    </li>
  );
}
