import type { DraftView } from '~/contract/studio/draft';
import type { StepsView } from '~/core/first-steps';
import type { Funnel } from '~/core/funnel';

/** What every screen of the studio is given. */
export interface ShellData {
  readonly draft: DraftView;
  readonly funnel: Funnel;
  readonly before: Funnel;
  /** How far a new owner is; null once the shop is open. */
  readonly steps: StepsView | null;
  readonly account: { readonly name: string; readonly role: 'owner' | 'editor' | 'viewer' };
}
