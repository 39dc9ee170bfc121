import { MOST_AT_ONCE } from '~/core/limits';
import { fill } from '~/core/words/fill';
import type { ManifestPiece } from '~/core/lane';
import type { MountedPiece, PieceHost } from '~/runtime/piece-host';
import { createArranged } from './arranged';
import { columnsOf } from './columns';
import { moneyIn, type CurrentForm } from './current-form';
import type { OrderFormPiece } from './definition';
import { createDrawnRows } from './drawn-rows';
import { canAdd } from './row';
import { createRowChooser } from './row-chooser';
import { unpackRows, type FormRow } from './rows';
import { createSelection, type Selection } from './selection';
import type { SendRows } from './send-rows';

/**
 * Takes over an order form the server drew: totals, search, sorting, one request for all that is chosen; nothing chosen is
 * lost. Of long lists only the rows about those in sight are drawn.
 */
export function mount(initial: ManifestPiece, initialHost: PieceHost): MountedPiece {
  let piece = initial as OrderFormPiece;
  let host = initialHost;
  let hydrated = hydrateDrawn();
  const hydrateAgain = () => {
    hydrated?.stop();
    hydrated = hydrateDrawn();
  };
  document.addEventListener('pl-cards', hydrateAgain);
  return {
    update(next, nextHost) {
      piece = next as OrderFormPiece;
      host = nextHost;
    },
    destroy() {
      hydrated?.stop();
      document.removeEventListener('pl-cards', hydrateAgain);
    },
  };

  function hydrateDrawn(): { stop: () => void } | null {
    const form = document.querySelector<HTMLFormElement>(
      `[data-pl-piece="${CSS.escape(piece.id)}"] [data-pl-order-form]`,
    );
    const data = form?.querySelector('[data-rows]');
    if (!form || !data) return null;
    const current: CurrentForm = {
      form,
      body: form.querySelector('tbody')!,
      get piece() {
        return piece;
      },
      get host() {
        return host;
      },
    };
    return hydrate(current, unpackRows(data.textContent));
  }
}

/** What adds rows comes when something is chosen. */
function lateSender(current: CurrentForm, selection: Selection, redraw: () => void): () => Promise<SendRows> {
  let sender: Promise<SendRows> | null = null;
  return () =>
    (sender ??= import('./send-rows').then(
      ({ createSender }) => createSender(current, selection, redraw),
      () => {
        sender = null;
        // Without a connection the browser sends the form as it is without script, and reports the error.
        return () => Promise.resolve(current.form.submit());
      },
    ));
}

