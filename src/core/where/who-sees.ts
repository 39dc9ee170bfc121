import type { Device, PageKind, Scope, Where } from './where.schema';

/** The page and device a piece is asked about. */
export interface Visit {
  readonly device: Device;
  readonly page: PageKind;
  readonly categories: readonly string[];
  readonly product: string | null;
}

/** Whether this visit sees the piece. */
export function isSeen({ devices, pages, categories, products }: Where, visit: Visit): boolean {
  return (
    devices.includes(visit.device) &&
    pages.includes(visit.page) &&
    inScope(categories, visit.categories) &&
    (visit.product === null || inScope(products, [visit.product]))
  );
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
