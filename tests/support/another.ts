import type { SettingSpec } from '~/core/lane';

/** Any other value the setting allows. */
export function another(spec: SettingSpec): string | number | boolean {
  switch (spec.type) {
    case 'choice':
      return Object.keys(spec.options).find((key) => key !== spec.default)!;
    case 'toggle':
      return !spec.default;
    case 'number':
      return spec.default === spec.max ? spec.min : spec.max;
    case 'place':
      return spec.default === 'top 0' ? 'bottom 100' : 'top 0';
    case 'picture':
      return '/media/icons/another.png';
  }
}
