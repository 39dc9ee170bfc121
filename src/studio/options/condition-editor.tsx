import Plus from 'lucide-react/icons/plus';
import X from 'lucide-react/icons/x';
import { describeCondition, type Condition, type OptionRule } from '~/core/options';
import { NumberField } from '~/studio/fields/number-field';

interface Props {
  readonly condition: Condition | null;
  readonly others: readonly OptionRule[];
  readonly onChange: (condition: Condition | null) => void;
}

/** When an option is asked: always, or when statements about other options hold. */
export function ConditionEditor({ condition, others, onChange }: Props) {
  const first = others[0];
  return (
    <fieldset className="flex flex-col gap-2">
      <legend className="mb-1 font-semibold">Asked only when</legend>
      {condition === null ? (
        <p className="help">
          It is always asked.
          {!first && ' Conditions need another option to ask about.'}
        </p>
      ) : (
        <>
          <Group condition={asGroup(condition)} others={others} onChange={onChange} depth={0} />
          <p className="border-s-4 border-sky ps-3" data-testid="condition-words">
            Only when {describeCondition(condition, others)}.
          </p>
        </>
      )}
      <div className="flex gap-2">
        {condition === null && first && (
          <button className="btn" onClick={() => onChange({ op: 'and', of: [leafAbout(first)] })}>
            <Plus size={15} strokeWidth={1.75} /> Add a condition
          </button>
        )}
        {condition !== null && (
          <button className="btn" onClick={() => onChange(null)}>
            Ask always
          </button>
        )}
      </div>
    </fieldset>
  );
}

type GroupCondition = Extract<Condition, { of: Condition[] }>;
function isGroup(condition: Condition): condition is GroupCondition {
  return condition.op === 'and' || condition.op === 'or';
}

type Leaf = Exclude<Condition, { of: unknown }>;

function asGroup(condition: Condition): GroupCondition {
  return isGroup(condition) ? condition : { op: 'and', of: [condition] };
}

function leafAbout(rule: OptionRule): Leaf {
  if ('choices' in rule) return { op: 'equals', option: rule.key, value: rule.choices[0]!.value };
  return { op: 'isSet', option: rule.key };
}

interface GroupProps {
  readonly condition: GroupCondition;
  readonly others: readonly OptionRule[];
  readonly depth: number;
  readonly onChange: (condition: Condition | null) => void;
}

/** Statements of which all or one must hold; a statement may be a group of its own. */
function Group({ condition, others, depth, onChange }: GroupProps) {
  const first = others[0];
  const put = (i: number, next: Condition | null) => {
    const of = condition.of.flatMap((part, j) => (j !== i ? [part] : next ? [next] : []));
    onChange(of.length === 0 ? null : { ...condition, of });
  };
  return (
    <div className={`flex flex-col gap-2 ${depth > 0 ? 'border-s-2 border-mortar ps-3' : ''}`}>
      {condition.of.length > 1 && (
        <select
          className="field w-fit"
          aria-label="How many must hold"
          value={condition.op}
          onChange={(event) => onChange({ ...condition, op: event.target.value as 'and' | 'or' })}
        >
          <option value="and">All of these hold</option>
          <option value="or">At least one of these holds</option>
        </select>
      )}
      {condition.of.map((part, i) => {
        const isNot = part.op === 'not';
        const inner = part.op === 'not' ? part.of : part;
        const wrap = (next: Condition | null) => put(i, next && (isNot ? { op: 'not', of: next } : next));
        return (
          <div key={i} className="flex items-start gap-2">
            <select
              className="field w-fit"
              aria-label="Holds or not"
              value={isNot ? 'not' : 'is'}
              onChange={(event) => put(i, event.target.value === 'not' ? { op: 'not', of: inner } : inner)}
            >
              <option value="is">If</option>
              <option value="not">If not</option>
            </select>
            <div className="min-w-0 flex-1">
              {isGroup(inner) ? (
                <Group condition={inner} others={others} depth={depth + 1} onChange={wrap} />
              ) : inner.op === 'not' ? (
                <p className="help">not: {describeCondition(inner.of, others)}</p>
              ) : (
                <LeafFields leaf={inner} others={others} onChange={wrap} />
              )}
            </div>
            <button className="plain mt-1 p-1.5" aria-label="Take this condition out" onClick={() => put(i, null)}>
              <X size={16} strokeWidth={1.75} />
            </button>
          </div>
        );
      })}
      <div className="flex gap-2">
        {first && (
          <button className="btn" onClick={() => onChange({ ...condition, of: [...condition.of, leafAbout(first)] })}>
            <Plus size={15} strokeWidth={1.75} /> Another condition
          </button>
        )}
        {first && depth < 2 && (
          <button
            className="btn"
            onClick={() =>
              onChange({ ...condition, of: [...condition.of, { op: 'or', of: [leafAbout(first), leafAbout(first)] }] })
            }
          >
            A group
          </button>
        )}
      </div>
    </div>
  );
}

