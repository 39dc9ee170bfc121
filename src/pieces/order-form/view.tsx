/** @jsxImportSource preact */
import type { Reply } from '~/contract';
import { render } from 'preact';
import { DOUBLE_CLICK_MS, MOST_AT_ONCE } from '~/core/limits';
import { formatMoney } from '~/core/money/currency';
import type { Answers } from '~/core/options/answers';
import { fill } from '~/core/words/fill';
import type { ManifestPiece } from '~/core/lane';
import { say } from '~/runtime/kit/say';
import type { MountedPiece, PieceHost } from '~/runtime/piece-host';
import type { OrderFormPiece } from './definition';
import { columnsOf } from './columns';
import { Elsewhere, type TickedElsewhere } from './elsewhere';
import { keptTicks } from './kept-ticks';
import { canAdd, Row, titleOf, type RowState } from './row';
import type { ChooseRow } from './choose-row';
import type { Windowed } from './windowed';
import { findRows, ROWS_AT_ONCE, sortRows, unpackRows, type FormRow } from './rows';

const UNTOUCHED: RowState = { isTicked: false, quantity: 1, problem: null };

/** Drawn at once at each letter, of rows that are found; the others in sight follow when typing pauses. */
const ROWS_WHILE_TYPING = 6;
/** A pause as long ends typing, in ms. */
const TYPING_MS = 150;

/**
 * Takes over an order form the server drew: totals, search, sorting, one request for all that is chosen; nothing chosen is
 * lost. Of long lists only the rows about those in sight are drawn.
 */
