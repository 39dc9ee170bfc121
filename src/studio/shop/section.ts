import type { Lane } from '~/core/lane';

/** What every section of the settings works with. A `key` joins quick changes of one place into one step to undo. */
export interface SectionProps {
  readonly lane: Lane;
  readonly change: (recipe: (lane: Lane) => void, key?: string) => void;
  /** Whether anything has a price already. */
  readonly hasProducts?: boolean;
  /** Shows a page of the shop beside the section; null: whichever is chosen there. */
  readonly onShow?: (path: string | null) => void;
}
