import type { FileForm } from '~/core/options';
import { fail, type Result } from '~/core/problems';
import type { CleanFile, cleanIcon } from './clean-file';
import { createPool } from './worker-pool';

export type CleaningTask =
  | { readonly kind: 'file'; readonly bytes: Uint8Array; readonly forms: readonly FileForm[] }
  | { readonly kind: 'icon'; readonly bytes: Uint8Array };

export interface CleaningAnswers {
  readonly file: Result<CleanFile>;
  readonly icon: Awaited<ReturnType<typeof cleanIcon>>;
}

/** Files of strangers are cleaned apart from the server, two at a time, each within 1.8 s. */
export interface Cleaning {
  clean<Kind extends CleaningTask['kind']>(
    task: Extract<CleaningTask, { kind: Kind }>,
  ): Promise<CleaningAnswers[Kind] | ReturnType<typeof fail>>;
  close(): Promise<void>;
}

export function createCleaning(): Cleaning {
  const pool = createPool('clean-file', { most: 2, mostWaiting: 8, mostMs: 1800, mostMemoryMb: 256 });
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