const OPS = { equals: 'is', oneOf: 'is one of', isSet: 'is answered', greater: 'is more than' } as const;

function LeafFields({
  leaf,
  others,
  onChange,
}: {
  leaf: Leaf;
  others: readonly OptionRule[];
  onChange: (leaf: Leaf) => void;
}) {
  const about = others.find((rule) => rule.key === leaf.option);
  const choices = about && 'choices' in about ? about.choices : null;
  const ops: readonly Leaf['op'][] = choices
    ? ['equals', 'oneOf', 'isSet']
    : about?.kind === 'number'
      ? ['isSet', 'greater']
      : ['isSet'];
  function setOp(op: Leaf['op']): void {
    const { option } = leaf;
    const value = choices?.[0]?.value ?? '';
    if (op === 'equals') onChange({ op, option, value });
    else if (op === 'oneOf') onChange({ op, option, values: [value] });
    else if (op === 'greater') onChange({ op, option, than: 0 });
    else onChange({ op, option });
  }
  return (
    <div className="flex flex-wrap gap-2">
      <select
        className="field"
        aria-label="Which option"
        value={leaf.option}
        onChange={(event) => {
          const next = others.find((rule) => rule.key === event.target.value);
          if (next) onChange(leafAbout(next));
        }}
      >
        {!about && <option value={leaf.option}>{leaf.option} (gone)</option>}
        {others.map((rule) => (
          <option key={rule.key} value={rule.key}>
            {rule.label}
          </option>
        ))}
      </select>
      <select
        className="field"
        aria-label="What about it"
        value={leaf.op}
        onChange={(event) => setOp(event.target.value as Leaf['op'])}
      >
        {[...new Set([...ops, leaf.op])].map((op) => (
          <option key={op} value={op}>
            {OPS[op]}
          </option>
        ))}
      </select>
      {leaf.op === 'equals' && choices && (
        <select
          className="field"
          aria-label="Which value"
          value={leaf.value}
          onChange={(event) => onChange({ ...leaf, value: event.target.value })}
        >
          {choices.map((choice) => (
            <option key={choice.value} value={choice.value}>
              {choice.label}
            </option>
          ))}
        </select>
      )}
      {leaf.op === 'oneOf' && choices && (
        <span className="flex flex-wrap gap-x-3">
          {choices.map((choice) => (
            <label key={choice.value} className="flex items-center gap-1">
              <input
                type="checkbox"
                className="size-4 accent-moss"
                checked={leaf.values.includes(choice.value)}
                onChange={(event) => {
                  const values = event.target.checked
                    ? [...leaf.values, choice.value]
                    : leaf.values.filter((value) => value !== choice.value);
                  if (values.length > 0) onChange({ ...leaf, values });
                }}
              />
              {choice.label}
            </label>
          ))}
        </span>
      )}
      {leaf.op === 'greater' && (
        <NumberField label="Than" step="any" value={leaf.than} onChange={(than) => onChange({ ...leaf, than })} />
      )}
    </div>
  );
}
