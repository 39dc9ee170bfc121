/** @jsxImportSource preact */
import type { VNode } from 'preact';
import { CommonPart, EmptyCart, LinesWithBetter } from '~/pieces/_cart/common-part';
import type { CartShown } from '~/pieces/_cart/cart-controller';
import { SaidLine } from '~/pieces/_cart/said';
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

/** What leads on. Standing last, it stays in view. */
const AT_THE_FOOT: readonly CartPart[] = ['divider', 'totals', 'checkout', 'quickPay', 'cartPage', 'keepShopping'];

export function CartPanel({ shown, piece, host, fromTop }: Props): VNode {
  const { settings, words } = piece;
  const style = {
    '--width': `${settings.width}px`,
    '--backdrop': `${settings.backdrop}%`,
    '--from': `${fromTop}px`,
    '--picture': `${settings.pictureSize}px`,
  };
  const parts = piece.parts.filter((part) => !part.hideOn.includes(host.device));
  // The heading shares its row with the button that closes; whatever else comes first scrolls below it.
  const head = parts[0]?.key === 'heading' ? 1 : 0;
  const foot = Math.max(head, parts.findLastIndex((part) => !AT_THE_FOOT.includes(part.key)) + 1);
  const draw = ({ key }: { key: CartPart }) => (
    <div key={key} data-part={key}>
      {shown && <Part shown={shown} piece={piece} host={host} name={key} />}
    </div>
  );
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
      <div class="head">
        {parts.slice(0, head).map(draw)}
        {(settings.cross || !parts.some(({ key }) => key === 'keepShopping')) && (
          <button type="button" class="close" data-slot="close" aria-label={words.close} onClick={host.surfaces.close}>
            <Icon name="close" />
          </button>
        )}
      </div>
      <div class="scroll" aria-busy={shown === null}>
        {shown?.cart.lines.length === 0 && <SaidLine controller={shown.controller} undo={words.undo} />}
        {parts.slice(head, foot).map(draw)}
        <div class={settings.stickyFoot ? 'foot' : 'end'}>{parts.slice(foot).map(draw)}</div>
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
  const { cart } = shown;
  const isEmpty = cart.lines.length === 0;
  switch (name) {
    case 'heading':
      return (
        <h2 data-slot="heading">
          <b data-word="heading">{words.heading}</b> <span>{cart.count}</span>
        </h2>
      );
    case 'lines':
      return isEmpty ? (
        <EmptyCart words={words} />
      ) : (
        <LinesWithBetter shown={shown} words={words} settings={settings} />
      );
    case 'divider':
      return <hr class="rule" />;
    case 'keepShopping': {
      const stays = settings.keepLeads === 'stay';
      const Keep = stays ? 'button' : 'a';
      return (
        <Keep
          class="quiet"
          data-slot="quiet"
          data-word="keepShopping"
          href={stays ? undefined : settings.keepLeads}
          onClick={stays ? host.surfaces.close : undefined}
        >
          {words.keepShopping}
        </Keep>
      );
    }
    case 'cartPage':
      return isEmpty ? null : (
        <a class="quiet" data-slot="quiet" data-word="cartPage" href="/shop/cart">
          {words.cartPage}
        </a>
      );
    default:
      return <CommonPart name={name} shown={shown} words={words} settings={settings} />;
  }
}
