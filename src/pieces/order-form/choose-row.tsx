/** @jsxImportSource preact */
import { render } from 'preact';
import { MOST_PER_LINE } from '~/core/limits';
import type { Answers } from '~/core/options/answers';
import { fill } from '~/core/words/fill';
import { say } from '~/runtime/kit/say';
import { mountOptions } from '~/pieces/_options/mount';
import type { CurrentForm } from './current-form';
import type { FormRow } from './rows';
import type { Selection } from './selection';

interface Asked {
  readonly row: FormRow;
  readonly current: CurrentForm;
  readonly selection: Selection;
  /** What has been answered, by variant. */
  readonly answers: Map<number, Answers>;
  readonly onAdded: () => void;
}

export interface ChooseRow {
  destroy(): void;
}

/** Asks the options of a row's product in the row, and adds it with what is answered. */
export function chooseRow(place: HTMLElement, { row, current, selection, answers, onAdded }: Asked): ChooseRow {
  const { host, piece, body } = current;
  const { words } = piece;
  let options: ReturnType<typeof mountOptions> | null = null;
  let isGone = false;
  const container = document.createElement('div');
  const foot = document.createElement('div');
  foot.className = 'order-one';
  place.replaceChildren(container, foot);
  void host.products.fetch(row.slug).then((product) => {
    if (isGone || !product) return;
    options = mountOptions({
      container,
      slug: row.slug,
      options: product.options,
      answers: answers.get(row.variantId) ?? {},
      uploads: {},
      host,
      onChange: (state) => answers.set(row.variantId, state.answers),
    });
    draw();
    container.shadowRoot?.querySelector<HTMLElement>('input,select,textarea')?.focus();
  });

  async function add(): Promise<void> {
    if (!options || options.complain()) return;
    const { answers: given } = options.state;
    const answer = await host.cart.change({
      kind: 'add',
      variantId: row.variantId,
      quantity: selection.quantityOf(row),
      answers: given,
    });
    if (isGone) return;
    if (answer.ok) {
      host.recorder.record('add', { product: row.slug, piece: piece.id });
      answers.delete(row.variantId);
      selection.change(row, { quantity: 1 });
      onAdded();
      body.querySelector<HTMLElement>(`[data-variant="${row.variantId}"] [data-word=choose]`)?.focus();
      return say(fill(words.added, { count: 1 }, host.language));
    }
    const own = answer.problems.filter(({ path }) => path.startsWith('option:'));
    if (own.length === 0 || !options.complain(own)) say(answer.message, true);
  }

  function draw(): void {
    render(
      <>
        <input
          type="number"
          min="1"
          max={MOST_PER_LINE}
          value={selection.quantityOf(row)}
          aria-label={`${words.quantity}: ${row.name}`}
          onInput={(event) => {
            event.stopPropagation();
            const typed = Number(event.currentTarget.value) || 1;
            selection.change(row, { quantity: Math.min(MOST_PER_LINE, Math.max(1, typed)) });
          }}
        />
        <button
          type="button"
          class="button quiet small"
          data-slot="addOne"
          data-word="addOne"
          onClick={() => void add()}
        >
          {words.addOne}
        </button>
      </>,
      foot,
    );
  }

  return {
    destroy() {
      isGone = true;
      options?.destroy();
      render(null, foot);
    },
  };
}
