/** @jsxImportSource preact */
import type { VNode } from 'preact';
import type { CardsPiece } from './shared';

/** Where in its products a listing stands, and how its other places are reached. */
export interface Paging {
  readonly page: number;
  readonly pages: number;
  /** The address of a page; with the pages before it, for a listing that grows. */
  readonly href: (page: number, fromFirst: boolean) => string;
  readonly words: { readonly pages: string; readonly previous: string; readonly next: string };
}

interface Props {
  readonly piece: CardsPiece;
  /** The cards, drawn. */
  readonly html: string;
  readonly isEmpty: boolean;
  readonly paging: Paging;
}

/** The products of a listing, and the way to more of them. */
export function Goods({ piece, html, isEmpty, paging }: Props): VNode {
  const { settings, words } = piece;
  const links = settings.more === 'pages' && paging.pages > 1;
  const style = {
    '--columns': String(settings.columns),
    '--columns-phone': String(settings.columnsPhone),
    '--gap': `${settings.gap}px`,
  };
  return (
    <>
      {links && settings.pagesAt !== 'below' && <Pages {...paging} />}
      {isEmpty ? (
        <p class="lead" data-word="empty">
          {words.empty}
        </p>
      ) : (
        <div
          class="goods"
          data-pl-listing
          data-as={settings.as}
          data-shape={settings.pictureShape}
          data-fit={settings.pictureFit}
          style={style}
          dangerouslySetInnerHTML={{ __html: html }}
        />
      )}
      {links && settings.pagesAt !== 'above' && <Pages {...paging} />}
      {(settings.more === 'button' || settings.more === 'endless') && !isEmpty && (
        <p class="more" data-more={settings.more} role="status">
          {paging.page < paging.pages ? (
            <a
              class="button quiet"
              data-slot="more"
              data-pl-more
              data-word="more"
              data-loading={words.loading}
              href={paging.href(paging.page + 1, true)}
            >
              {words.more}
            </a>
          ) : (
            paging.pages > 1 && <span data-word="end">{words.end}</span>
          )}
        </p>
      )}
    </>
  );
}

/** Links to the first and the last page, and to those about this one. */
export function Pages({ page, pages, href, words }: Paging): VNode {
  const near = Array.from({ length: pages }, (_, i) => i + 1).filter(
    (to) => to === 1 || to === pages || Math.abs(to - page) <= 2,
  );
  return (
    <nav class="pages" aria-label={words.pages}>
      {page > 1 && (
        <a href={href(page - 1, false)} rel="prev">
          {words.previous}
        </a>
      )}
      {near.map((to) => (
        <a key={to} href={href(to, false)} aria-current={to === page ? 'page' : undefined}>
          {to}
        </a>
      ))}
      {page < pages && (
        <a href={href(page + 1, false)} rel="next">
          {words.next}
        </a>
      )}
    </nav>
  );
}
