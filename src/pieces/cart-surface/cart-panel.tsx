/** @jsxImportSource preact */
import type { VNode } from 'preact';
import { Coupon } from '~/runtime/cart/coupon';
import type { CartShown } from '~/runtime/cart/desk';
import { Estimate } from '~/runtime/cart/estimate';
import { Lines } from '~/runtime/cart/lines';
import { Note } from '~/runtime/cart/note';
import { SaidLine } from '~/runtime/cart/said';
import { Suggestions } from '~/runtime/cart/suggestions';
import { Threshold } from '~/runtime/cart/threshold';
import { Totals } from '~/runtime/cart/totals';
import { Icon } from '~/runtime/kit/icons';
import { directionOf } from '~/runtime/kit/shadow';
import type { PieceHost } from '~/runtime/piece-host';
import type { CartPart, CartSurfacePiece } from './definition';

interface Props {
  /** null until the cart is fetched. */
  readonly shown: CartShown | null;
  readonly piece: CartSurfacePiece;
  readonly host: PieceHost;
  /** Where a drop-down begins, CSS px from the top of the window. */
  readonly fromTop: number;
}

export function CartPanel({ shown, piece, host, fromTop }: Props): VNode {
  const { settings, words } = piece;
  const style = {
    '--width': `${settings.width}px`,
    '--backdrop': String(settings.backdrop / 100),
    '--from': `${fromTop}px`,
  };
  const parts = piece.parts.filter((part) => !part.hideOn.includes(host.device));
  return (
    <dialog
      tabIndex={-1}
      data-slot="panel"
      data-part=""
      dir={directionOf(host.language)}
      lang={host.language}
      aria-label={words.heading}
      data-form={settings.form}
      data-side={settings.side}
      data-motion={settings.motion}
      data-opens-on-add={settings.opensOnAdd}
      style={style}
    >
      <button type="button" class="close" aria-label={words.close} onClick={host.surfaces.close}>
        <Icon name="close" />
      </button>
      <div class="scroll" aria-busy={shown === null}>
        <SaidLine desk={shown?.desk ?? null} undo={words.undo} />
        {parts.map((part) => (
          <div key={part.key} data-part={part.key}>
            {shown && <Part shown={shown} piece={piece} host={host} name={part.key} />}
          </div>
        ))}
      </div>
    </dialog>
  );
}

interface PartProps {
  readonly shown: CartShown;
  readonly piece: CartSurfacePiece;
  readonly host: PieceHost;
  readonly name: CartPart;
}

function Part({ name, shown, piece, host }: PartProps): VNode | null {
  const { words, settings } = piece;
  const { cart, money } = shown;
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
        <div class="empty">
          <p data-word="empty">{words.empty}</p>
          <a class="second" data-word="emptyLink" href="/shop/all">
            {words.emptyLink}
          </a>
        </div>
      ) : (
        <Lines shown={shown} words={words} settings={settings} />
      );
    case 'divider':
      return <hr class="rule" />;
    case 'keepShopping':
      return (
        <button type="button" class="quiet" data-word="keepShopping" onClick={host.surfaces.close}>
          {words.keepShopping}
        </button>
      );
  }
  if (isEmpty) return null;
  switch (name) {
    case 'threshold':
      return <Threshold cart={cart} money={money} words={words} bar={settings.meterBar} />;
    case 'coupon':
      return <Coupon shown={shown} words={words} folded={settings.couponFolded} />;
    case 'estimate':
      return <Estimate shown={shown} words={words} />;
    case 'suggestions':
      return (
        <Suggestions
          host={host}
          money={money}
          near={cart.lines.map((line) => line.slug)}
          most={settings.suggestionCount}
          words={words}
        />
      );
    case 'note':
      return <Note shown={shown} words={words} />;
    case 'totals':
      return <Totals shown={shown} words={words} settings={settings} />;
    case 'checkout':
      return (
        <a class="main-button" data-slot="checkout" data-word="checkout" href="/shop/checkout">
          {words.checkout}
        </a>
      );
    case 'quickPay':
      return (
        <a class="main-button quick" data-slot="quickPay" data-word="quickPay" href="/shop/quick-pay">
          {words.quickPay}
        </a>
      );
    case 'cartPage':
      return (
        <a class="quiet" data-word="cartPage" href="/shop/cart">
          {words.cartPage}
        </a>
      );
  }
}
