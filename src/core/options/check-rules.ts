import type { Problem } from '~/core/problems';
import type { Condition } from './condition.schema';
import { findCycle } from './find-cycle';
import type { OptionRule } from './option.schema';

/** Everything that keeps a set of option rules from making sense, with the labels the owner knows them by. */
export function checkOptionRules(rules: readonly OptionRule[]): Problem[] {
  const problems: Problem[] = [];
  const byKey = new Map<string, OptionRule>();
  for (const [i, rule] of rules.entries()) {
    if (byKey.has(rule.key))
      problems.push({ path: `${i}.key`, code: 'option-key-twice', facts: { label: rule.label, key: rule.key } });
    byKey.set(rule.key, rule);
  }
  for (const [i, rule] of rules.entries()) {
    problems.push(...limitProblems(rule, i));
    if (rule.shownWhen) problems.push(...conditionProblems(rule.shownWhen, rule, byKey, `${i}.shownWhen`));
  }
  const cycle = findCycle(rules);
  if (cycle) {
    const names = cycle.map((key) => byKey.get(key)?.label ?? key).join(' → ');
    problems.push({ path: '', code: 'option-cycle', facts: { names } });
  }
  return problems;
}

function limitProblems(rule: OptionRule, i: number): Problem[] {
  const wrong = (path: string): Problem[] => [
    { path: `${i}.${path}`, code: 'option-limits', facts: { label: rule.label } },
  ];
  switch (rule.kind) {
    case 'text':
      return rule.least > rule.most ? wrong('least') : [];
    case 'number':
      return rule.min > rule.max ? wrong('min') : [];
    case 'date':
      return rule.fromDays > rule.toDays ? wrong('fromDays') : [];
    case 'one':
    case 'swatch':
      return valueProblems(rule, i);
    case 'many':
      return [
        ...(rule.least > rule.most || rule.least > rule.choices.length ? wrong('least') : []),
        ...valueProblems(rule, i),
      ];
    default:
      return [];
  }
}

function valueProblems(rule: Extract<OptionRule, { choices: unknown }>, i: number): Problem[] {
  const seen = new Set<string>();
  return rule.choices.flatMap((choice, j): Problem[] => {
    if (!seen.has(choice.value)) {
      seen.add(choice.value);
      return [];
    }
    return [
      { path: `${i}.choices.${j}`, code: 'option-value-twice', facts: { label: rule.label, value: choice.label } },
    ];
  });
}

function conditionProblems(
  condition: Condition,
  rule: OptionRule,
  byKey: ReadonlyMap<string, OptionRule>,
  path: string,
): Problem[] {
  switch (condition.op) {
    case 'and':
    case 'or':
      return condition.of.flatMap((inner, i) => conditionProblems(inner, rule, byKey, `${path}.of.${i}`));
    case 'not':
      return conditionProblems(condition.of, rule, byKey, `${path}.of`);
    default: {
      const about = byKey.get(condition.option);
      if (!about) return [{ path, code: 'option-unknown', facts: { label: rule.label, other: condition.option } }];
      const facts = { label: rule.label, other: about.label };
      if (condition.op === 'greater')
        return about.kind === 'number' ? [] : [{ path, code: 'option-not-number', facts }];
      if (condition.op === 'isSet' || !('choices' in about)) return [];
      const asked = condition.op === 'equals' ? [condition.value] : condition.values;
      return asked
        .filter((value) => !about.choices.some((choice) => choice.value === value))
        .map((value) => ({ path, code: 'option-value-unknown', facts: { ...facts, value } }));
    }
  }
}
