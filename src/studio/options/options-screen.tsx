import type { Dispatch, SetStateAction } from 'react';
import ArrowDown from 'lucide-react/icons/arrow-down';
import ArrowUp from 'lucide-react/icons/arrow-up';
import Trash2 from 'lucide-react/icons/trash-2';
import { produce } from 'immer';
import { useState } from 'react';
import {
  checkOptionRules,
  describeCondition,
  newOption,
  renameChoice,
  renameOption,
  type OptionKind,
  type OptionRule,
  type ProductOption,
} from '~/core/options';
import { wordProblem } from '~/core/problems';
import { ask } from '~/studio/data/api';
import { useShop } from '~/studio/data/sums';
import { useUnsaved } from '~/studio/data/use-unsaved';
import { Shell } from '~/studio/shell/shell';
import type { ShellData } from '~/studio/data/studio-data';
import { KIND_NAMES, RuleForm } from './rule-form';
import { shortNameOf } from './short-name';
import { TryIt } from './try-it';

interface Props {
  readonly shell: ShellData;
  readonly product: { readonly slug: string; readonly name: string; readonly priceMinor: number };
  readonly rules: readonly OptionRule[];
  readonly asked: readonly ProductOption[];
}

export function OptionsScreen(props: Props) {
  return (
    <Shell data={props.shell} room="/studio/catalogue">
      <Options {...props} />
    </Shell>
  );
}

function Options({ product, rules: stored, asked }: Props) {
  const shop = useShop();
  const [rules, setRules] = useState<readonly OptionRule[]>(stored);
  const [saved, setSaved] = useState<readonly OptionRule[]>(stored);
  const [addOns, setAddOns] = useState(asked);
  const [chosen, choose] = useState<number | null>(stored.length > 0 ? 0 : null);
  const [refusal, setRefusal] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const problems = checkOptionRules(rules);
  const isChanged = rules !== saved;
  useUnsaved(isChanged);
  const change = (recipe: (draft: OptionRule[]) => void) => setRules(produce(rules, recipe));
  const rule = chosen === null ? undefined : rules[chosen];

  function add(kind: OptionKind): void {
    const label = KIND_NAMES[kind].fresh;
    const taken = new Set(rules.map((other) => other.key));
    let key = shortNameOf(label);
    for (let n = 2; taken.has(key); n += 1) key = `${key.replace(/-\d+$/, '')}-${n}`;
    setRules([...rules, newOption(kind, key, label)]);
    choose(rules.length);
  }

  function move(from: number, by: number): void {
    change((draft) => void draft.splice(from + by, 0, ...draft.splice(from, 1)));
    choose(from + by);
  }

  async function save(): Promise<void> {
    setBusy(true);
    setRefusal(null);
    try {
      const answer = await ask('PUT /api/studio/products/[slug]/options', {
        params: { slug: product.slug },
        body: { rules },
      });
      setRules(answer.rules);
      setSaved(answer.rules);
      setAddOns(answer.asked);
    } catch (error) {
      setRefusal((error as Error).message);
    } finally {
      setBusy(false);
    }
  }

  return (
    <div className="flex h-full flex-col">
      <header className="flex items-center justify-between gap-4 border-b border-mortar px-[18px] py-3">
        <div className="min-w-0">
          <h1 className="truncate">Decide what buyers are asked: {product.name}</h1>
          <p className="text-gravel">
            {rules.length} {rules.length === 1 ? 'option' : 'options'} beyond its variants. Saved options are asked in
            the live shop at once.
          </p>
        </div>
        <div className="flex flex-none items-center gap-3">
          {isChanged && <span className="text-gravel">not saved yet</span>}
          <a className="btn" href="/studio/catalogue">
            To the catalogue
          </a>
          <button
            className="btn btn-go"
            disabled={!isChanged || busy || problems.length > 0}
            onClick={() => void save()}
          >
            Save options
          </button>
        </div>
      </header>
      {(problems.length > 0 || refusal) && (
        <div role="alert" className="border-b border-mortar px-[18px] py-2 text-brick">
          {[...new Set([...problems.map((problem) => wordProblem(problem)), ...(refusal ? [refusal] : [])])].map(
            (text) => (
              <p key={text}>{text}</p>
            ),
          )}
        </div>
      )}
      <div className="grid min-h-0 flex-1 auto-rows-min grid-cols-[220px_minmax(0,1fr)] overflow-auto lg:auto-rows-auto lg:grid-cols-[300px_minmax(0,1fr)_minmax(300px,380px)]">
        <OptionList rules={rules} chosen={chosen} choose={choose} move={move} change={change} add={add} />
        <section aria-label="The chosen option" className="min-h-0 overflow-auto px-5 py-4">
          {rule && chosen !== null ? (
            <RuleForm
              key={chosen}
              rule={rule}
              others={rules.filter((other) => other !== rule)}
              shop={shop}
              stored={saved.find((other) => other.key === rule.key)}
              onChange={(recipe) => change((draft) => recipe(draft[chosen]!))}
              onRename={(key) => change((draft) => renameOption(draft, chosen, key))}
              onRenameChoice={(from, value) => change((draft) => renameChoice(draft, chosen, from, value))}
            />
          ) : (
            <p className="help">Choose an option on the left, or ask for something new.</p>
          )}
        </section>
        <section aria-label="Try it" className="min-h-0 overflow-auto border-s border-mortar bg-slab px-4 py-4">
          <TryIt
            rules={rules}
            addOns={addOns}
            priceMinor={product.priceMinor}
            shop={shop}
            isSound={problems.length === 0}
          />
        </section>
      </div>
    </div>
  );
}

