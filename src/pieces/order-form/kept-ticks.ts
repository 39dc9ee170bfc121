import type { TickedElsewhere } from './elsewhere';

/** What is ticked in a form, on whichever of its pages, kept for the tab. */
export interface KeptTicks {
  readonly read: () => TickedElsewhere[];
  readonly write: (ticked: readonly TickedElsewhere[]) => void;
}

type Kept = readonly [variantId: number, quantity: number, slug: string, title: string, priceMinor: number];

const isKept = (one: unknown): one is Kept =>
  Array.isArray(one) &&
  [0, 1, 4].every((place) => Number.isSafeInteger(one[place])) &&
  [2, 3].every((place) => typeof one[place] === 'string');

/** `pieceId` names the form: it is one basket, whatever of it a page shows. */
export function keptTicks(pieceId: string): KeptTicks {
  const key = `pl_order:${pieceId}`;
  return {
    read() {
      try {
        const kept = JSON.parse(sessionStorage.getItem(key) ?? '[]') as unknown;
        return (Array.isArray(kept) ? kept : [])
          .filter(isKept)
          .map(([variantId, quantity, slug, title, priceMinor]) => ({
            variantId,
            quantity,
            slug,
            title,
            priceMinor,
            problem: null,
          }));
      } catch {
        // Storage is not allowed or damaged: the form begins empty.
        return [];
      }
    },
    write(ticked) {
      const kept = ticked.map(({ variantId, quantity, slug, title, priceMinor }): Kept => [
        ...([variantId, quantity, slug, title, priceMinor] as const),
      ]);
      try {
        sessionStorage.setItem(key, JSON.stringify(kept));
      } catch {
        // Without storage the ticks last as long as the page.
      }
    },
  };
}
