import type { Piece } from '~/core/lane';
import type { PieceDefinition } from '~/core/lane';
import Redo2 from 'lucide-react/icons/redo-2';
import Search from 'lucide-react/icons/search';
import Undo2 from 'lucide-react/icons/undo-2';
import { Tabs } from 'radix-ui';
import { useCallback, useEffect, useRef, useState } from 'react';
import { describeDifference, type Lane, type LookState, type Situation, type Task } from '~/core/lane';
import { STRETCH_NAMES } from '~/core/funnel';
import { definitionOf, definitions, situationsOf } from '~/pieces/definitions';
import { CategoriesContext } from '~/studio/data/categories-context';
import { hasSteps, useDraft, type Step } from '~/studio/data/draft-store';
import { Shell } from '~/studio/shell/shell';
import type { ShellData } from '~/studio/data/studio-data';
import { useFoundRow } from '~/studio/data/use-found-row';
import { isPossible, languageOf } from '~/studio/preview/framed';
import { LookPanel } from './look-panel';
import { Outline } from './outline';
import type { OwnLayout } from './own-layouts';
import { PartsPanel } from './parts-panel';
import { ProofTask } from '~/studio/proof/proof-task';
import type { Stone } from '~/studio/proof/sheet';
import { Preview, type Measured } from '~/studio/preview/preview';
import type { Samples } from '~/studio/preview/samples';
import { Situations } from './situations';
import { WherePanel } from './where-panel';
import { WordsPanel } from './words-panel';

/** What is done at the bench: settings of a task, or looking at them all at once. */
type Side = Task | 'proof';

const SIDES: Readonly<Record<Side, string>> = {
  where: 'Where',
  parts: 'Parts',
  words: 'Words',
  look: 'Look',
  proof: 'Proof',
};
const PANEL =
  'col-start-3 flex min-h-0 flex-col gap-4 overflow-auto border-s border-mortar bg-limestone px-4 py-3.5 *:flex-none max-lg:fixed max-lg:end-0 max-lg:top-[118px] max-lg:bottom-0 max-lg:z-20 max-lg:w-[min(340px,80vw)]';

interface Props {
  readonly shell: ShellData;
  readonly pieceId: string;
  readonly samples: Samples;
  /** The owner's own, of this kind. */
  readonly layouts: readonly OwnLayout[];
  readonly categories: readonly { readonly slug: string; readonly name: string }[];
  readonly tags: readonly string[];
  readonly start: {
    readonly task: Side;
    readonly part: string | null;
    readonly width: number | null;
    /** In which the proof is looked at first, by its key. */
    readonly situation: string | null;
  };
}

/** What the proof drew last, and of which lane. */
interface Drawn {
  readonly lane: Lane;
  readonly stones: ReadonlyMap<string, Stone>;
}

export function Bench(props: Props) {
  const kind = props.shell.draft.lane.pieces[props.pieceId]?.kind ?? '';
  return (
    <Shell data={props.shell} room="/studio" stretch={definitionOf(kind)?.stretch}>
      <CategoriesContext value={props.categories}>
        <BenchScreen {...props} />
      </CategoriesContext>
    </Shell>
  );
}

