/** @jsxImportSource preact */
import type { VNode } from 'preact';
import type { Columns } from '~/core/lane';
import { Pages, type Paging } from '../listing/goods';
import type { OrderFormPart, OrderFormPiece } from './definition';
import { alignOf, Row } from './row';
import { packRows, ROWS_AT_ONCE, type FormRow } from './rows';

interface Props {
  readonly piece: OrderFormPiece;
  readonly rows: readonly FormRow[];
  /** Where in its rows it stands without script, from 1, and how the other pages are reached. */
  readonly place: { readonly page: number; readonly href: (page: number, fromFirst: boolean) => string };
  readonly pagesWords: Paging['words'];
  readonly money: (amountMinor: number) => string;
  readonly link: (path: string) => string;
  readonly language: string;
  /** Where the form leads back to without script. */
  readonly path: string;
}

/** The whole form, as it stands without script; the runtime takes over what it finds. */
export function OrderForm({ piece, rows, place, pagesWords, money, link, language, path }: Props): VNode {
  const { words, settings } = piece;
  if (rows.length === 0)
    return (
      <p class="lead" data-word="empty">
        {words.empty}
      </p>
    );
  const columns = piece.parts.map(({ key }) => key);
  const ticks = settings.adds !== 'rows';
  const buttons = settings.adds !== 'ticks';
  const pages = Math.ceil(rows.length / ROWS_AT_ONCE);
  const page = Math.min(place.page, pages);
  const drawn = rows.slice((page - 1) * ROWS_AT_ONCE, page * ROWS_AT_ONCE);
  return (
    <form
      class="order-form"
      method="post"
      action="/shop/cart"
      data-pl-order-form
      data-lines={settings.lines}
      data-dense={settings.dense || undefined}
      data-adds={settings.adds}
      data-query={link('')}
    >
      <input type="hidden" name="kind" value="add-many" />
      <input type="hidden" name="return" value={path} />
      {settings.whole === 'nothing' && <input type="hidden" name="whole" value="1" />}
      {settings.search && (
        <label class="order-search" hidden data-live>
          <span data-word="search">{words.search}</span>
          <input type="search" data-find />
        </label>
      )}
      {/* Rows are grids of their own, so that those out of sight need not be laid out; what they are is said by hand. */}
      <table role="table" style={`--columns:${template(columns, settings.columns, ticks, buttons)}`}>
        <thead role="rowgroup">
          <tr role="row" data-slot="head">
            {ticks && <td role="cell" />}
            {columns.map((key) => (
              <th
                key={key}
                role="columnheader"
                scope="col"
                data-part={key}
                data-column={key}
                data-align={alignOf(settings.columns[key])}
              >
                {settings.sorts && key !== 'picture' ? (
                  <button type="button" data-sort={key} data-word={key}>
                    {words[key]}
                  </button>
                ) : (
                  <span data-word={key}>{words[key]}</span>
                )}
              </th>
            ))}
            {buttons && <td role="cell" />}
          </tr>
        </thead>
        <tbody role="rowgroup">
          {drawn.map((row) => (
            <Row key={row.variantId} {...{ row, columns, piece, money, link, language }} />
          ))}
        </tbody>
      </table>
      <script type="application/json" data-rows dangerouslySetInnerHTML={{ __html: packRows(rows, columns) }} />
      {pages > 1 && (
        <div data-without-script>
          <Pages {...{ page, pages, href: place.href, words: pagesWords }} />
        </div>
      )}
      <p class="order-none" data-word="none" hidden>
        {words.none}
      </p>
      {ticks && (
        <div class="order-foot">
          {settings.totals && <output data-chosen aria-live="polite" />}
          <button class="button" data-slot="add" data-word="add">
            {words.add}
          </button>
        </div>
      )}
    </form>
  );
}

/** Shares of the room a column takes as usual; a picture and ticks take what they need. */
const SHARES: Readonly<Record<OrderFormPart, number>> = {
  ...{ picture: 0, name: 4, choices: 3, sku: 2, shortText: 5 },
  ...{ stock: 1.6, price: 2, quantity: 2.2, sum: 2 },
};
const TIMES = { usual: 1, narrow: 0.6, wide: 1.7 } as const;

/** Columns of the table as tracks of a grid. */
function template(parts: readonly OrderFormPart[], set: Columns, ticks: boolean, buttons: boolean): string {
  const tracks = parts.map((key) => {
    const times = TIMES[set[key]?.width ?? 'usual'];
    return SHARES[key] === 0 ? `${5.4 * times}rem` : `minmax(0,${SHARES[key] * times}fr)`;
  });
  return [ticks && '5.5rem', ...tracks, buttons && '7rem'].filter(Boolean).join(' ');
}
