/** @jsxImportSource preact */
import type { VNode } from 'preact';
import type { CartLineView, CartView } from '~/core/cart';
import { formatMoney } from '~/core/money/currency';
import type { CartChangeRequest } from '~/runtime/cart-client';
import { Icon } from '~/runtime/kit/icons';
import { directionOf } from '~/runtime/kit/shadow';
import type { PieceHost } from '~/runtime/piece-host';
import type { CartSurfacePiece, CartSurfaceWord } from './definition';

interface Props {
  /** null until it is fetched. */
  readonly cart: CartView | null;
  readonly piece: CartSurfacePiece;
  readonly host: PieceHost;
  readonly said: string;
  readonly change: (request: CartChangeRequest) => void;
}

export function CartPanel(props: Props): VNode {
  const { cart, piece, host, said } = props;
  const { settings, words } = piece;
  const style = { '--width': `${settings.width}px`, '--backdrop': String(settings.backdrop / 100) };
  const parts = piece.parts.filter((part) => !part.hideOn.includes(host.device));
  return (
    <dialog
      tabIndex={-1}
      data-slot="panel"
      data-part=""
      dir={directionOf(host.language)}
      lang={host.language}
      aria-label={words.heading}
      data-side={settings.side}
      data-motion={settings.motion}
      style={style}
    >
      <button class="close" aria-label={words.close} onClick={host.surfaces.close}>
        <Icon name="close" />
      </button>
      <div class="scroll" aria-busy={cart === null}>
        {said && (
          <p class="said" role="alert">
            {said}
          </p>
        )}
        {parts.map((part) => (
          <div key={part.key} data-part={part.key}>
            {cart && <Part {...props} cart={cart} name={part.key} />}
          </div>
        ))}
      </div>
    </dialog>
  );
}

type PartProps = Props & { readonly cart: CartView; readonly name: CartSurfacePiece['parts'][number]['key'] };

function Part({ name, ...props }: PartProps): VNode | null {
  const { cart, piece, host } = props;
  const { words } = piece;
  const money = (amount: number) => formatMoney(amount, host.currency, host.locale);
  const said = (word: CartSurfaceWord, amount: number) => words[word].replace('{amount}', money(amount));
  const isEmpty = cart.lines.length === 0;
  switch (name) {
    case 'heading':
      return (
        <h2 data-slot="heading">
          <b data-word="heading">{words.heading}</b> <span>{cart.count}</span>
        </h2>
      );
    case 'notice':
      return <p data-word="notice">{words.notice}</p>;
    case 'lines':
      return isEmpty ? (
        <p class="empty" data-word="empty">
          {words.empty}
        </p>
      ) : (
        <ul class={piece.settings.dividers ? 'divided' : ''}>
          {cart.lines.map((line) => (
            <Line key={line.id} {...props} line={line} money={money} />
          ))}
        </ul>
      );
    case 'threshold': {
      const missing = cart.missingForFreeDeliveryMinor;
      if (missing === null || isEmpty) return null;
      return (
        <p class="meter" role="status">
          {missing > 0 ? said('missing', missing) : words.reached}
        </p>
      );
    }
    case 'subtotal':
      return isEmpty ? null : (
        <>
          <p class="sum">
            <span data-word="subtotal">{words.subtotal}</span>
            <span aria-live="polite">{money(cart.subtotalMinor)}</span>
          </p>
          <small>{said(cart.taxIncluded ? 'taxIncluded' : 'taxOnTop', cart.taxMinor)}</small>
        </>
      );
    case 'checkout':
      return isEmpty ? null : (
        <a class="checkout" data-slot="checkout" data-word="checkout" href="/shop/checkout">
          {words.checkout}
        </a>
      );
    case 'cartPage':
      return isEmpty ? null : (
        <a class="quiet" data-word="cartPage" href="/shop/cart">
          {words.cartPage}
        </a>
      );
    case 'keepShopping':
      return (
        <button class="quiet" data-word="keepShopping" onClick={host.surfaces.close}>
          {words.keepShopping}
        </button>
      );
  }
}

function Line({
  line,
  piece,
  change,
  money,
}: Props & { line: CartLineView; money: (amount: number) => string }): VNode {
  const { settings, words } = piece;
  const set = (quantity: number) => change({ kind: 'set', lineId: line.id, quantity });
  const href = `/shop/p/${line.slug}`;
  return (
    <li class={settings.pictures ? '' : 'plain'}>
      {settings.pictures &&
        (line.picture ? <img src={line.picture.src} alt="" width="72" height="72" /> : <span class="none" />)}
      <div class="text">
        <a href={href}>{line.name}</a>
        {line.choices && <small>{line.choices}</small>}
        {line.problem && <p class="problem">{line.problem}</p>}
      </div>
      <strong>{money(line.totalMinor)}</strong>
      <div class="change">
        {settings.stepper ? (
          <span class="steps" role="group" aria-label={line.name}>
            <button aria-label={words.fewer} disabled={line.quantity <= 1} onClick={() => set(line.quantity - 1)}>
              <Icon name="minus" size={16} />
            </button>
            <output>{line.quantity}</output>
            <button aria-label={words.further} onClick={() => set(line.quantity + 1)}>
              <Icon name="plus" size={16} />
            </button>
          </span>
        ) : (
          <small>× {line.quantity}</small>
        )}
        <button
          class="remove"
          data-slot="remove"
          data-word="remove"
          aria-label={`${words.remove}: ${line.name}`}
          onClick={() => change({ kind: 'remove', lineId: line.id })}
        >
          {words.remove}
        </button>
      </div>
    </li>
  );
}
