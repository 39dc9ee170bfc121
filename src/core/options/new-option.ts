import { NO_EFFECT, type OptionKind, type OptionRule } from './option.schema';

/** A fresh rule of a kind, valid as it is but for an add-on's SKU, which the owner must name. */
export function newOption(kind: OptionKind, key: string, label: string): OptionRule {
  const common = { key, label, help: '', required: false, shownWhen: null };
  const choices = ['First', 'Second'].map((text) => ({ value: text.toLowerCase(), label: text, effect: NO_EFFECT }));
  switch (kind) {
    case 'text':
      return { kind, ...common, least: 0, most: 40, effect: NO_EFFECT };
    case 'one':
      return { kind, ...common, choices };
    case 'many':
      return { kind, ...common, choices, least: 0, most: 2 };
    case 'swatch':
      return {
        kind,
        ...common,
        choices: choices.map((choice, i) => ({ ...choice, colour: ['#1c4e5f', '#b23a24'][i]! })),
      };
    case 'number':
      return { kind, ...common, min: 1, max: 10, step: 1, unit: '', times: 'flat', effect: NO_EFFECT };
    case 'date':
      return { kind, ...common, fromDays: 1, toDays: 60, effect: NO_EFFECT };
    case 'file':
      return { kind, ...common, forms: ['picture'], mostBytes: 5 * 1024 * 1024, effect: NO_EFFECT };
    case 'addOn':
      return { kind, ...common, sku: '' };
  }
}
