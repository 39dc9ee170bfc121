/** @jsxImportSource preact */
import type { VNode } from 'preact';
import { MOST_PER_LINE } from '~/core/limits';
import type { CartView } from '~/core/cart';
import { isSoldOut, resolveVariant, valuesOf, type Choices } from '~/core/catalogue/choose';
import type { Product } from '~/core/catalogue';
import { quoteChoice } from '~/runtime/quote';
import { fill } from '~/core/words/fill';
import { directionOf } from '~/runtime/kit/shadow';
import type { PieceHost } from '~/runtime/piece-host';
import type { BuyBarPiece } from './definition';

/** What the page is for, and what its own form says just now. */
export type BarState =
  | {
      readonly page: 'product';
      readonly product: Product;
      readonly choices: Choices;
      readonly quantity: number;
      /** What the answers to options add, and whether some are still open. */
      readonly extra: Extra;
      readonly isOpen: boolean;
    }
  | { readonly page: 'cart' | 'checkout'; readonly cart: CartView };

interface Props {
  readonly piece: BuyBarPiece;
  readonly host: PieceHost;
  readonly state: BarState;
  readonly isShown: boolean;
  readonly edge: 'top' | 'bottom';
  readonly money: (amountMinor: number) => string;
  readonly onChoose: (axis: string, value: string) => void;
  readonly onQuantity: (quantity: number) => void;
  readonly onPress: () => void;
  /** A price that was asked for is there. */
  readonly onQuote: () => void;
}

type Extra = Parameters<typeof quoteChoice>[1]['extra'];

export function Bar(props: Props): VNode {
  const { piece, host, isShown, edge } = props;
  const { settings, words } = piece;
  return (
    <section
      class="bar"
      aria-label={words.bar}
      data-slot="bar"
      data-part=""
      data-edge={edge}
      data-width={settings.width}
      data-shows={settings.shows}
      data-on-sold-out={settings.onSoldOut}
      dir={directionOf(host.language)}
      lang={host.language}
      hidden={!isShown}
    >
      <div class="inner">
        {piece.parts
          .filter((part) => !part.hideOn.includes(host.device))
          .map(({ key }) => (
            <div key={key} data-part={key}>
              <Part {...props} name={key} />
            </div>
          ))}
      </div>
    </section>
  );
}

function Part(props: Props & { name: BuyBarPiece['parts'][number]['key'] }): VNode | string | null {
  const { name, piece, host, state, money, onPress } = props;
  const { words } = piece;
  if (state.page !== 'product') {
    const { cart } = state;
    switch (name) {
      case 'name':
        return fill(words.things, { count: cart.count }, host.language);
      case 'price':
        return <span class="price">{money(cart.totalMinor)}</span>;
      case 'button': {
        const word = state.page === 'cart' ? 'checkout' : 'order';
        return (
          <button type="button" data-slot="button" data-word={word} onClick={onPress}>
            {words[word]}
          </button>
        );
      }
      default:
        return null;
    }
  }
  return <ProductPart {...props} state={state} name={name} />;
}

type ProductState = Extract<BarState, { page: 'product' }>;

function ProductPart({
  name,
  piece,
  state,
  money,
  host,
  onQuote,
  onChoose,
  onQuantity,
  onPress,
}: Props & { state: ProductState; name: BuyBarPiece['parts'][number]['key'] }): VNode | string | null {
  const { settings, words } = piece;
  const { product, choices, quantity, extra } = state;
  const found = resolveVariant(product, choices);
  const variant = found.ok ? found.value : null;
  switch (name) {
    case 'picture': {
      const src = variant?.picture?.src ?? product.pictures[0]?.src;
      return src ? <img src={src} alt="" width="48" height="48" /> : null;
    }
    case 'name':
      return product.name;
    case 'rating':
      return (
        product.rating && (
          <span class="stars" role="img" aria-label={`${product.rating.stars} / 5`}>
            ★ {product.rating.stars} ({product.rating.count})
          </span>
        )
      );
    case 'price': {
      const lowest = Math.min(...product.variants.map((candidate) => candidate.priceMinor));
      const shown = variant ?? { id: 0, priceMinor: lowest, wasMinor: null };
      const isOffered = variant !== null && product.isOffered;
      const price = quoteChoice(host.page, { ...shown, isOffered, quantity, extra }, onQuote);
      return (
        <span class="price" aria-live="polite">
          <span data-pl-sum="price">{money(price.totalMinor)}</span>
          {price.wasTotalMinor !== null && <s>{money(price.wasTotalMinor)}</s>} <small>{product.priceNote}</small>
        </span>
      );
    }
    case 'choices':
      if (product.axes.length === 0) return null;
      if (settings.choicesAs === 'words') return product.axes.map((axis) => choices[axis] ?? '–').join(', ');
      return (
        <div class="choices">
          {product.axes.map((axis) => (
            <select
              key={axis}
              aria-label={axis}
              value={choices[axis] ?? ''}
              onChange={(event) => onChoose(axis, event.currentTarget.value)}
            >
              {!choices[axis] && <option value="">{axis}</option>}
              {valuesOf(product, axis, choices).map(({ value, availability }) => (
                <option key={value} value={value}>
                  {availability === 'available' ? value : `${value} (${words.soldOut})`}
                </option>
              ))}
            </select>
          ))}
        </div>
      );
    case 'quantity':
      return (
        <input
          type="number"
          min="1"
          max={MOST_PER_LINE}
          inputMode="numeric"
          aria-label={words.quantity}
          value={quantity}
          onChange={(event) =>
            onQuantity(Math.max(1, Math.min(MOST_PER_LINE, Math.round(Number(event.currentTarget.value)) || 1)))
          }
        />
      );
    case 'button': {
      const soldOut = variant ? isSoldOut(variant) : product.variants.every(isSoldOut);
      const word = soldOut ? 'soldOut' : variant && !state.isOpen ? 'add' : 'choose';
      return (
        <button type="button" data-slot="button" data-word={word} disabled={soldOut} onClick={onPress}>
          {words[word]}
        </button>
      );
    }
  }
}
