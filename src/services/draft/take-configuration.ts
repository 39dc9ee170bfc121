import type { ConfigurationCheck } from '~/contract/studio/configuration';
import { describeDifference, lintLane, wordFinding, type Lane } from '~/core/lane';
import { readConfiguration } from '~/core/lane/document/configuration';
import { fail, ok, type Result } from '~/core/problems';
import { findGoneGifts } from '~/services/catalogue/find-empty';
import type { App } from '~/services/app';
import { definitions } from '~/pieces/definitions';
import { namesOfLanes } from '~/services/lane/names-of-lanes';
import { readDraft, takeIntoDraft, type TakenBy } from './take-into-draft';

/** A file's configuration as it would stand in this shop, which keeps its time zone; one in another currency is refused. */
function fitted(text: string, { shop }: Lane): Result<Lane> {
  const read = readConfiguration(text, definitions);
  if (!read.ok) return read;
  const { currency: theirs } = read.value.shop;
  if (theirs !== shop.currency) return fail('file', 'configuration-currency', { theirs, ours: shop.currency });
  return ok({ ...read.value, shop: { ...read.value.shop, timeZone: shop.timeZone } });
}

/** What a configuration would change in the draft, and what of it does not fit this shop. */
export async function checkConfiguration(app: App, text: string): Promise<Result<ConfigurationCheck>> {
  const draft = await readDraft(app);
  if (!draft.ok) return draft;
  const { lane } = draft.value;
  const next = fitted(text, lane);
  if (!next.ok) return next;
  const names = await namesOfLanes(app, [lane, next.value]);
  const known = new Set(await sentences(app, lane));
  return ok({
    changes: describeDifference(lane, next.value, definitions, names),
    misfits: (await sentences(app, next.value)).filter((sentence) => !known.has(sentence)),
  });
}

/** What is to be said of a lane in this shop. */
async function sentences(app: App, lane: Lane): Promise<string[]> {
  const [slugs, goneGifts] = await Promise.all([app.catalogue.listSlugs(), findGoneGifts(app, lane)]);
  const found = lintLane(lane, definitions, { ...slugs, goneGifts });
  return found.map((finding) => wordFinding(finding, lane, definitions));
}

/** Puts a configuration into the draft of edit number `edit`. */
export function takeConfiguration(app: App, text: string, who: TakenBy): Promise<Result<null>> {
  return takeIntoDraft(app, (draft) => fitted(text, draft), { ...who, action: 'take-configuration' });
}
