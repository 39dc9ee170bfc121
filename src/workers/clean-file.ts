import { cleanFile, cleanIcon } from '~/services/clean-file';
import type { CleaningTask, CleaningAnswers } from '~/services/cleaning';

/** Cleans one file. Whatever a file makes it do, it does to this thread. */
export default async function run<Kind extends CleaningTask['kind']>(
  task: Extract<CleaningTask, { kind: Kind }>,
): Promise<CleaningAnswers[Kind]>;
export default async function run(task: CleaningTask): Promise<CleaningAnswers[CleaningTask['kind']]> {
  return task.kind === 'file' ? cleanFile(task.bytes, task.forms) : cleanIcon(task.bytes);
}
