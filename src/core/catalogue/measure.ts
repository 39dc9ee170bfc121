const MEASURE = /^(\d+(?:\.\d+)?)\s*([^\d\s.,–-][^\d]*)?$/;

/** A value as a number with a unit, e.g. `168 cm`; null for anything else. */
export function measureOf(value: string): { readonly amount: number; readonly unit: string } | null {
  const found = MEASURE.exec(value.trim());
  return found && { amount: Number(found[1]), unit: (found[2] ?? '').trim() };
}
