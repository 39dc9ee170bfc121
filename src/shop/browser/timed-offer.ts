import { timeLeft } from '~/core/words/time-left';

/**
 * The offer after an order: how long it stands runs on by the server's clock, from what was left when the page was sent; a shopper's
 * own clock has no say. Where the owner wants it so it lies over the page, once for an order.
 */
export function followTimedOffer(box: HTMLElement, now: () => number = () => performance.now()): void {
  const left = () => Number(box.dataset['plLeft']) - now();
  const clock = box.querySelector<HTMLElement>('[data-pl-clock]');
  const dialog =
    box.dataset['plStands'] === 'popup' && left() > 0 && firstTime(box.dataset['plOnce'] ?? '') ? lift(box) : null;

  function tick(): void {
    if (left() <= 0) {
      dialog?.close();
      box.hidden = true;
      return;
    }
    if (clock) {
      clock.hidden = false;
      clock.textContent = (clock.dataset['plClock'] ?? '').replace('{time}', timeLeft(left()));
    }
    setTimeout(tick, Math.min(1000, left()));
  }
  tick();
}

/** Lays it over the page; closed, it stands in its place again. */
function lift(box: HTMLElement): HTMLDialogElement {
  const place = document.createComment('');
  box.before(place);
  const dialog = document.createElement('dialog');
  dialog.className = 'thanks-dialog';
  dialog.dataset['motion'] = box.dataset['plMotion'];
  const title = box.querySelector('h2');
  if (title) {
    title.id = 'pl-after-title';
    dialog.setAttribute('aria-labelledby', title.id);
  }
  const close = box.querySelector<HTMLButtonElement>('[data-pl-close]');
  if (close) close.hidden = false;
  dialog.append(box);
  document.body.append(dialog);
  close?.addEventListener('click', () => dialog.close());
  dialog.addEventListener('click', (event) => event.target === dialog && dialog.close());
  dialog.addEventListener('close', () => {
    if (close) close.hidden = true;
    place.replaceWith(box);
    dialog.remove();
  });
  // Not the first button: it charges, and Enter comes easily.
  dialog.tabIndex = -1;
  dialog.showModal();
  dialog.focus();
  return dialog;
}

/** Where nothing can be kept it is shown in its place, rather than again and again. */
function firstTime(key: string): boolean {
  try {
    if (localStorage.getItem(key) !== null) return false;
    localStorage.setItem(key, '1');
    return true;
  } catch {
    return false;
  }
}

const box = typeof document === 'undefined' ? null : document.querySelector<HTMLElement>('[data-pl-left]');
if (box) followTimedOffer(box);
