import type { AnswerOf } from '~/contract';
import { describeDifference } from '~/core/lane';
import { exportTexts, importTexts } from '~/services/texts/po-texts';
import { ok, type Result } from '~/core/problems';
import { definitions } from '~/pieces/definitions';
import type { App } from '~/services/app';
import { readDraft, takeIntoDraft, type TakenBy } from './take-into-draft';

/** All texts of the draft in a language as a PO file. */
export async function writeTexts(app: App, language: string): Promise<Result<string>> {
  const draft = await readDraft(app);
  return draft.ok ? ok(exportTexts(draft.value.lane, definitions, language)) : draft;
}

/** What a PO file would change in the draft. */
export async function checkTexts(app: App, file: string): Promise<Result<AnswerOf<'POST /api/studio/texts/check'>>> {
  const draft = await readDraft(app);
  if (!draft.ok) return draft;
  const read = importTexts(draft.value.lane, definitions, file);
  if (!read.ok) return read;
  const { lane, unknown, otherSource } = read.value;
  return ok({ changes: describeDifference(draft.value.lane, lane, definitions), unknown, otherSource });
}

/** Puts the translations of a PO file into the draft of edit number `edit`. */
export function takeTexts(app: App, file: string, who: TakenBy): Promise<Result<null>> {
  const make = (draft: Parameters<typeof importTexts>[0]) => {
    const read = importTexts(draft, definitions, file);
    return read.ok ? ok(read.value.lane) : read;
  };
  return takeIntoDraft(app, make, { ...who, action: 'take-texts' });
}
