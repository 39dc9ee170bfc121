import type { StepsView } from '~/core/first-steps';
import type { Funnel } from '~/core/funnel';
import type { CategoryTexts, Caution, Lane, LaneChange, LintFinding, ShopNames } from '~/core/lane';

/** The draft as the API answers it. */
export interface DraftData {
  readonly edit: number;
  readonly token: string;
  readonly lane: Lane;
  readonly live: { readonly revision: number; readonly lane: Lane };
  readonly changes: readonly LaneChange[];
  readonly lint: readonly LintFinding[];
  readonly cautions: readonly Caution[];
  /** What the things are called that one of the two lanes names. */
  readonly names: ShopNames;
  readonly categoryTexts: CategoryTexts;
}

/** What every screen of the studio is given. */
export interface ShellData {
  readonly draft: DraftData;
  readonly funnel: Funnel;
  readonly before: Funnel;
  /** How far a new owner is; null once the shop is open. */
  readonly steps: StepsView | null;
  readonly account: { readonly name: string; readonly role: 'owner' | 'editor' | 'viewer' };
}
