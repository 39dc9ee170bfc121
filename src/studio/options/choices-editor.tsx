import Plus from 'lucide-react/icons/plus';
import { LETTERS } from '~/core/limits';
import X from 'lucide-react/icons/x';
import type { Shop } from '~/core/lane';
import { newOption, type OptionRule } from '~/core/options';
import { EffectFields } from './effect-fields';
import { shortNameOf } from './short-name';

type ChoiceRule = Extract<OptionRule, { choices: unknown }>;

interface Props {
  readonly rule: ChoiceRule;
  readonly shop: Shop;
  /** The rule as it is in the shop; its choices keep the names they are sold under. */
  readonly stored: OptionRule | undefined;
  readonly onChange: (recipe: (rule: OptionRule) => void) => void;
  readonly onRenameChoice: (from: string, value: string) => void;
}

/** What can be chosen in one option, and what each choice costs. */
export function ChoicesEditor({ rule, stored, shop, onChange, onRenameChoice }: Props) {
  const sold = new Set(stored && 'choices' in stored ? stored.choices.map((choice) => choice.value) : []);
  const change = (recipe: (choices: ChoiceRule['choices']) => void) =>
    onChange((draft) => recipe((draft as ChoiceRule).choices));
  function add(): void {
    const fresh = (newOption(rule.kind, 'x', 'X') as ChoiceRule).choices[0]!;
    let n = rule.choices.length + 1;
    while (rule.choices.some((choice) => choice.value === `choice-${n}`)) n += 1;
    change((choices) => void choices.push({ ...fresh, value: `choice-${n}`, label: `Choice ${n}` } as never));
  }
  /** The short name of a choice follows its name until it is in the shop. */
  function follow({ value, label }: { value: string; label: string }): void {
    const next = shortNameOf(label);
    if (next && !sold.has(value) && !rule.choices.some((other) => other.value === next)) onRenameChoice(value, next);
  }
  return (
    <fieldset>
      <legend className="mb-1 font-semibold">What can be chosen</legend>
      <ul className="flex flex-col gap-2">
        {rule.choices.map((choice, i) => (
          <li key={i} className="panel flex flex-wrap items-end gap-2 px-3 py-2">
            {'colour' in choice && (
              <input
                type="color"
                aria-label={`Colour of ${choice.label}`}
                className="h-[34px] w-11"
                value={choice.colour}
                onChange={(event) =>
                  change((choices) => void ((choices[i] as { colour: string }).colour = event.target.value))
                }
              />
            )}
            <input
              className="field w-40"
              aria-label={`Name of choice ${i + 1}`}
              maxLength={LETTERS.optionLabel}
              value={choice.label}
              onChange={(event) => change((choices) => void (choices[i]!.label = event.target.value))}
              onBlur={() => follow(choice)}
            />
            <EffectFields
              effect={choice.effect}
              shop={shop}
              isShort
              onChange={(effect) => change((choices) => void (choices[i]!.effect = effect))}
            />
            <button
              className="plain ms-auto self-center p-1.5"
              aria-label={`Take ${choice.label} out`}
              disabled={rule.choices.length === 1}
              onClick={() => change((choices) => void choices.splice(i, 1))}
            >
              <X size={16} strokeWidth={1.75} />
            </button>
          </li>
        ))}
      </ul>
      <button className="btn mt-2" onClick={add}>
        <Plus size={15} strokeWidth={1.75} /> Another choice
      </button>
    </fieldset>
  );
}
