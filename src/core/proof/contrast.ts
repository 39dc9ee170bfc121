import { clampChroma, converter, formatHex, parse, wcagContrast } from 'culori';

/** WCAG 2.2 contrast ratio, 1 to 21; null when either is not a colour. */
export function contrastRatio(text: string, background: string): number | null {
  const [a, b] = [parse(text), parse(background)];
  return a && b ? wcagContrast(a, b) : null;
}

/** WCAG 2.2, 1.4.3: text of normal size. */
export const LEAST_CONTRAST = 4.5;

const toOklch = converter('oklch');

/**
 * The colour nearest to `text` in lightness (OKLCH, hue kept) that reaches `wanted` on `background`; null when not even
 * black or white does. Returned as #rrggbb.
 */
export function nearestPassing(text: string, background: string, wanted: number): string | null {
  const start = toOklch(text);
  if (!start) return null;
  const candidates = [0, 1].flatMap((end) => {
    for (let step = 0; step <= 100; step += 1) {
      const l = start.l + ((end - start.l) * step) / 100;
      const hex = formatHex(clampChroma({ ...start, l }, 'oklch'));
      if ((contrastRatio(hex, background) ?? 0) >= wanted) return [{ hex, moved: Math.abs(l - start.l) }];
    }
    return [];
  });
  return candidates.sort((a, b) => a.moved - b.moved)[0]?.hex ?? null;
}
