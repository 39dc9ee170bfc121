import Redo2 from 'lucide-react/icons/redo-2';
import Search from 'lucide-react/icons/search';
import Undo2 from 'lucide-react/icons/undo-2';
import { useCallback, useEffect, useState } from 'react';
import { describeDifference, type LookState, type Situation, type Task } from '~/core/lane';
import { STRETCH_NAMES } from '~/core/funnel';
import { definitionOf, definitions, situationsOf } from '~/pieces/registry';
import { useDraft } from '../shared/draft-store';
import { Shell } from '../shared/shell';
import type { ShellData } from '../shared/studio-data';
import { LookPanel } from './look-panel';
import { Outline } from './outline';
import { PartsPanel } from './parts-panel';
import { Preview } from './preview';
import type { Samples } from './samples';
import { Situations } from './situations';
import { WherePanel } from './where-panel';
import { WordsPanel } from './words-panel';

const TASKS: Readonly<Record<Task, string>> = { where: 'Where', parts: 'Parts', words: 'Words', look: 'Look' };

interface Props {
  readonly shell: ShellData;
  readonly pieceId: string;
  readonly samples: Samples;
  readonly categories: readonly { readonly slug: string; readonly name: string }[];
  readonly start: { readonly task: Task; readonly part: string | null; readonly width: number | null };
}

export function Bench(props: Props) {
  const kind = props.shell.draft.lane.pieces[props.pieceId]?.kind ?? '';
  return (
    <Shell data={props.shell} room="lane" stretch={definitionOf(kind)?.stretch}>
      <BenchScreen {...props} />
    </Shell>
  );
}

function BenchScreen({ pieceId, samples, categories, start }: Props) {
  const { lane, live, change, undo, redo, past, future } = useDraft();
  const piece = lane.pieces[pieceId]!;
  const definition = definitionOf(piece.kind)!;
  const situations = situationsOf(piece.kind).filter((situation) => isPossible(situation, samples));
  const [task, setTask] = useState<Task>(start.task);
  const [part, setPart] = useState<string | null>(start.part);
  const [language, setLanguage] = useState('en');
  const [force, setForce] = useState<LookState>('rest');
  const [situation, setSituation] = useState<Situation>(situations[0]!);
  const [width, setWidth] = useState(start.width ?? situations[0]!.width);
  const changes = describeDifference(live.lane, lane, definitions).filter((item) => item.pieceId === pieceId).length;

  useEffect(() => localStorage.setItem('pl-last-bench', location.pathname), []);

  const select = useCallback((next: string | null) => {
    setPart(next);
    setTask((current) => (current === 'where' ? 'parts' : current));
  }, []);
  const edit = useCallback(
    (recipe: (draft: (typeof lane.pieces)[string]) => void, key?: string) =>
      change((draft) => recipe(draft.pieces[pieceId]!), key && `${pieceId} ${key}`),
    [change, pieceId],
  );
  const editWord = useCallback(
    (word: string, text: string) =>
      edit((draft) => {
        const words = (draft.words[language] ??= {});
        words[word] = text;
      }, `word ${language} ${word}`),
    [edit, language],
  );

  function put(next: Situation): void {
    setSituation(next);
    setWidth(next.width);
    if (next.rightToLeft) setLanguage('ar');
    else if (language === 'ar') setLanguage('en');
  }

  const panel = { piece, definition, edit, part };
  return (
    <div className="grid h-full grid-cols-[216px_minmax(0,1fr)_272px] grid-rows-[52px_minmax(0,1fr)_92px]">
      <header className="col-span-3 flex items-center gap-4 border-b border-mortar px-[18px]">
        <h1 className="whitespace-nowrap">Shape {definition.name.toLowerCase()}</h1>
        {definition.isAlwaysOn ? (
          <span className="whitespace-nowrap text-gravel">always there</span>
        ) : (
          <label className="flex items-center gap-1.5 whitespace-nowrap">
            <input
              type="checkbox"
              className="size-4 accent-moss"
              checked={piece.on}
              onChange={(event) => edit((draft) => void (draft.on = event.target.checked))}
            />
            {piece.on ? 'on' : 'off'}
          </label>
        )}
        <p className="truncate text-gravel">
          on {STRETCH_NAMES[definition.stretch]}
          {changes > 0 && ` · ${changes} ${changes === 1 ? 'change' : 'changes'} in draft`}
        </p>
        <div role="tablist" aria-label="Tasks" className="ms-auto flex h-full items-stretch">
          {(Object.entries(TASKS) as [Task, string][]).map(([key, label]) => (
            <button
              key={key}
              role="tab"
              aria-selected={task === key}
              onClick={() => setTask(key)}
              className="border-b-[3px] border-transparent px-3.5 font-medium text-gravel aria-selected:border-basalt aria-selected:text-basalt"
            >
              {label}
            </button>
          ))}
        </div>
        <div className="flex gap-1">
          <button
            className="plain p-1.5"
            aria-label="Undo"
            title="Undo (Ctrl Z)"
            disabled={past.length === 0}
            onClick={undo}
          >
            <Undo2 size={18} strokeWidth={1.75} />
          </button>
          <button
            className="plain p-1.5"
            aria-label="Redo"
            title="Redo (Ctrl Shift Z)"
            disabled={future.length === 0}
            onClick={redo}
          >
            <Redo2 size={18} strokeWidth={1.75} />
          </button>
          <button
            className="plain p-1.5"
            aria-label="Find a setting"
            title="Find a setting ( / )"
            onClick={() => dispatchEvent(new KeyboardEvent('keydown', { key: '/', bubbles: true }))}
          >
            <Search size={18} strokeWidth={1.75} />
          </button>
        </div>
      </header>
      <Outline piece={piece} definition={definition} part={part} onSelect={select} edit={edit} />
      <Preview
        pieceId={pieceId}
        path={definition.preview.path}
        situation={situation}
        samples={samples}
        language={language}
        width={width}
        onWidth={setWidth}
        part={part}
        force={force}
        onSelect={select}
        onWord={editWord}
        onSetting={(setting, value) => edit((draft) => void (draft.settings[setting] = value), `setting ${setting}`)}
      />
      <aside
        aria-label="Settings"
        className="flex min-h-0 flex-col gap-4 overflow-auto border-s border-mortar px-4 py-3.5 *:flex-none"
      >
        {task === 'where' && <WherePanel {...panel} categories={categories} />}
        {task === 'parts' && <PartsPanel {...panel} onTask={setTask} />}
        {task === 'words' && <WordsPanel {...panel} language={language} onLanguage={setLanguage} editWord={editWord} />}
        {task === 'look' && <LookPanel {...panel} theme={lane.theme} force={force} onForce={setForce} />}
      </aside>
      <Situations situations={situations} current={situation} onPut={put} />
    </div>
  );
}

/** A situation the owner's catalogue has no product or cart for is not offered. */
function isPossible(situation: Situation, samples: Samples): boolean {
  if (situation.product) return situation.product in samples.products;
  return !situation.cart || situation.cart in samples.carts;
}
