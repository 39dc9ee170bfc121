import type { Root } from 'hast';
import { readText } from '~/core/texts/read-text';
import type { TextTask } from '~/services/texts/texts';

/** Reads one text. However long it takes, it takes this thread. */
export default async function run({ text }: TextTask): Promise<Root | null> {
  return text === null ? null : readText(text);
}
