import type { Device, PageKind, Scope, Where } from './where.schema';

/** The page and device a piece is asked about. */
export interface Visit {
  readonly device: Device;
  readonly page: PageKind;
  readonly categories: readonly string[];
  readonly product: string | null;
}

export type WhereAnswer =
  { readonly shown: true } | { readonly shown: false; readonly because: 'device' | 'page' | 'category' | 'product' };

/** Whether this visit sees the piece, and if not, the first rule that says so. */
export function whoSees(where: Where, visit: Visit): WhereAnswer {
  if (!where.devices.includes(visit.device)) return { shown: false, because: 'device' };
  if (!where.pages.includes(visit.page)) return { shown: false, because: 'page' };
  if (!inScope(where.categories, visit.categories)) return { shown: false, because: 'category' };
  if (visit.product !== null && !inScope(where.products, [visit.product])) return { shown: false, because: 'product' };
  return { shown: true };
}

/** A scope of categories does not exclude pages that have none, unless it names the only ones wanted. */
function inScope(scope: Scope, found: readonly string[]): boolean {
  if (scope.mode === 'all') return true;
  const hit = found.some((slug) => scope.slugs.includes(slug));
  return scope.mode === 'only' ? hit : !hit;
}

/** The widths of `deviceOf` for style sheets. */
export const MEDIA_OF: Readonly<Record<Device, string>> = {
  phone: '(max-width:639.98px)',
  tablet: '(min-width:640px) and (max-width:1023.98px)',
  desktop: '(min-width:1024px)',
};

/** Widths in CSS px: under 640 a phone, under 1024 a tablet. */
export function deviceOf(width: number): Device {
  if (width < 640) return 'phone';
  return width < 1024 ? 'tablet' : 'desktop';
}
