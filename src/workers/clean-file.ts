import { cleanFile, cleanIcon, loadCleaner } from '~/services/files/clean-file';
import type { CleaningTask, CleaningAnswers, WorkerTask } from '~/services/files/cleaning';

/** Cleans one file. Whatever a file makes it do, it does to this thread. */
export default async function run<Kind extends CleaningTask['kind']>(
  task: Extract<CleaningTask, { kind: Kind }>,
): Promise<CleaningAnswers[Kind]>;
export default async function run(task: { readonly kind: 'nothing' }): Promise<null>;
export default async function run(task: WorkerTask): Promise<CleaningAnswers[CleaningTask['kind']] | null> {
  if (task.kind === 'nothing') {
    await loadCleaner();
    return null;
  }
  return task.kind === 'file' ? cleanFile(task.bytes, task.forms) : cleanIcon(task.bytes);
}
