import type { SignedIn } from '~/core/people';
import type { Rename } from '~/core/words';
import type { App as PavedLane } from '~/services/app';
import type { LiveLane } from '~/services/lane/live-lane';

declare global {
  namespace App {
    interface Locals {
      app: PavedLane;
      account: SignedIn | null;
      /** The draft, for whoever holds its token; null: what is live. */
      draft: LiveLane | null;
      /** What the shopper reads (ISO 639-1); the studio speaks English. */
      language: string;
      /** Puts what this shop calls its cart into a text. */
      rename: Rename;
    }
  }
}