function BenchScreen({ pieceId, samples, categories, tags, start, layouts: ownLayouts }: Props) {
  const [layouts, setLayouts] = useState(ownLayouts);
  const { lane, live, change, undo, redo, past, future } = useDraft();
  // One that was just removed is drawn once more, until the page is left.
  const kept = useRef(lane.pieces[pieceId]!);
  const piece = lane.pieces[pieceId] ?? kept.current;
  kept.current = piece;
  const definition = definitionOf(piece.kind)!;
  const situations = situationsOf(piece.kind).filter((situation) => isPossible(situation, samples));
  const [task, setTask] = useState<Side>(start.task);
  const [part, setPart] = useState<string | null>(start.part);
  /** Where the window is narrow, the settings lie over the preview and can be put away. */
  const [hasDrawer, setDrawer] = useState(false);
  const [language, setLanguage] = useState(lane.shop.languages[0]!);
  const [force, setForce] = useState<LookState>('rest');
  const [situation, setSituation] = useState<Situation>(situations[0]!);
  const [measured, setMeasured] = useState<Measured | null>(null);
  const [width, setWidth] = useState(start.width ?? situations[0]!.width);
  const [drawn, setDrawn] = useState<Drawn | null>(null);
  const changes = describeDifference(live.lane, lane, definitions).filter((item) => item.pieceId === pieceId).length;

  useEffect(() => localStorage.setItem('pl-last-bench', location.pathname), []);
  useFoundRow();

  const openTask = useCallback((key: Side) => {
    setTask(key);
    setDrawer(true);
  }, []);
  const select = useCallback((next: string | null) => {
    setPart(next);
    setDrawer(next !== null);
    setTask((current) => (current === 'where' || current === 'proof' ? 'parts' : current));
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
    const wanted = languageOf(next, lane.shop.languages);
    if (wanted !== languageOf(situation, lane.shop.languages)) setLanguage(wanted);
  }

  const keepDrawn = useCallback((stones: Drawn['stones']) => setDrawn({ lane: useDraft.getState().lane, stones }), []);

  const panel = { piece, definition, edit, part };
  const panelClass = `${PANEL} ${task === 'proof' ? 'row-span-2' : ''} ${hasDrawer ? '' : 'max-lg:hidden'}`;
  return (
    <Tabs.Root
      value={task}
      onValueChange={(key) => openTask(key as Side)}
      className="grid h-full grid-cols-[176px_minmax(0,1fr)] grid-rows-[52px_minmax(0,1fr)_92px] lg:grid-cols-[216px_minmax(0,1fr)_272px]"
    >
      <BenchHead
        piece={piece}
        definition={definition}
        edit={edit}
        changes={changes}
        setDrawer={setDrawer}
        past={past}
        undo={undo}
        future={future}
        redo={redo}
      />
      <Outline piece={piece} definition={definition} part={part} onSelect={select} edit={edit} />
      {task === 'proof' ? (
        <ProofTask
          pieceId={pieceId}
          name={piece.name || definition.name.toLowerCase()}
          samples={samples}
          categories={categories}
          panelClass={panelClass}
          first={start.situation}
          onClose={() => setDrawer(false)}
          onDrawn={keepDrawn}
        />
      ) : (
        <Preview
          pieceId={pieceId}
          path={definition.preview.path}
          categories={categories}
          situation={situation}
          samples={samples}
          language={language}
          width={width}
          onWidth={setWidth}
          part={part}
          force={force}
          onSelect={select}
          onWord={editWord}
          onMeasured={setMeasured}
          onSetting={(setting, value) => edit((draft) => void (draft.settings[setting] = value), `setting ${setting}`)}
        />
      )}
      {task !== 'proof' && (
        <Tabs.Content value={task} className={panelClass}>
          <button className="btn self-end lg:hidden" onClick={() => setDrawer(false)}>
            Close the settings
          </button>
          {task === 'where' && <WherePanel {...panel} pieceId={pieceId} categories={categories} tags={tags} />}
          {task === 'parts' && <PartsPanel {...panel} onTask={openTask} layouts={layouts} onLayouts={setLayouts} />}
          {task === 'words' && (
            <WordsPanel
              {...panel}
              language={language}
              languages={lane.shop.languages}
              onLanguage={setLanguage}
              cart={lane.shop.cart}
              editWord={editWord}
            />
          )}
          {task === 'look' && (
            <LookPanel {...panel} theme={lane.theme} force={force} measured={measured} onForce={setForce} />
          )}
        </Tabs.Content>
      )}
      {task !== 'proof' && (
        <Situations
          situations={situations}
          current={situation}
          stones={drawn?.lane === lane ? drawn.stones : null}
          onPut={put}
        />
      )}
    </Tabs.Root>
  );
}

function BenchHead({
  piece,
  definition,
  edit,
  changes,
  setDrawer,
  past,
  undo,
  future,
  redo,
}: {
  piece: Piece;
  definition: PieceDefinition;
  edit: (recipe: (draft: Piece) => void, key?: string) => void;
  changes: number;
  setDrawer: (next: boolean) => void;
  past: readonly Step[];
  undo: () => void;
  future: readonly Step[];
  redo: () => void;
}) {
  return (
    <header className="col-span-2 flex items-center gap-4 max-lg:gap-2 max-lg:px-3 border-b border-mortar px-[18px] lg:col-span-3">
      <h1 className="truncate whitespace-nowrap max-lg:text-[18px]">
        Shape {piece.name || definition.name.toLowerCase()}
      </h1>
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
          <span className="max-lg:sr-only">{piece.on ? 'on' : 'off'}</span>
        </label>
      )}
      <p className="truncate text-gravel max-lg:hidden">
        on {STRETCH_NAMES[definition.stretch]}
        {changes > 0 && ` · ${changes} ${changes === 1 ? 'change' : 'changes'} in draft`}
      </p>
      <Tabs.List aria-label="Tasks" className="ms-auto flex h-full items-stretch">
        {(Object.entries(SIDES) as [Side, string][]).map(([key, label]) => (
          <Tabs.Trigger
            key={key}
            value={key}
            onClick={() => setDrawer(true)}
            className="border-b-[3px] border-transparent px-2 font-medium text-gravel aria-selected:border-basalt aria-selected:text-basalt lg:px-3.5"
          >
            {label}
          </Tabs.Trigger>
        ))}
      </Tabs.List>
      <div className="flex gap-1">
        <button
          className="plain p-1.5"
          aria-label="Undo"
          title="Undo (Ctrl Z)"
          disabled={!hasSteps(past)}
          onClick={undo}
        >
          <Undo2 size={18} strokeWidth={1.75} />
        </button>
        <button
          className="plain p-1.5"
          aria-label="Redo"
          title="Redo (Ctrl Shift Z)"
          disabled={!hasSteps(future)}
          onClick={redo}
        >
          <Redo2 size={18} strokeWidth={1.75} />
        </button>
        <button
          className="plain p-1.5"
          aria-label="Find a setting"
          title="Find a setting ( / )"
          onClick={() => document.body.dispatchEvent(new KeyboardEvent('keydown', { key: '/', bubbles: true }))}
        >
          <Search size={18} strokeWidth={1.75} />
        </button>
      </div>
    </header>
  );
}
