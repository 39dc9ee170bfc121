import { create } from 'zustand';
import type { Funnel } from '~/core/funnel';

/** What the band shows, and of which visits. */
export interface BandFigures {
  readonly funnel: Funnel;
  readonly before: Funnel;
  readonly days: number;
  /** Whose visits, in a word or two, e.g. “phones”; empty: all. */
  readonly whose: string;
}

/** Figures of the map's own choice of days and visits, while the map is open; null: those every screen comes with. */
export const useBandFigures = create<{ figures: BandFigures | null }>(() => ({ figures: null }));
