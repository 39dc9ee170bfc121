import type { SearchRoom, AskedSynonym } from '~/contract/studio/searches';
import { wordsOf } from '~/core/search';
import { fail, ok, type Result } from '~/core/problems';
import type { App } from '~/services/app';

/** How many days a search without results is listed. */
export const LOST_DAYS = 90;
const MOST_SHOWN = 100;

/** What shoppers typed as words, however they wrote it; '' when there is none worth keeping. */
const plainTerm = (typed: string) => wordsOf(typed).slice(0, 8).join(' ').slice(0, 60);

/** Notes that a search found nothing. */
export async function noteLostSearch(app: App, typed: string): Promise<void> {
  const term = plainTerm(typed);
  if (term.length >= 2) await app.searches.note(term, app.now());
}

export async function showSearches(app: App): Promise<SearchRoom> {
  const [lost, synonyms] = await Promise.all([app.searches.list(MOST_SHOWN), app.catalogue.listSynonyms()]);
  return { lost, synonyms };
}

export async function sweepSearches(app: App): Promise<void> {
  await app.searches.sweep(app.now() - LOST_DAYS * 86_400_000);
}

/** Keeps a synonym. A search that finds something by it is not lost any more. */
export async function keepSynonym(
  app: App,
  { term, means }: AskedSynonym,
  accountId: number,
): Promise<Result<SearchRoom>> {
  const plain = wordsOf(term);
  if (plain.length !== 1) return fail('term', 'synonym-word', { term });
  const others = [...new Set(means.flatMap((text) => wordsOf(text)))].filter((word) => word !== plain[0]);
  if (means.length > 0 && others.length === 0) return fail('means', 'synonym-empty');
  await app.db.inTransaction(async () => {
    if (others.length > 0) await app.catalogue.writeSynonyms([[plain[0]!, others]]);
    else await app.catalogue.removeSynonym(plain[0]!);
    await app.audit.write({
      at: app.now(),
      accountId,
      action: 'keep-synonym',
      facts: { term: plain[0], means: others },
    });
  });
  for (const { term: lost } of await app.searches.list(MOST_SHOWN)) {
    if (!wordsOf(lost).includes(plain[0]!)) continue;
    const { match } = await app.catalogue.resolveSearch(lost);
    if (match !== null) await app.searches.forget(lost);
  }
  return ok(await showSearches(app));
}