function hydrate(current: CurrentForm, all: readonly FormRow[]): { stop: () => void } {
  const { form, body, piece } = current;
  const stop = new AbortController();
  const { signal } = stop;
  const columns = columnsOf(piece, JSON.parse(form.dataset['attributes'] ?? '[]') as string[]);
  const money = moneyIn(current);
  const selection = createSelection(body, all, piece.id);
  const arranged = createArranged(form, all, columns);
  let rows = all;
  const chooser = piece.settings.chooses === 'row' ? createRowChooser(current, selection, () => drawn.draw()) : null;
  const drawn = createDrawnRows(current, all, { columns, selection, chooser });
  const fetchSender = lateSender(current, selection, () => {
    drawn.draw();
    tell();
  });

  for (const live of form.querySelectorAll<HTMLElement>('[data-live]')) live.hidden = false;
  form.querySelector('[data-without-script]')?.remove();
  form.querySelector('table')!.setAttribute('aria-rowcount', String(all.length + 1));
  form.addEventListener('input', onInput, { signal });
  form.addEventListener('click', onClick, { signal });
  form.addEventListener('submit', onSubmit, { signal });
  body.replaceChildren();
  drawn.draw();
  tell();
  return {
    stop() {
      stop.abort();
      drawn.end();
      chooser?.end();
    },
  };

  /** Finds and sorts anew. */
  function arrange(): void {
    rows = arranged.rows(selection.quantityOf, current.host.language);
    form.querySelector<HTMLElement>('.order-none')!.hidden = rows.length > 0;
    drawn.show(rows);
    tellAll();
  }

  /** Ticks every row that is found, or none of them: as many as can be added at once. */
  function tickAll(isTicked: boolean): void {
    const wanted = rows.filter((row) => canAdd(row) && selection.stateOf(row).isTicked !== isTicked);
    const room = isTicked ? MOST_AT_ONCE - selection.ticked().length : wanted.length;
    for (const row of wanted.slice(0, Math.max(0, room))) selection.change(row, { isTicked });
    drawn.draw();
    tell();
    if (wanted.length > room) void import('./send-rows').then(({ sayTooMany }) => sayTooMany(current));
  }

  /** Whether all that is found is ticked, some of it or nothing. */
  function tellAll(): void {
    const box = form.querySelector<HTMLInputElement>('[data-all]');
    if (!box) return;
    const found = rows.filter(canAdd);
    const count = found.filter((row) => selection.stateOf(row).isTicked).length;
    box.disabled = found.length === 0;
    box.checked = count > 0 && count === found.length;
    box.indeterminate = count > 0 && count < found.length;
  }

  function onInput({ target }: Event): void {
    if (target instanceof HTMLSelectElement && target.dataset['filter']) {
      arranged.filter(target.dataset['filter'], target.value);
      return arrange();
    }
    if (!(target instanceof HTMLInputElement)) return;
    if (target.matches('[data-find]')) {
      arranged.type(target.value);
      drawn.startTyping();
      return arrange();
    }
    if (target.matches('[data-all]')) return tickAll(target.checked);
    const row = selection.rowAt(target);
    if (target.dataset['away']) selection.removeElsewhere(Number(target.dataset['away']));
    else if (!row) return;
    else if (target.name === 'tick') selection.change(row, { isTicked: target.checked });
    else typeQuantity(row, target);
    tell();
  }

  /** Typing a quantity ticks the row. A half-typed number is left as it is. */
  function typeQuantity(row: FormRow, field: HTMLInputElement): void {
    const quantity = Number(field.value);
    selection.change(row, { quantity: quantity > 0 ? quantity : 1, isTicked: quantity > 0 });
    const line = field.closest('tr')!;
    const tick = line.querySelector<HTMLInputElement>('[name=tick]');
    if (tick) tick.checked = quantity > 0;
    const sum = line.querySelector('[data-sum]');
    if (sum) sum.textContent = money(row.priceMinor * selection.quantityOf(row));
  }

  /** Says what is chosen, and keeps it for this tab. */
  function tell(): void {
    const chosen = selection.ticked();
    const { words } = current.piece;
    const { language } = current.host;
    if (chosen.length > 0) void fetchSender();
    const count = chosen.reduce((sum, { quantity }) => sum + quantity, 0);
    const amount = chosen.reduce((sum, { priceMinor, quantity }) => sum + priceMinor * quantity, 0);
    const said = form.querySelector('[data-chosen]');
    if (said) said.textContent = count === 0 ? '' : fill(words.chosen, { count, amount: money(amount) }, language);
    form.hidden = all.length === 0 && chosen.length === 0;
    tellAll();
    const place = form.querySelector<HTMLElement>('[data-elsewhere]');
    if (place) {
      const away = selection.elsewhere();
      place.hidden = away.length === 0;
      const { piece } = current;
      if (away.length > 0)
        void import('./elsewhere').then(({ drawElsewhere }) =>
          drawElsewhere(place, { piece, rows: away, money, language }),
        );
    }
    selection.keep();
  }

  function onClick(event: MouseEvent): void {
    const target = event.target as Element;
    const heading = target.closest<HTMLElement>('[data-sort]');
    if (heading) {
      arranged.sortBy(heading);
      return arrange();
    }
    const { host } = current;
    const look = target.closest<HTMLElement>('[data-look]');
    if (!look || host.isPreview) return;
    const asked = chooser && look.dataset['word'] === 'choose' ? selection.rowAt(look) : undefined;
    if (asked) {
      event.preventDefault();
      return chooser?.toggle(asked);
    }
    if (event.metaKey || event.ctrlKey || event.shiftKey) return;
    if (host.openRole('look', { product: look.dataset['look']!, opener: look })) event.preventDefault();
  }

  function onSubmit(event: SubmitEvent): void {
    event.preventDefault();
    if (current.host.isPreview) return;
    const only = event.submitter && selection.rowAt(event.submitter);
    const rows = only ? [{ variantId: only.variantId, quantity: selection.quantityOf(only) }] : selection.ticked();
    void fetchSender().then((send) => send(rows, Boolean(only)));
  }
}