export function mount(initial: ManifestPiece, initialHost: PieceHost): MountedPiece {
  let piece = initial as OrderFormPiece;
  let host = initialHost;
  let taken = hydrateDrawn();
  const anew = () => {
    taken?.stop();
    taken = hydrateDrawn();
  };
  document.addEventListener('pl-cards', anew);
  return {
    update(next, nextHost) {
      piece = next as OrderFormPiece;
      host = nextHost;
    },
    destroy() {
      taken?.stop();
      document.removeEventListener('pl-cards', anew);
    },
  };

  function hydrateDrawn(): { stop: () => void } | null {
    const found = document.querySelector<HTMLFormElement>(
      `[data-pl-piece="${CSS.escape(piece.id)}"] [data-pl-order-form]`,
    );
    const data = found?.querySelector('[data-rows]');
    if (!found || !data) return null;
    return run(found, unpackRows(data.textContent));
  }

  function run(form: HTMLFormElement, all: readonly FormRow[]): { stop: () => void } {
    const kept = keptTicks(piece.id);
    /** Ticked before, and not among the rows of this page. */
    const elsewhere = new Map<number, TickedElsewhere>();
    const filters = new Map<string, string>();
    const stop = new AbortController();
    const { signal } = stop;
    const body = form.querySelector('tbody')!;
    const columns = columnsOf(piece, JSON.parse(form.dataset['attributes'] ?? '[]') as string[]);
    const byId = new Map(all.map((row) => [row.variantId, row]));
    const states = new Map<number, RowState>();
    const money = (amount: number) => formatMoney(amount, host.currency, host.locale);
    const link = (path: string) => path + (form.dataset['query'] ?? '');
    const stateOf = (row: FormRow) => states.get(row.variantId) ?? UNTOUCHED;
    const quantityOf = (row: FormRow) => Math.max(1, Math.floor(stateOf(row).quantity) || 1);
    const put = (row: FormRow, part: Partial<RowState>) => void states.set(row.variantId, { ...stateOf(row), ...part });
    const chosenRows = () => all.filter((row) => stateOf(row).isTicked && canAdd(row));
    /** What is ticked, of this page and of others. */
    const ticked = (): TickedElsewhere[] => [
      ...chosenRows().map((row) => ({
        variantId: row.variantId,
        slug: row.slug,
        title: titleOf(row),
        priceMinor: row.priceMinor,
        quantity: quantityOf(row),
        problem: null,
      })),
      ...elsewhere.values(),
    ];
    let typed = '';
    let sorted: Parameters<typeof sortRows>[1] | null = null;
    let rows = all;
    let drawnAt: string | undefined;
    const placeOf = () => JSON.stringify(long?.shown());
    let isDue = false;
    let isTyping = false;
    let isBusy = false;
    let last = { key: '', at: 0 };
    let pause: ReturnType<typeof setTimeout> | undefined;
    const seen = new Set<string>();
    const firstOnes = () => rows.slice(0, ROWS_AT_ONCE).map((_row, i) => i);
    let long: Windowed | null = null;
    const chooser = piece.settings.chooses === 'row' ? openChooser() : null;

    readTyped();
    restore();
    for (const live of form.querySelectorAll<HTMLElement>('[data-live]')) live.hidden = false;
    form.querySelector('[data-without-script]')?.remove();
    form.querySelector('table')!.setAttribute('aria-rowcount', String(all.length + 1));
    form.addEventListener('input', onInput, { signal });
    form.addEventListener('click', onClick, { signal });
    form.addEventListener('submit', onSubmit, { signal });
    body.replaceChildren();
    draw();
    tell();
    if (all.length > ROWS_AT_ONCE) void goOnWindowed();
    return {
      stop() {
        stop.abort();
        clearTimeout(pause);
        long?.end();
        chooser?.end();
      },
    };

    /** Options asked in a row: of one at a time, and what is answered stays when the row scrolls away. */
    function openChooser() {
      let open: FormRow | null = null;
      let mounted: ChooseRow | null = null;
      const answers = new Map<number, Answers>();
      const place = (element: HTMLElement | null) => {
        mounted?.destroy();
        mounted = null;
        const row = open;
        if (!element || !row) return;
        void import('./choose-row').then(({ chooseRow }) => {
          // Another one may have been opened meanwhile.
          if (row !== open || !element.isConnected || mounted) return;
          mounted = chooseRow(element, {
            row,
            host,
            piece,
            quantity: () => quantityOf(row),
            answers: answers.get(row.variantId) ?? {},
            onAnswer: (given) => answers.set(row.variantId, given),
            onQuantity: (quantity) => put(row, { quantity }),
            onAdded(said) {
              open = null;
              answers.delete(row.variantId);
              put(row, { quantity: 1 });
              draw();
              body.querySelector<HTMLElement>(`[data-variant="${row.variantId}"] [data-word=choose]`)?.focus();
              say(said);
            },
          });
        });
      };
      return {
        refFor: (row: FormRow) => (row.isOpen ? (open === row ? place : null) : undefined),
        toggle(row: FormRow) {
          open = open === row ? null : row;
          draw();
        },
        end: () => mounted?.destroy(),
      };
    }

    async function goOnWindowed(): Promise<void> {
      const { windowed } = await import('./windowed');
      if (signal.aborted) return;
      long = windowed(body, rows.length, (i) => rows[i]?.variantId ?? i, drawSoon);
      draw();
    }

    /** Once for all that is told at once, such as the heights of new rows. */
    function drawSoon(): void {
      if (isDue) return;
      isDue = true;
      queueMicrotask(() => {
        isDue = false;
        // Told of every step of scrolling: most change nothing.
        if (!signal.aborted && placeOf() !== drawnAt) draw();
      });
    }

    /** New pictures come when typing or scrolling pauses. */
    function pictureOf({ picture }: FormRow): boolean {
      if (picture === null || (isBusy && !seen.has(picture))) return false;
      seen.add(picture);
      return true;
    }

    function draw(): void {
      drawnAt = placeOf();
      const {
        indexes: inSight,
        before,
        after,
        isMoving,
      } = long?.shown() ?? { indexes: firstOnes(), before: 0, after: 0, isMoving: false };
      isBusy = isTyping || isMoving;
      const indexes = isTyping ? inSight.slice(0, ROWS_WHILE_TYPING) : inSight;
      body.style.paddingBlock = `${before}px ${after}px`;
      const { language } = host;
      const shown = indexes.flatMap((index) => rows[index] ?? []);
      render(
        shown.map((row, i) => (
          <Row
            key={row.variantId}
            row={row}
            columns={columns}
            piece={piece}
            money={money}
            link={link}
            language={language}
            {...(long && { index: indexes[i]!, elementRef: long.measure })}
            state={stateOf(row)}
            hasPicture={pictureOf(row)}
            {...(chooser && { chooseRef: chooser.refFor(row) })}
          />
        )),
        body,
      );
    }

    /** Finds and sorts anew. */
    function arrange(): void {
      const found = findRows(all, columns, { typed, filters, language: host.language });
      rows = sorted ? sortRows(found, sorted, quantityOf, host.language) : found;
      long?.count(rows.length);
      form.querySelector<HTMLElement>('.order-none')!.hidden = rows.length > 0;
      draw();
      tellAll();
    }

    function rowAt(element: Element): FormRow | undefined {
      return byId.get(Number(element.closest<HTMLElement>('tr[data-variant]')?.dataset['variant']));
    }

    /** Ticks every row that is found, or none of them: as many as can be added at once. */
    function tickAll(isTicked: boolean): void {
      const wanted = rows.filter((row) => canAdd(row) && stateOf(row).isTicked !== isTicked);
      const room = isTicked ? MOST_AT_ONCE - ticked().length : wanted.length;
      for (const row of wanted.slice(0, Math.max(0, room))) put(row, { isTicked });
      draw();
      tell();
      if (wanted.length > room) sayTooMany();
    }

    function sayTooMany(): void {
      say(fill(piece.words.tooMany, { most: MOST_AT_ONCE }, host.language), true);
    }

    /** Whether all that is found is ticked, some of it or nothing. */
    function tellAll(): void {
      const box = form.querySelector<HTMLInputElement>('[data-all]');
      if (!box) return;
      const found = rows.filter(canAdd);
      const count = found.filter((row) => stateOf(row).isTicked).length;
      box.disabled = found.length === 0;
      box.checked = count > 0 && count === found.length;
      box.indeterminate = count > 0 && count < found.length;
    }

    function onInput({ target }: Event): void {
      if (target instanceof HTMLSelectElement && target.dataset['filter']) {
        filters.set(target.dataset['filter'], target.value);
        return arrange();
      }
      if (!(target instanceof HTMLInputElement)) return;
      if (target.matches('[data-find]')) {
        typed = target.value;
        isTyping = true;
        clearTimeout(pause);
        pause = setTimeout(() => {
          isTyping = false;
          draw();
        }, TYPING_MS);
        return arrange();
      }
      if (target.matches('[data-all]')) return tickAll(target.checked);
      if (target.dataset['away']) {
        elsewhere.delete(Number(target.dataset['away']));
        return tell();
      }
      const row = rowAt(target);
      if (!row) return;
      if (target.name === 'tick') put(row, { isTicked: target.checked });
      else {
        // Whoever says how many wants some. What is half typed stays as it is typed.
        const quantity = Number(target.value);
        put(row, { quantity: quantity > 0 ? quantity : 1, isTicked: quantity > 0 });
        const line = target.closest('tr')!;
        const tick = line.querySelector<HTMLInputElement>('[name=tick]');
        if (tick) tick.checked = quantity > 0;
        const sum = line.querySelector('[data-sum]');
        if (sum) sum.textContent = money(row.priceMinor * quantityOf(row));
      }
      tell();
    }

    /** Says what is chosen, and keeps it for this tab. */
    function tell(): void {
      const chosen = ticked();
      const count = chosen.reduce((sum, { quantity }) => sum + quantity, 0);
      const amount = chosen.reduce((sum, { priceMinor, quantity }) => sum + priceMinor * quantity, 0);
      const said = form.querySelector('[data-chosen]');
      if (said)
        said.textContent = count === 0 ? '' : fill(piece.words.chosen, { count, amount: money(amount) }, host.language);
      form.hidden = all.length === 0 && chosen.length === 0;
      tellAll();
      const place = form.querySelector<HTMLElement>('[data-elsewhere]');
      if (place) {
        const away = [...elsewhere.values()];
        place.hidden = away.length === 0;
        render(<Elsewhere piece={piece} rows={away} money={money} language={host.language} />, place);
      }
      kept.write(chosen);
    }

    /** What was ticked and typed before the script was there. */
    function readTyped(): void {
      for (const line of body.querySelectorAll('tr[data-variant]')) {
        const row = rowAt(line);
        const tick = line.querySelector<HTMLInputElement>('[name=tick]');
        const field = line.querySelector<HTMLInputElement>('[name^="quantity:"]');
        const quantity = Number(field?.value ?? 1) || 1;
        if (row && (tick?.checked || quantity !== 1)) put(row, { isTicked: tick?.checked ?? false, quantity });
      }
    }

    function restore(): void {
      for (const one of kept.read()) {
        const row = byId.get(one.variantId);
        if (row) put(row, { isTicked: true, quantity: one.quantity });
        else elsewhere.set(one.variantId, one);
      }
    }

    function onClick(event: MouseEvent): void {
      const target = event.target as Element;
      const heading = target.closest<HTMLElement>('[data-sort]');
      if (heading) return sortBy(heading);
      const look = target.closest<HTMLElement>('[data-look]');
      const asked = chooser && look?.dataset['word'] === 'choose' ? rowAt(look) : undefined;
      if (asked && !host.isPreview) {
        event.preventDefault();
        return chooser?.toggle(asked);
      }
      if (look && !event.metaKey && !event.ctrlKey && !event.shiftKey && !host.isPreview) {
        if (host.openRole('look', { product: look.dataset['look']!, opener: look })) event.preventDefault();
      }
    }

    function sortBy(heading: HTMLElement): void {
      const head = heading.closest('th')!;
      const isDown = head.getAttribute('aria-sort') === 'ascending';
      for (const other of form.querySelectorAll('th[aria-sort]')) other.removeAttribute('aria-sort');
      head.setAttribute('aria-sort', isDown ? 'descending' : 'ascending');
      const column = columns.find(({ key }) => key === heading.dataset['sort']);
      if (column) sorted = { column, isDown };
      arrange();
    }

    /** `isOne`: the button of a row was pressed, and what comes of it is said beside it alone. */
    async function send(
      wanted: readonly Pick<TickedElsewhere, 'variantId' | 'quantity'>[],
      isOne: boolean,
    ): Promise<void> {
      for (const [id, state] of states) states.set(id, { ...state, problem: null });
      if (wanted.length === 0) return say(piece.words.nothing, true);
      if (wanted.length > MOST_AT_ONCE) return sayTooMany();
      const items = wanted.map(({ variantId, quantity }) => ({ variantId, quantity }));
      const key = JSON.stringify(items);
      // A double click is one wish.
      if (last.key === key && Date.now() - last.at < DOUBLE_CLICK_MS) return;
      last = { key, at: Date.now() };
      // Changes under way first, so that this one is made on what they leave.
      await host.cart.settled();
      const answer = await host.page
        .ask('/api/cart/many', {
          method: 'POST',
          headers: { 'content-type': 'application/json' },
          body: JSON.stringify({ items, whole: piece.settings.whole === 'nothing', changeId: crypto.randomUUID() }),
        })
        .then((response) => response.json() as Promise<Reply<'POST /api/cart/many'>>)
        .catch(() => null);
      // Without an answer the form goes the way it goes without script, and the browser says what is wrong.
      if (!answer) return form.submit();
      if (!answer.added || !answer.refused)
        return say((answer.problems ?? []).map(({ message }) => message).join(' '), true);
      const { added, refused } = answer;
      const slugs = new Map(ticked().map(({ variantId, slug }) => [variantId, slug]));
      for (const { variantId } of wanted) {
        const problem = refused.find((one) => one.variantId === variantId)?.message ?? null;
        const [row, away] = [byId.get(variantId), elsewhere.get(variantId)];
        if (away && problem === null && added.length > 0) elsewhere.delete(variantId);
        else if (away) elsewhere.set(variantId, { ...away, problem });
        if (!row) continue;
        put(row, { problem: isOne ? null : problem, ...(problem === null && added.length > 0 && { isTicked: false }) });
      }
      const [first] = refused;
      const why = isOne ? first?.message : first && fill(piece.words.refused, { count: refused.length }, host.language);
      draw();
      tell();
      say(
        [added.length > 0 && fill(piece.words.added, { count: added.length }, host.language), why]
          .filter(Boolean)
          .join(' '),
        why !== undefined,
      );
      for (const id of added)
        host.recorder.record('add', { product: byId.get(id)?.slug ?? slugs.get(id) ?? null, piece: piece.id });
      await host.cart.load();
    }

    function onSubmit(event: SubmitEvent): void {
      event.preventDefault();
      if (host.isPreview) return;
      const only = event.submitter && rowAt(event.submitter);
      if (only) void send([{ variantId: only.variantId, quantity: quantityOf(only) }], true);
      else void send(ticked(), false);
    }
  }
}
