import type { Role } from '~/core/lane';
import { readAddForm } from '../add-form';
import type { CartAnswer } from '../cart-change';
import type { CartClient } from '../cart-client';
import { say } from '../kit/say';
import type { Recorder } from '../events';
import type { OpenAbout } from '../piece-host';

interface Following {
  readonly cart: CartClient;
  readonly recorder: Recorder;
  readonly isCartPage: boolean;
  readonly isPreview: boolean;
  /** The piece that is there for it; false when this visit sees none. */
  readonly openRole: (role: Role, about: OpenAbout) => boolean;
  readonly afterAdd: (about: OpenAbout) => boolean;
}

/** Sends the page's add forms without leaving it, opens the cart from its links, and keeps its counts right. */
export function followPage(following: Following): void {
  const { cart, recorder, openRole, afterAdd } = following;
  document.addEventListener('submit', (event) => {
    const form = event.target as HTMLFormElement;
    if (!form.matches('[data-pl-add]') || event.defaultPrevented) return;
    event.preventDefault();
    if (following.isPreview) return;
    const request = readAddForm(form);
    const opener = document.activeElement;
    void cart.change(request).then((answer) => {
      if (!answer.ok) return refused(form, answer);
      const product = request.product ?? form.closest<HTMLElement>('[data-pl-product]')?.dataset['plProduct'] ?? null;
      recorder.record('add', { product });
      if (answer.waiting || !afterAdd({ product, lineId: answer.lineId, opener })) say(form.dataset['plAdd']!);
    });
  });
  document.addEventListener('click', (event) => {
    const link = event.composedPath().find((target) => target instanceof Element && target.matches('[data-pl-cart]'));
    if (!link || event.defaultPrevented || event.metaKey || event.ctrlKey || following.isCartPage) return;
    if (openRole('cart', { opener: link as Element })) event.preventDefault();
  });
  cart.watch((view) => {
    for (const count of document.querySelectorAll<HTMLElement>('[data-pl-count]')) {
      count.textContent = String(view.count);
      count.hidden = !view.count;
    }
  });
  // Going back shows a cached page with its old cart: load it again.
  const [entry] = performance.getEntriesByType('navigation') as PerformanceNavigationTiming[];
  if (entry?.type === 'back_forward') void cart.load();
  addEventListener('pageshow', (event) => event.persisted && void cart.load());
}

/** Lets the form's own options show what is wrong with them; what they do not take is said beside the button. */
function refused(form: HTMLFormElement, answer: CartAnswer & { ok: false }): void {
  const event = new CustomEvent('pl-refused', { detail: answer.problems, cancelable: true });
  if (form.dispatchEvent(event)) say(answer.message, true);
}
