import { NO_GOODS, selectionOf, type SettingSpec, type SettingValue } from '~/core/lane';

/** Any other value the setting allows. */
export function another(spec: SettingSpec): SettingValue {
  switch (spec.type) {
    case 'choice':
      return Object.keys(spec.options).find((key) => key !== spec.default)!;
    case 'toggle':
      return !spec.default;
    case 'number':
      return spec.default === spec.max ? spec.min : spec.max;
    case 'place':
      return spec.default === 'top 0' ? 'bottom 100' : 'top 0';
    case 'text':
      return 'Weight, Span';
    case 'selection':
      return selectionOf({ from: 'tag', tag: 'light wind', most: 3 });
    case 'goods':
      return { ...NO_GOODS, quantity: 7, sku: 'ANOTHER' };
    case 'offer':
      return 'another';
    case 'columns':
      return { [Object.keys(spec.of)[0]!]: { width: 'wide', align: 'center' } };
    case 'picture':
      return '/media/icons/another.png';
  }
}
