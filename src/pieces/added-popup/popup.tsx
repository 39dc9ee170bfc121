/** @jsxImportSource preact */
import type { VNode } from 'preact';
import type { LineView, CartView } from '~/core/cart';
import { suggestionsThatFit } from '~/core/suggest/fit';
import { fill } from '~/core/words/fill';
import { Later } from '~/pieces/_cart/parts/later';
import { Threshold } from '~/pieces/_cart/parts/threshold';
import { Icon } from '~/runtime/kit/icons';
import { directionOf } from '~/runtime/kit/shadow';
import type { PieceHost } from '~/runtime/piece-host';
import type { AddedPopupPiece } from './definition';

interface Props {
  readonly piece: AddedPopupPiece;
  readonly host: PieceHost;
  readonly cart: CartView | null;
  readonly line: LineView | null;
  readonly money: (amountMinor: number) => string;
  /** What is at it, so that it must stay. */
  readonly onHold: (by: 'pointer' | 'focus', isHeld: boolean) => void;
  readonly onCart: (event: MouseEvent & { currentTarget: HTMLElement }) => void;
}

type PartKey = AddedPopupPiece['parts'][number]['key'];
/** Parts that stand together beside the picture. */
const THING: readonly PartKey[] = ['picture', 'name', 'choices', 'price'];

export function Popup(props: Props): VNode {
  const { piece, host, line, onHold } = props;
  const { settings, words } = piece;
  const parts = piece.parts.filter((part) => !part.hideOn.includes(host.device)).map((part) => part.key);
  const draw = (key: PartKey) => (
    <div key={key} data-part={key}>
      {line && <Part {...props} line={line} name={key} />}
    </div>
  );
  const message = fill(words.message, { name: line?.name ?? '' });
  const head = parts[0] === 'message' ? 1 : 0;
  const rest = parts.slice(head);
  const hasWayOut = parts.includes('buttons') && settings.keepLeads !== 'off';
  // What belongs to the thing stands where its first part does.
  const first = rest.findIndex((key) => THING.includes(key));
  return (
    <>
      <p class="announce" role="status">
        {line && `${line.name}: ${message}`}
      </p>
      <dialog
        tabIndex={-1}
        data-slot="panel"
        data-part=""
        dir={directionOf(host.language)}
        lang={host.language}
        aria-label={message}
        data-form={settings.form}
        data-size={settings.size}
        data-motion={settings.motion}
        data-closes={settings.closes === 'itself' ? settings.seconds : 'asked'}
        onPointerEnter={() => onHold('pointer', true)}
        onPointerLeave={() => onHold('pointer', false)}
        onFocusIn={() => onHold('focus', true)}
        onFocusOut={() => onHold('focus', false)}
      >
        <div class="head">
          {parts.slice(0, head).map(draw)}
          {(settings.cross || !hasWayOut) && (
            <button
              type="button"
              class="close"
              data-slot="close"
              aria-label={words.close}
              onClick={host.surfaces.close}
            >
              <Icon name="close" />
            </button>
          )}
        </div>
        {rest.map((key, i) => {
          if (!THING.includes(key)) return draw(key);
          if (i !== first) return null;
          return (
            <div key="thing" class="thing">
              {rest.filter((part) => THING.includes(part)).map(draw)}
            </div>
          );
        })}
      </dialog>
    </>
  );
}

function Part({
  name,
  piece,
  host,
  cart,
  line,
  money,
  onCart,
}: Props & { line: LineView; name: PartKey }): VNode | null {
  const { settings, words } = piece;
  switch (name) {
    case 'message':
      return (
        <h2 data-slot="message" data-word="message">
          {fill(words.message, { name: line.name })}
        </h2>
      );
    case 'picture':
      return line.picture && <img src={line.picture.src} alt="" width="72" height="72" />;
    case 'name':
      return <>{line.quantity > 1 ? `${line.quantity} × ${line.name}` : line.name}</>;
    case 'choices': {
      const texts = [line.choices, ...line.answerTexts.map((answer) => `${answer.label}: ${answer.text}`)];
      return <small>{texts.filter(Boolean).join(' · ')}</small>;
    }
    case 'price':
      // What the cart says of the line, so that nobody meets another sum there.
      return <span class="sum">{money(line.totalMinor)}</span>;
    case 'total':
      return (
        cart && (
          <p data-word="total">
            {fill(words.total, { count: cart.count, amount: money(cart.totalMinor) }, host.language)}
          </p>
        )
      );
    case 'threshold':
      return cart && <Threshold cart={cart} money={money} words={words} bar={settings.meterBar} />;
    case 'suggestions':
      return (
        <Later
          load={() => import('~/pieces/_cart/parts/suggestions')}
          with={{
            host,
            money,
            words,
            near: [line.slug],
            most: Math.min(settings.suggestionCount, suggestionsThatFit(settings.size)),
          }}
        />
      );
    case 'buttons': {
      const stays = settings.keepLeads === 'stay';
      const Keep = stays ? 'button' : 'a';
      return (
        <div class="buttons">
          {settings.keepLeads !== 'off' && (
            <Keep
              class="second"
              data-slot="second"
              data-word="keepShopping"
              href={stays ? undefined : settings.keepLeads}
              onClick={stays ? host.surfaces.close : undefined}
            >
              {words.keepShopping}
            </Keep>
          )}
          {settings.cartLeads !== 'off' && (
            <a
              class="second"
              data-slot="second"
              data-word="viewCart"
              href="/shop/cart"
              onClick={settings.cartLeads === 'cart' ? onCart : undefined}
            >
              {words.viewCart}
            </a>
          )}
          {settings.checkoutLeads !== 'off' && (
            <a class="main-button" data-slot="checkout" data-word="checkout" href={`/shop/${settings.checkoutLeads}`}>
              {words.checkout}
            </a>
          )}
        </div>
      );
    }
  }
}
