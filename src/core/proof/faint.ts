import { contrastRatio, LEAST_CONTRAST } from './contrast';
import type { PageMeasure, MeasuredText } from './page-measure';
import type { Found } from './problem';

/** WCAG 2.2, 1.4.3: text of 24 px, or of 18.66 px and bold, is large. */
const LARGE_PX = 24;
const LARGE_BOLD_PX = 18.66;
const LEAST_CONTRAST_LARGE = 3;
/** Of the colours of a picture under a text as many may be too near to it: a single speck hides no letter. */
const SPECKS = 0.1;

export function findFaint({ texts }: PageMeasure): Found[] {
  return texts.flatMap((text): Found[] => {
    // WCAG leaves out what cannot be used now.
    if (text.isDisabled) return [];
    const worst = worstGround(text);
    const wanted = leastContrast(text);
    if (worst === null || worst.ratio >= wanted) return [];
    const { at, box, colour } = text;
    return [{ check: 'faint', at, box, colour, wanted, ...worst }];
  });
}

export function leastContrast({ sizePx, isBold }: Pick<MeasuredText, 'sizePx' | 'isBold'>): number {
  return sizePx >= (isBold ? LARGE_BOLD_PX : LARGE_PX) ? LEAST_CONTRAST_LARGE : LEAST_CONTRAST;
}

/** The ground on which it is hardest to read, specks aside; null where nothing is known of its ground. */
function worstGround({ colour, grounds }: MeasuredText): { ground: string; ratio: number } | null {
  const found = grounds
    .map((ground) => ({ ground, ratio: contrastRatio(colour, ground) ?? 21 }))
    .sort((a, b) => a.ratio - b.ratio);
  return found[Math.floor(found.length * SPECKS)] ?? null;
}
