import type { Answers } from '~/core/options/answers';
import { kept } from '~/runtime/kept';

export interface KeptAnswers {
  readonly answers: Answers;
  /** Names of the files among them, by their ids. */
  readonly uploads: Readonly<Record<string, string>>;
}

/** Products whose answers are kept; the one answered longest ago goes first. */
const MOST_KEPT = 20;
const store = kept('pl_answers', 'sessionStorage');

function all(): Record<string, KeptAnswers> {
  try {
    return (JSON.parse(store.read() || '{}') as Record<string, KeptAnswers> | null) ?? {};
  } catch {
    return {};
  }
}

/** What was answered for a product in this tab, so that leaving and coming back, or loading the page anew, loses nothing. */
export function keptAnswers(slug: string): KeptAnswers {
  const { answers = {}, uploads = {} } = all()[slug] ?? {};
  return { answers, uploads };
}

export function keepAnswers(slug: string, given: KeptAnswers): void {
  const { [slug]: _old, ...others } = all();
  store.write(JSON.stringify(Object.fromEntries([...Object.entries(others), [slug, given]].slice(-MOST_KEPT))));
}
