import type { Account } from '~/data';
import type { App as PavedLane } from '~/services/app';

declare global {
  namespace App {
    interface Locals {
      app: PavedLane;
      account: Account | null;
      /** What the shopper reads (ISO 639-1); the studio speaks English. */
      language: string;
    }
  }
}
