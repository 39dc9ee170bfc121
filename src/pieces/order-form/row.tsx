/** @jsxImportSource preact */
import type { VNode } from 'preact';
import type { Column } from '~/core/lane';
import { fill } from '~/core/words/fill';
import { starsText, textIn, type FormColumn } from './columns';
import type { OrderFormPiece } from './definition';
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
  readonly columns: readonly FormColumn[];
  /** Its place among all, from 0, where not all are drawn. */
  readonly index?: number;
  readonly state?: RowState;
  readonly elementRef?: (element: Element | null) => void;
  /** Whether its picture is shown yet; its room is kept. */
  readonly hasPicture?: boolean;
  /** The ref of the element for its options while they are asked in the row. */
  readonly chooseRef?: ((place: HTMLElement | null) => void) | null;
}

/** What a row is called where it stands by itself. */
export const titleOf = (row: FormRow): string => [row.name, row.choices].filter(Boolean).join(', ');

export const canAdd = (row: FormRow): boolean => !isGone(row) && !row.isOpen;
const isGone = (row: FormRow) => row.stock !== null && row.stock <= 0;
const UNTOUCHED: RowState = { isTicked: false, quantity: 1, problem: null };

export function Row(props: RowProps): VNode {
  const { row, columns, piece, link, language, index, state = UNTOUCHED, elementRef, chooseRef } = props;
  const { words, settings } = piece;
  const title = titleOf(row);
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
  // Why it cannot be added stands where its quantity would.
  const hasQuantity = columns.some(({ part }) => part === 'quantity');
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
          {canAdd(row) && (
            <input
              type="checkbox"
              name="tick"
              value={row.variantId}
              checked={state.isTicked}
              aria-label={fill(words.tick, { name: title }, language)}
            />
          )}
        </td>
      )}
      {columns.map((column) => (
        <td
          key={column.key}
          role="cell"
          data-part={column.part}
          data-label={column.label}
          data-align={alignOf(settings.columns[column.part])}
        >
          <Cell {...props} column={column} title={title} state={state} />
          {!canAdd(row) && column.part === (hasQuantity ? 'quantity' : 'name') && <p class="order-not">{why}</p>}
          {column.part === 'name' && state.problem !== null && <p class="order-why problem">{state.problem}</p>}
        </td>
      ))}
      {settings.adds !== 'ticks' && (
        <td role="cell" class="order-one">
          {canAdd(row) && (
            <button
              class="button quiet small"
              data-slot="addOne"
              name="only"
              value={row.variantId}
              aria-label={`${words.addOne}: ${title}`}
            >
              <span data-word="addOne">{words.addOne}</span>
            </button>
          )}
        </td>
      )}
      {chooseRef && <td role="cell" class="order-choose" ref={chooseRef} />}
    </tr>
  );
}

interface CellProps extends RowProps {
  readonly column: FormColumn;
  readonly title: string;
  readonly state: RowState;
}

function Cell({ column, row, piece, money, link, language, title, state, hasPicture = true }: CellProps): VNode | null {
  switch (column.part) {
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
    case 'rating':
      return row.stars === null ? null : (
        <span role="img" aria-label={starsText(row.stars, piece, language)}>
          ★ {textIn(row, column)}
        </span>
      );
    default:
      return <>{textIn(row, column)}</>;
  }
}

/** How a column stands, where it is not as usual. */
export function alignOf(column: Column | undefined): string | undefined {
  return column && column.align !== 'usual' ? column.align : undefined;
}
