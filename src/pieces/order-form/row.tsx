/** @jsxImportSource preact */
import type { VNode } from 'preact';
import type { Column } from '~/core/lane';
import { fill } from '~/core/words/fill';
import type { OrderFormPart, OrderFormPiece } from './definition';
import type { FormRow } from './rows';

const MOST_PER_ROW = 99;

/** What a shopper made of a row. */
export interface RowState {
  readonly isTicked: boolean;
  readonly quantity: number;
  /** Why it could not be added. */
  readonly problem: string | null;
}

interface RowProps {
  readonly piece: OrderFormPiece;
  readonly money: (amountMinor: number) => string;
  readonly link: (path: string) => string;
  readonly language: string;
  readonly row: FormRow;
  readonly columns: readonly OrderFormPart[];
  /** Its place among all, from 0, where not all are drawn. */
  readonly index?: number;
  readonly state?: RowState;
  readonly elementRef?: (element: Element | null) => void;
  /** Whether its picture is shown yet; its room is kept. */
  readonly hasPicture?: boolean;
  /** Told of the place for its options while they are asked in the row. */
  readonly chooseRef?: ((place: HTMLElement | null) => void) | null;
}

export const canAdd = (row: FormRow): boolean => !isGone(row) && !row.isOpen;
const isGone = (row: FormRow) => row.stock !== null && row.stock <= 0;
const UNTOUCHED: RowState = { isTicked: false, quantity: 1, problem: null };

export function Row(props: RowProps): VNode {
  const { row, columns, piece, link, language, index, state = UNTOUCHED, elementRef, chooseRef } = props;
  const { words, settings } = piece;
  const title = [row.name, row.choices].filter(Boolean).join(', ');
  const why = isGone(row) ? (
    <span data-word="soldOut">{words.soldOut}</span>
  ) : (
    <a
      href={link(`/shop/p/${row.slug}`)}
      data-look={row.slug}
      data-word="choose"
      aria-expanded={chooseRef === undefined ? undefined : chooseRef !== null}
    >
      {words.choose}
    </a>
  );
  return (
    <tr
      role="row"
      data-slot="row"
      data-variant={row.variantId}
      data-index={index}
      aria-rowindex={index === undefined ? undefined : index + 2}
      ref={elementRef}
    >
      {settings.adds !== 'rows' && (
        <td role="cell" class="order-tick">
          {canAdd(row) ? (
            <input
              type="checkbox"
              name="tick"
              value={row.variantId}
              checked={state.isTicked}
              aria-label={fill(words.tick, { name: title }, language)}
            />
          ) : (
            why
          )}
        </td>
      )}
      {columns.map((key) => (
        <td key={key} role="cell" data-part={key} data-label={words[key]} data-align={alignOf(settings.columns[key])}>
          <Cell {...props} name={key} title={title} state={state} />
          {key === 'name' && state.problem !== null && <p class="order-why problem">{state.problem}</p>}
        </td>
      ))}
      {settings.adds !== 'ticks' && (
        <td role="cell" class="order-one">
          {canAdd(row) ? (
            <button
              class="button quiet small"
              name="only"
              value={row.variantId}
              aria-label={`${words.addOne}: ${title}`}
            >
              <span data-word="addOne">{words.addOne}</span>
            </button>
          ) : (
            settings.adds === 'rows' && why
          )}
        </td>
      )}
      {chooseRef && <td role="cell" class="order-choose" ref={chooseRef} />}
    </tr>
  );
}

interface CellProps extends RowProps {
  readonly name: OrderFormPart;
  readonly title: string;
  readonly state: RowState;
}

function Cell({ name, row, piece, money, link, title, state, hasPicture = true }: CellProps): VNode | null {
  switch (name) {
    case 'picture':
      if (!hasPicture) return <span class="order-picture" />;
      return row.picture ? (
        <img src={row.picture} alt="" width="48" height="48" loading="lazy" decoding="async" />
      ) : null;
    case 'name':
      return (
        <a href={link(`/shop/p/${row.slug}`)} data-look={row.slug}>
          {row.name}
        </a>
      );
    case 'stock':
      return row.stock === null ? null : <>{Math.max(0, row.stock)}</>;
    case 'price':
      return <>{money(row.priceMinor)}</>;
    case 'quantity':
      return canAdd(row) ? (
        <input
          type="number"
          name={`quantity:${row.variantId}`}
          min="1"
          max={Math.min(MOST_PER_ROW, row.stock ?? MOST_PER_ROW)}
          value={state.quantity}
          aria-label={`${piece.words.quantity}: ${title}`}
        />
      ) : null;
    case 'sum':
      return canAdd(row) ? <span data-sum>{money(row.priceMinor * Math.max(1, state.quantity))}</span> : null;
    default:
      return <>{row[name]}</>;
  }
}

/** How a column stands, where it is not as usual. */
export function alignOf(column: Column | undefined): string | undefined {
  return column && column.align !== 'usual' ? column.align : undefined;
}
