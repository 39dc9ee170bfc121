import type { Condition } from './condition.schema';
import type { OptionRule } from './option.schema';

type Named = Pick<OptionRule, 'key' | 'label' | 'kind'> & {
  readonly choices?: readonly { readonly value: string; readonly label: string }[];
};

/** A condition as a sentence part, such as “Printing is Own artwork and Name is filled in”. English, for the owner and for shoppers without script. */
export function describeCondition(condition: Condition, options: readonly Named[]): string {
  const about = (key: string) => options.find((option) => option.key === key);
  const name = (key: string) => about(key)?.label ?? key;
  const word = (key: string, value: string) =>
    about(key)?.choices?.find((choice) => choice.value === value)?.label ?? value;
  const inner = (part: Condition) => {
    const text = describeCondition(part, options);
    return (part.op === 'and' || part.op === 'or') && part.of.length > 1 ? `(${text})` : text;
  };
  switch (condition.op) {
    case 'and':
      return condition.of.map(inner).join(' and ');
    case 'or':
      return condition.of.map(inner).join(' or ');
    case 'not':
      return `not: ${inner(condition.of)}`;
    case 'equals':
      return `${name(condition.option)} is ${word(condition.option, condition.value)}`;
    case 'oneOf':
      return `${name(condition.option)} is ${condition.values.map((value) => word(condition.option, value)).join(' or ')}`;
    case 'isSet':
      return `${name(condition.option)} is ${about(condition.option)?.kind === 'addOn' ? 'chosen' : 'filled in'}`;
    case 'greater':
      return `${name(condition.option)} is more than ${condition.than}`;
  }
}
