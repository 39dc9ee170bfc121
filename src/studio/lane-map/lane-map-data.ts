import type { Funnel, Loss } from '~/core/funnel';
import type { Device } from '~/core/where';

/** The lane map as the API answers it. */
export interface LaneMapData {
  readonly query: {
    readonly device?: Device | undefined;
    readonly source?: string | undefined;
    readonly days: 7 | 28 | 90;
  };
  readonly fromDay: string;
  readonly toDay: string;
  readonly funnel: Funnel;
  readonly before: Funnel;
  readonly pointMinor: readonly (number | null)[];
  readonly losses: readonly Loss[];
  readonly days: readonly { readonly day: string; readonly sessions: number; readonly orders: number }[];
  /** What was published on these days. */
  readonly publications: readonly { readonly day: string; readonly revision: number }[];
  /** Visits left out of all figures; `ownDepth`: how far the owner's own went, 0 where there was none. */
  readonly excluded: { readonly bots: number; readonly owner: number; readonly ownDepth: number };
  readonly orders: { readonly all: number; readonly withoutVisit: number };
  readonly pieceUse: Readonly<Record<string, number>>;
  readonly sources: readonly string[];
}
