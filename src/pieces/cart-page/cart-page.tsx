/** @jsxImportSource preact */
import type { VNode } from 'preact';
import type { Device } from '~/core/where';
import { Coupon } from '~/runtime/cart/coupon';
import type { CartShown } from '~/runtime/cart/desk';
import { Estimate } from '~/runtime/cart/estimate';
import { Lines } from '~/runtime/cart/lines';
import { Note } from '~/runtime/cart/note';
import { SaidLine } from '~/runtime/cart/said';
import { Suggestions } from '~/runtime/cart/suggestions';
import { Threshold } from '~/runtime/cart/threshold';
import { Totals } from '~/runtime/cart/totals';
import { directionOf } from '~/runtime/kit/shadow';
import type { CartPagePiece } from './definition';

interface Props {
  readonly shown: CartShown;
  readonly piece: CartPagePiece;
  /** null on the server, which does not know it. */
  readonly device: Device | null;
}

type PartKey = CartPagePiece['parts'][number]['key'];
/** What stands in the box with the buttons; the rest is the wide column. */
const IN_BOX: readonly PartKey[] = ['coupon', 'estimate', 'totals', 'checkout', 'quickPay', 'keepShopping'];
const CUT = { round: '99px', soft: '10px', square: '2px' } as const;
const TYPE = { small: '15px', usual: '16px', large: '18px' } as const;

/** The cart as a page: drawn by the server, taken over by the runtime. */
export function CartPage({ shown, piece, device }: Props): VNode {
  const { settings, words } = piece;
  const isEmpty = shown.cart.lines.length === 0;
  const parts = piece.parts.filter((part) => !device || !part.hideOn.includes(device));
  const style = {
    '--width': `${settings.width}px`,
    '--picture': `${settings.pictureSize}px`,
    '--cut': CUT[settings.buttons],
    '--type': TYPE[settings.type],
  };
  const draw = ({ key }: { key: PartKey }) => (
    <div key={key} data-part={key}>
      <Part name={key} shown={shown} piece={piece} />
    </div>
  );
  const wide = parts.filter((part) => !IN_BOX.includes(part.key));
  const boxed = parts.filter((part) => IN_BOX.includes(part.key));
  return (
    <div class="page" dir={directionOf(shown.language)} lang={shown.language} style={style} data-sums={settings.sums}>
      <SaidLine desk={shown.desk} undo={words.undo} />
      <div class="columns">
        <div class="wide">{wide.map(draw)}</div>
        {!isEmpty && (
          <aside class={settings.box ? 'box' : 'bare'} data-slot={settings.box ? 'box' : undefined}>
            {boxed.map(draw)}
          </aside>
        )}
      </div>
    </div>
  );
}

function Part({ name, shown, piece }: Omit<Props, 'device'> & { name: PartKey }): VNode | null {
  const { words, settings } = piece;
  const { cart, money, host } = shown;
  switch (name) {
    case 'heading':
      return (
        <h1 data-slot="heading" data-word="heading">
          {words.heading}
        </h1>
      );
    case 'notice':
      return <p data-word="notice">{words.notice}</p>;
    case 'lines':
      return cart.lines.length === 0 ? (
        <div class="empty">
          <p data-word="empty">{words.empty}</p>
          <a class="second" data-word="emptyLink" href="/shop/all">
            {words.emptyLink}
          </a>
        </div>
      ) : (
        <Lines shown={shown} words={words} settings={settings} lay={settings.lay} />
      );
  }
  if (cart.lines.length === 0) return null;
  switch (name) {
    case 'threshold':
      return <Threshold cart={cart} money={money} words={words} bar={settings.meterBar} />;
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
    case 'coupon':
      return <Coupon shown={shown} words={words} folded={settings.couponFolded} />;
    case 'estimate':
      return <Estimate shown={shown} words={words} />;
    case 'note':
      return <Note shown={shown} words={words} />;
    case 'totals':
      return <Totals shown={shown} words={words} settings={settings} />;
    case 'checkout':
      return (
        <a class="main-button" data-slot="checkout" data-word="checkout" data-pl-main href="/shop/checkout">
          {words.checkout}
        </a>
      );
    case 'quickPay':
      return (
        <a class="main-button quick" data-slot="quickPay" data-word="quickPay" href="/shop/quick-pay">
          {words.quickPay}
        </a>
      );
    case 'keepShopping':
      return (
        <a class="quiet" data-word="keepShopping" href="/shop/all">
          {words.keepShopping}
        </a>
      );
  }
}
