import type { Reply } from '~/contract';
import { DOUBLE_CLICK_MS, MOST_AT_ONCE } from '~/core/limits';
import { fill } from '~/core/words/fill';
import { say } from '~/runtime/kit/say';
import type { CurrentForm } from './current-form';
import type { Selection, Wanted } from './selection';

/** `isAlone`: the button of a row was pressed, and what comes of it is said beside it only. */
export type SendRows = (wanted: readonly Wanted[], isAlone: boolean) => Promise<void>;

export function sayTooMany({ piece, host }: CurrentForm): void {
  say(fill(piece.words.tooMany, { most: MOST_AT_ONCE }, host.language), true);
}

/** Adds rows to the cart in one request, says what came of it, and `redraw`s the form. */
export function createSender(current: CurrentForm, selection: Selection, redraw: () => void): SendRows {
  let last = { key: '', at: 0 };

  /** Null without an answer. */
  async function ask(items: readonly Wanted[]): Promise<Reply<'POST /api/cart/many'> | null> {
    const { host, piece } = current;
    // Wait for changes under way: this one must be made after them.
    await host.cart.settled();
    return host.page
      .ask('/api/cart/many', {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify({ items, whole: piece.settings.whole === 'nothing', changeId: crypto.randomUUID() }),
      })
      .then((response) => response.json() as Promise<Reply<'POST /api/cart/many'>>)
      .catch(() => null);
  }

  return async (wanted, isAlone) => {
    const { piece } = current;
    selection.clearProblems();
    if (wanted.length === 0) return say(piece.words.nothing, true);
    if (wanted.length > MOST_AT_ONCE) return sayTooMany(current);
    const items = wanted.map(({ variantId, quantity }) => ({ variantId, quantity }));
    const key = JSON.stringify(items);
    // A double click is one request.
    if (last.key === key && Date.now() - last.at < DOUBLE_CLICK_MS) return;
    last = { key, at: Date.now() };
    const answer = await ask(items);
    // Without an answer the form is sent as it is without script, and the browser reports the error.
    if (!answer) return current.form.submit();
    if (!answer.added || !answer.refused)
      return say((answer.problems ?? []).map(({ message }) => message).join(' '), true);
    const { added, refused } = answer;
    const slugs = new Map(selection.ticked().map(({ variantId, slug }) => [variantId, slug]));
    selection.settle(wanted, { added, refused }, isAlone);
    redraw();
    const { host } = current;
    const count = (word: string, of: readonly unknown[]) => fill(word, { count: of.length }, host.language);
    const [first] = refused;
    const why = isAlone ? first?.message : first && count(piece.words.refused, refused);
    const done = added.length > 0 && count(piece.words.added, added);
    say([done, why].filter(Boolean).join(' '), why !== undefined);
    for (const id of added)
      host.recorder.record('add', { product: selection.rowOf(id)?.slug ?? slugs.get(id) ?? null, piece: piece.id });
    await host.cart.load();
  };
}