function OptionList({
  rules,
  chosen,
  choose,
  move,
  change,
  add,
}: {
  rules: readonly OptionRule[];
  chosen: number | null;
  choose: Dispatch<SetStateAction<number | null>>;
  move: (from: number, by: number) => void;
  change: (recipe: (draft: OptionRule[]) => void) => void;
  add: (kind: OptionKind) => void;
}) {
  return (
    <section aria-label="Options" className="min-h-0 overflow-auto border-e border-mortar px-3 py-3">
      <ol className="flex flex-col gap-1">
        {rules.map((item, i) => (
          <li
            key={item.key}
            className={`flex items-start gap-1 rounded-stone border-2 bg-white px-2 py-1.5 ${chosen === i ? 'border-paint' : 'border-transparent'}`}
          >
            <button className="plain min-w-0 flex-1 text-start" aria-pressed={chosen === i} onClick={() => choose(i)}>
              <span className="block truncate font-medium">{item.label || 'Without a name'}</span>
              <span className="help block">
                {KIND_NAMES[item.kind].name}
                {item.shownWhen && ` · only when ${describeCondition(item.shownWhen, rules)}`}
              </span>
            </button>
            <span className="flex flex-none">
              <button
                className="plain p-1.5"
                aria-label={`Ask ${item.label} earlier`}
                disabled={i === 0}
                onClick={() => move(i, -1)}
              >
                <ArrowUp size={15} strokeWidth={1.75} />
              </button>
              <button
                className="plain p-1.5"
                aria-label={`Ask ${item.label} later`}
                disabled={i === rules.length - 1}
                onClick={() => move(i, 1)}
              >
                <ArrowDown size={15} strokeWidth={1.75} />
              </button>
              <button
                className="plain p-1.5"
                aria-label={`Take ${item.label} out`}
                onClick={() => {
                  change((draft) => void draft.splice(i, 1));
                  choose(null);
                }}
              >
                <Trash2 size={15} strokeWidth={1.75} />
              </button>
            </span>
          </li>
        ))}
      </ol>
      {rules.length === 0 && <p className="help px-1.5 pb-2">Nothing is asked yet. Begin with one of these.</p>}
      <h2 className="mt-4 mb-1.5 px-1">Ask for …</h2>
      <ul className="grid grid-cols-2 gap-1.5">
        {(Object.keys(KIND_NAMES) as OptionKind[]).map((kind) => (
          <li key={kind}>
            <button className="btn w-full justify-start" onClick={() => add(kind)}>
              {KIND_NAMES[kind].name}
            </button>
          </li>
        ))}
      </ul>
    </section>
  );
}
