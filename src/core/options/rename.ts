import type { Condition } from './condition.schema';
import type { OptionRule } from './option.schema';

/** Gives option `i` another key; what asks about it follows, unless another option has the key too. Changes `rules`. */
export function renameOption(rules: OptionRule[], i: number, key: string): void {
  const rule = rules[i]!;
  const from = rule.key;
  rule.key = key;
  if (rules.some((other) => other.key === from)) return;
  for (const statement of statements(rules)) if (statement.option === from) statement.option = key;
}

/** Gives a choice of option `i` another value; what asks for it follows. Changes `rules`. */
export function renameChoice(rules: OptionRule[], i: number, from: string, value: string): void {
  const rule = rules[i]!;
  if (!('choices' in rule)) return;
  for (const choice of rule.choices) if (choice.value === from) choice.value = value;
  for (const statement of statements(rules)) {
    if (statement.option !== rule.key) continue;
    if (statement.op === 'equals' && statement.value === from) statement.value = value;
    if (statement.op === 'oneOf') statement.values = statement.values.map((one) => (one === from ? value : one));
  }
}

type Statement = Exclude<Condition, { of: unknown }>;

function statements(rules: readonly OptionRule[]): Statement[] {
  const within = (condition: Condition): Statement[] => {
    if ('of' in condition) return [condition.of].flat().flatMap(within);
    return [condition];
  };
  return rules.flatMap((rule) => (rule.shownWhen ? within(rule.shownWhen) : []));
}
