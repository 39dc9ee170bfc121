import type { Root } from 'hast';
import { LRUCache } from 'lru-cache';
import { createPool } from '~/services/worker-pool';
import { plainTree, readText } from '~/core/texts/read-text';

export interface TextTask {
  /** Null: nothing, so that the thread has read all it needs before the first text comes. */
  readonly text: string | null;
}

/** Up to so many characters a text is read at once, however it is made: the slowest takes some 20 ms. */
const AT_ONCE = 1000;
const MOST_READ_MS = 500;

export interface Texts {
  /** As a tree of what may stand in a page; one that takes too long is shown as it was typed. */
  read(text: string): Promise<Root>;
  close(): Promise<void>;
}

/** Texts of the owner's, read once each; long ones apart from the server. */
export function createTexts(): Texts {
  const pool = createPool('read-text', {
    most: 1,
    mostWaiting: 20,
    mostMs: MOST_READ_MS,
    mostMemoryMb: 256,
    nothing: { text: null } satisfies TextTask,
  });
  const read = new LRUCache<string, Root>({ max: 200 });
  async function treeOf(text: string): Promise<Root> {
    const known = read.get(text);
    if (known) return known;
    const answer = text.length <= AT_ONCE ? null : await pool.run<Root>({ text } satisfies TextTask);
    // Busy with other texts: try again next time.
    if (answer?.state === 'busy') return plainTree(text);
    const tree = answer === null ? await readText(text) : answer.state === 'done' ? answer.value : plainTree(text);
    read.set(text, tree);
    return tree;
  }
  return {
    read: async (text) => structuredClone(await treeOf(text)),
    close: () => pool.close(),
  };
}
