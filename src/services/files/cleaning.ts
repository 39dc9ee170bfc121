import type { FileForm } from '~/core/options';
import { fail, type Result } from '~/core/problems';
import type { CleanFile, cleanIcon } from './clean-file';
import { createPool } from '~/services/worker-pool';

export type CleaningTask =
  | { readonly kind: 'file'; readonly bytes: Uint8Array; readonly forms: readonly FileForm[] }
  | { readonly kind: 'icon'; readonly bytes: Uint8Array };

/** What the thread is given: a file, or nothing, so that it has read all it needs before the first file comes. */
export type WorkerTask = CleaningTask | { readonly kind: 'nothing' };

export interface CleaningAnswers {
  readonly file: Result<CleanFile>;
  readonly icon: Awaited<ReturnType<typeof cleanIcon>>;
}

/** Strangers' files are cleaned in threads, two at a time, each within 1.8 s of a running thread. */
export interface Cleaning {
  clean<Kind extends CleaningTask['kind']>(
    task: Extract<CleaningTask, { kind: Kind }>,
  ): Promise<CleaningAnswers[Kind] | ReturnType<typeof fail>>;
  close(): Promise<void>;
}

export function createCleaning(): Cleaning {
  const pool = createPool('clean-file', {
    most: 2,
    mostWaiting: 8,
    mostMs: 1800,
    mostMemoryMb: 256,
    nothing: { kind: 'nothing' } satisfies WorkerTask,
  });
  return {
    async clean<Kind extends CleaningTask['kind']>(task: Extract<CleaningTask, { kind: Kind }>) {
      const answer = await pool.run<CleaningAnswers[Kind]>(task);
      if (answer.state === 'done') return answer.value;
      return answer.state === 'busy'
        ? fail('file', 'upload-too-many', { seconds: 5 })
        : fail('file', 'upload-too-slow');
    },
    close: () => pool.close(),
  };
}
