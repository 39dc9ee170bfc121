/** @jsxImportSource preact */
import { render, type VNode } from 'preact';
import { fill } from '~/core/words/fill';
import type { OrderFormPiece } from './definition';

/** A row that was ticked and is not on this page: before other filters, or on another page of the list. */
export interface TickedElsewhere {
  readonly variantId: number;
  readonly slug: string;
  readonly title: string;
  readonly priceMinor: number;
  readonly quantity: number;
  /** Why it could not be added. */
  readonly problem: string | null;
}

interface Props {
  readonly piece: OrderFormPiece;
  readonly rows: readonly TickedElsewhere[];
  readonly money: (amountMinor: number) => string;
  readonly language: string;
}

/** They are counted and added like all others, so they are listed and can be unticked. */
export function drawElsewhere(place: HTMLElement, props: Props): void {
  render(<Elsewhere {...props} />, place);
}

function Elsewhere({ piece, rows, money, language }: Props): VNode {
  return (
    <details open={rows.some(({ problem }) => problem !== null) || undefined}>
      <summary>{fill(piece.words.elsewhere, { count: rows.length }, language)}</summary>
      <ul>
        {rows.map(({ variantId, title, quantity, priceMinor, problem }) => (
          <li key={variantId}>
            <label>
              <input type="checkbox" checked data-away={variantId} /> {quantity} × {title},{' '}
              {money(quantity * priceMinor)}
            </label>
            {problem !== null && <p class="order-why problem">{problem}</p>}
          </li>
        ))}
      </ul>
    </details>
  );
}
