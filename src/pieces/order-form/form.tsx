/** @jsxImportSource preact */
import type { VNode } from 'preact';
import { Pages, type Paging } from '~/pieces/_cards/goods';
import { attributesOf, columnsOf, filtersOf, tracksOf, type FormColumn, type FormFilter } from './columns';
import type { OrderFormPiece } from './definition';
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
  /** Whether the page says itself that there is nothing. */
  readonly isNothingSaid?: boolean;
}

/** The whole form, as it stands without script; the runtime takes over what it finds. */
export function OrderForm({
  piece,
  rows,
  place,
  pagesWords,
  money,
  link,
  language,
  path,
  isNothingSaid = false,
}: Props): VNode {
  const { words, settings } = piece;
  const isEmpty = rows.length === 0;
  const attributes = attributesOf(piece, rows);
  const columns = columnsOf(piece, attributes);
  const filters = filtersOf(piece, rows, columns, language);
  const ticks = settings.adds !== 'rows';
  const buttons = settings.adds !== 'ticks';
  const pages = Math.max(1, Math.ceil(rows.length / ROWS_AT_ONCE));
  const page = Math.min(place.page, pages);
  const drawn = rows.slice((page - 1) * ROWS_AT_ONCE, page * ROWS_AT_ONCE);
  const form = (
    <form
      class="order-form"
      method="post"
      action="/shop/cart"
      data-pl-order-form
      data-lines={settings.lines}
      data-dense={settings.dense || undefined}
      data-adds={settings.adds}
      data-query={link('')}
      hidden={isEmpty}
      data-attributes={attributes.length > 0 ? JSON.stringify(attributes) : undefined}
    >
      <input type="hidden" name="kind" value="add-many" />
      <input type="hidden" name="return" value={path} />
      {settings.whole === 'nothing' && <input type="hidden" name="whole" value="1" />}
      {!isEmpty && (settings.search || ticks || filters.length > 0) && (
        <Tools piece={piece} filters={filters} ticks={ticks} />
      )}
      {/* Rows are grids of their own, so that those out of sight need not be laid out; what they are is said by hand. */}
      <table role="table" hidden={isEmpty} style={`--columns:${tracksOf(columns, { piece, rows, money })}`}>
        <thead role="rowgroup">
          <tr role="row" data-slot="head">
            {ticks && <td role="cell" />}
            {columns.map((column) => (
              <th
                key={column.key}
                role="columnheader"
                scope="col"
                data-part={column.part}
                data-align={alignOf(settings.columns[column.part])}
              >
                <Heading column={column} sorts={settings.sorts && column.part !== 'picture'} />
              </th>
            ))}
            {buttons && <td role="cell" />}
          </tr>
        </thead>
        <tbody role="rowgroup">
          {drawn.map((row) => (
            <Row
              key={row.variantId}
              row={row}
              columns={columns}
              piece={piece}
              money={money}
              link={link}
              language={language}
            />
          ))}
        </tbody>
      </table>
      <script
        type="application/json"
        data-rows
        dangerouslySetInnerHTML={{ __html: packRows(rows, columns, filters.length > 0) }}
      />
      {pages > 1 && (
        <div data-without-script>
          <Pages page={page} pages={pages} href={place.href} words={pagesWords} />
        </div>
      )}
      <p class="order-none" data-word="none" hidden>
        {words.none}
      </p>
      {ticks && <div class="order-elsewhere" data-elsewhere hidden />}
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
  if (!isEmpty) return form;
  // What was ticked elsewhere can be added here, too: the runtime shows the form where there is some.
  return (
    <>
      {!isNothingSaid && (
        <p class="lead" data-word="empty">
          {words.empty}
        </p>
      )}
      {ticks && form}
    </>
  );
}

/** What a column is called: its own word, or the name of its attribute. */
function Heading({ column: { key, part, label, attribute }, sorts }: { column: FormColumn; sorts: boolean }): VNode {
  const word = attribute === undefined ? part : undefined;
  return sorts ? (
    <button type="button" data-sort={key} data-word={word}>
      {label}
    </button>
  ) : (
    <span data-word={word}>{label}</span>
  );
}

/** Above the table, where there is script: what finds rows, and a tick for all of them. */
function Tools({ piece, filters, ticks }: Pick<Props, 'piece'> & { filters: readonly FormFilter[]; ticks: boolean }) {
  const { words, settings } = piece;
  return (
    <div class="order-tools" hidden data-live>
      {settings.search && (
        <label class="order-search">
          <span data-word="search">{words.search}</span>
          <input type="search" data-find />
        </label>
      )}
      {filters.map(({ key, label, values }) => (
        <label key={key}>
          <span>{label}</span>
          <select data-filter={key} aria-label={label}>
            <option value="">{words.any}</option>
            {values.map((value) => (
              <option key={value}>{value}</option>
            ))}
          </select>
        </label>
      ))}
      {ticks && (
        <label class="order-all">
          <input type="checkbox" data-all /> <span data-word="all">{words.all}</span>
        </label>
      )}
    </div>
  );
}
