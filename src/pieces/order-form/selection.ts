import type { AnswerOf } from '~/contract';
import type { TickedElsewhere } from './elsewhere';
import { keptTicks } from './kept-ticks';
import { canAdd, titleOf, type RowState } from './row';
import type { FormRow } from './rows';

const UNTOUCHED: RowState = { isTicked: false, quantity: 1, problem: null };

/** A row a shopper wants added, and how many of it. */
export type Wanted = Pick<TickedElsewhere, 'variantId' | 'quantity'>;

type ManyAnswer = Pick<AnswerOf<'POST /api/cart/many'>, 'added' | 'refused'>;

/** What a shopper chose in an order form: on this page and on others of the same form. */
export interface Selection {
  stateOf(row: FormRow): RowState;
  quantityOf(row: FormRow): number;
  change(row: FormRow, part: Partial<RowState>): void;
  /** The row an element of the table belongs to. */
  rowAt(element: Element): FormRow | undefined;
  rowOf(variantId: number): FormRow | undefined;
  /** Everything ticked, of this page and of others. */
  ticked(): TickedElsewhere[];
  /** Ticked before, and not among the rows of this page. */
  elsewhere(): TickedElsewhere[];
  removeElsewhere(variantId: number): void;
  /** Keeps what is ticked for this tab. */
  keep(): void;
  clearProblems(): void;
  /** Takes out what was added, and keeps what was refused with its reason; of a row added alone it is told beside it. */
  settle(wanted: readonly Wanted[], answer: ManyAnswer, isAlone: boolean): void;
}

/** Begins with what was ticked and typed before the script was there, and with what this tab has kept. */
export function createSelection(body: HTMLElement, all: readonly FormRow[], pieceId: string): Selection {
  const kept = keptTicks(pieceId);
  const elsewhere = new Map<number, TickedElsewhere>();
  const byId = new Map(all.map((row) => [row.variantId, row]));
  const states = new Map<number, RowState>();
  const stateOf = (row: FormRow) => states.get(row.variantId) ?? UNTOUCHED;
  const quantityOf = (row: FormRow) => Math.max(1, Math.floor(stateOf(row).quantity) || 1);
  const change = (row: FormRow, part: Partial<RowState>) =>
    void states.set(row.variantId, { ...stateOf(row), ...part });
  const rowAt = (element: Element) =>
    byId.get(Number(element.closest<HTMLElement>('tr[data-variant]')?.dataset['variant']));
  const ticked = (): TickedElsewhere[] => [
    ...all
      .filter((row) => stateOf(row).isTicked && canAdd(row))
      .map((row) => ({
        variantId: row.variantId,
        slug: row.slug,
        title: titleOf(row),
        priceMinor: row.priceMinor,
        quantity: quantityOf(row),
        problem: null,
      })),
    ...elsewhere.values(),
  ];
  for (const line of body.querySelectorAll('tr[data-variant]')) {
    const row = rowAt(line);
    const tick = line.querySelector<HTMLInputElement>('[name=tick]');
    const field = line.querySelector<HTMLInputElement>('[name^="quantity:"]');
    const quantity = Number(field?.value ?? 1) || 1;
    if (row && (tick?.checked || quantity !== 1)) change(row, { isTicked: tick?.checked ?? false, quantity });
  }
  for (const one of kept.read()) {
    const row = byId.get(one.variantId);
    if (row) change(row, { isTicked: true, quantity: one.quantity });
    else elsewhere.set(one.variantId, one);
  }
  return {
    stateOf,
    quantityOf,
    change,
    rowAt,
    rowOf: (variantId) => byId.get(variantId),
    ticked,
    elsewhere: () => [...elsewhere.values()],
    removeElsewhere: (variantId) => void elsewhere.delete(variantId),
    keep: () => kept.write(ticked()),
    clearProblems() {
      for (const [id, state] of states) states.set(id, { ...state, problem: null });
    },
    settle(wanted, { added, refused }, isAlone) {
      const isAnyAdded = added.length > 0;
      for (const { variantId } of wanted) {
        const problem = refused.find((one) => one.variantId === variantId)?.message ?? null;
        const isAdded = problem === null && isAnyAdded;
        const [row, away] = [byId.get(variantId), elsewhere.get(variantId)];
        if (away && isAdded) elsewhere.delete(variantId);
        else if (away) elsewhere.set(variantId, { ...away, problem });
        if (row) change(row, { problem: isAlone ? null : problem, ...(isAdded && { isTicked: false }) });
      }
    },
  };
}
