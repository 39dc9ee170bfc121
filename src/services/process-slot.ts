import type { App } from './app';
import type { Asked, CachedAnswer } from './page-cache';

/**
 * What the outer server and the app inside the framework hand each other. They are built apart, so a module of one is not
 * the module of the other; what they share is kept on the process.
 */
interface ProcessSlot {
  app?: Promise<App>;
  /** Answers from the page cache, without the framework. */
  cachedAnswer?: (asked: Asked) => Promise<CachedAnswer | null>;
  /** Why the app could not be opened, for the console. */
  fault?: string;
  /** Of the link that makes the first account; null once there is one. */
  beginKey?: string | null;
  /** The public address for links in mails; set by the server. */
  origin?: string;
}

export function processSlot(): ProcessSlot {
  const process = globalThis as { pavedLane?: ProcessSlot };
  return (process.pavedLane ??= {});
}
