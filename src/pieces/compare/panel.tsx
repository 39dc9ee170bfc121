/** @jsxImportSource preact */
import type { VNode } from 'preact';
import { compareProducts, namesIn } from '~/core/catalogue/compare';
import type { Product } from '~/core/catalogue';
import { fill } from '~/core/words/fill';
import { Icon } from '~/runtime/kit/icons';
import { directionOf } from '~/runtime/kit/shadow';
import type { PieceHost } from '~/runtime/piece-host';
import type { ComparePart, ComparePiece } from './definition';

interface Props {
  readonly products: readonly Product[] | null;
  readonly piece: ComparePiece;
  readonly host: PieceHost;
  readonly money: (amountMinor: number) => string;
  readonly said: string;
  readonly added: ReadonlySet<string>;
  readonly onRemove: (slug: string) => void;
  readonly onAdd: (product: Product) => void;
  readonly onShare: () => void;
}

/** Products side by side, a row for each thing there is to say. */
export function ComparePanel(props: Props): VNode {
  const { products, piece, host, said } = props;
  const { words, settings } = piece;
  const shown = piece.parts.filter((part) => !part.hideOn.includes(host.device)).map(({ key }) => key);
  return (
    <dialog
      tabIndex={-1}
      data-slot="panel"
      data-part=""
      dir={directionOf(host.language)}
      lang={host.language}
      aria-label={words.heading}
      data-phone-full={settings.phoneFull || undefined}
      style={{ '--width': `${settings.width}px`, '--backdrop': `${settings.backdrop}%` }}
    >
      <div class="head">
        <h2 data-word="heading">{words.heading}</h2>
        {shown.includes('share') && (
          <button
            type="button"
            class="share"
            data-slot="share"
            data-part="share"
            data-word="share"
            onClick={props.onShare}
          >
            {words.share}
          </button>
        )}
        <span role="status">{said}</span>
        <button type="button" class="round" data-slot="close" aria-label={words.close} onClick={host.surfaces.close}>
          <Icon name="close" />
        </button>
      </div>
      <div class="scroll" tabIndex={0} role="region" aria-label={words.heading}>
        {products === null ? (
          <p role="status" data-word="loading">
            {words.loading}
          </p>
        ) : products.length === 0 ? (
          <p data-word="none">{words.none}</p>
        ) : (
          <Table {...props} products={products} shown={shown} />
        )}
      </div>
    </dialog>
  );
}

function Table({
  products,
  piece,
  host,
  money,
  shown,
  added,
  onRemove,
  onAdd,
}: Props & { products: readonly Product[]; shown: readonly ComparePart[] }): VNode {
  const { words, settings } = piece;
  const isMarked = settings.differences === 'marked';
  /** A row that every product has an answer for; marked where the answers differ. */
  const line = (key: ComparePart, name: string, answerOf: (product: Product) => string) => {
    const answers = products.map(answerOf);
    const differs = isMarked && new Set(answers).size > 1;
    return (
      <tr key={key} data-part={key} data-slot={differs ? 'differs' : undefined}>
        <th scope="row" data-word={key}>
          {name}
          {differs && <span class="sr"> ({words.differs})</span>}
        </th>
        {answers.map((answer, i) => (
          <td key={products[i]!.slug}>{answer}</td>
        ))}
      </tr>
    );
  };
  const buy = (product: Product) => {
    const [only] = product.variants;
    const isPlain = product.variants.length === 1 && product.options.length === 0;
    if (!isPlain || (only!.stock !== null && only!.stock <= 0))
      return (
        <a class="add" data-slot="add" data-word="choose" href={`/shop/p/${product.slug}`}>
          {words.choose}
        </a>
      );
    return (
      <button type="button" class="add" data-slot="add" data-word="add" onClick={() => onAdd(product)}>
        {added.has(product.slug) ? words.added : words.add}
      </button>
    );
  };
  const rows: Partial<Record<ComparePart, () => VNode | VNode[]>> = {
    price: () => line('price', words.price, (product) => priceOf(product, words.from, money)),
    rating: () =>
      line('rating', words.rating, ({ rating }) =>
        rating ? `★ ${rating.stars.toFixed(1)} (${rating.count})` : words.missing,
      ),
    stock: () =>
      line('stock', words.stock, ({ variants }) =>
        variants.some(({ stock }) => stock === null || stock > 0) ? words.inStock : words.soldOut,
      ),
    brand: () => line('brand', words.brand, ({ brand }) => brand || words.missing),
    choices: () =>
      line(
        'choices',
        words.choices,
        (product) =>
          product.axes
            .map((axis) => `${axis}: ${[...new Set(product.variants.map(({ choices }) => choices[axis]))].join(', ')}`)
            .join('; ') || '–',
      ),
    attributes: () =>
      compareProducts(products, {
        order: namesIn(settings.attributes),
        moreIsBetter: namesIn(settings.more),
        lessIsBetter: namesIn(settings.less),
      })
        .filter(({ differs }) => settings.differences !== 'alone' || differs)
        .map(({ key, values, differs, best }) => {
          const stands = differs && isMarked;
          return (
            <tr key={key} data-part="attributes" data-slot={stands ? 'differs' : undefined}>
              <th scope="row">
                {key}
                {stands && <span class="sr"> ({words.differs})</span>}
              </th>
              {values.map((value, i) => (
                <td key={i}>
                  {value ?? <small data-word="missing">{words.missing}</small>}
                  {best.includes(i) && (
                    <b class="best" data-word="best">
                      {words.best}
                    </b>
                  )}
                </td>
              ))}
            </tr>
          );
        }),
    buy: () => (
      <tr key="buy" data-part="buy">
        <td />
        {products.map((product) => (
          <td key={product.slug}>{buy(product)}</td>
        ))}
      </tr>
    ),
  };
  return (
    <table style={{ '--count': products.length }}>
      <thead>
        <tr>
          <td />
          {products.map((product) => (
            <th key={product.slug} scope="col">
              {shown.includes('picture') && (
                <span data-part="picture">
                  {product.pictures[0] ? (
                    <img src={product.pictures[0].src} alt="" width="144" height="144" />
                  ) : (
                    <span class="none" />
                  )}
                </span>
              )}
              <a href={`/shop/p/${product.slug}`}>{product.name}</a>
              <br />
              <button type="button" class="out" onClick={() => onRemove(product.slug)}>
                <span aria-hidden="true">×</span>
                <span class="sr">{fill(words.remove, { name: product.name }, host.language)}</span>
              </button>
            </th>
          ))}
        </tr>
      </thead>
      <tbody>{shown.flatMap((key) => rows[key]?.() ?? [])}</tbody>
    </table>
  );
}

function priceOf({ variants }: Product, from: string, money: (amount: number) => string): string {
  const prices = variants.map(({ priceMinor }) => priceMinor);
  const least = Math.min(...prices);
  return `${Math.max(...prices) > least ? `${from} ` : ''}${money(least)}`;
}
