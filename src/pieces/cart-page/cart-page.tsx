/** @jsxImportSource preact */
import type { VNode } from 'preact';
import type { Device } from '~/core/where';
import { Later } from '~/pieces/_cart/parts/later';
import { CommonPart, EmptyCart, LinesWithBetter } from '~/pieces/_cart/common-part';
import type { CartShown } from '~/pieces/_cart/cart-controller';
import { SaidLine } from '~/pieces/_cart/said';
import { directionOf } from '~/runtime/kit/shadow';
import type { CartPagePiece } from './definition';

interface Props {
  readonly shown: CartShown;
  readonly piece: CartPagePiece;
  /** null on the server, which does not know it. */
  readonly device: Device | null;
}

type PartKey = CartPagePiece['parts'][number]['key'];
/** In the first row, for those who pay with a wallet. */
const ON_TOP: readonly PartKey[] = ['heading', 'quickPay'];
/** What stands in the box with the buttons; the rest is the wide column. */
const IN_BOX: readonly PartKey[] = ['coupon', 'estimate', 'totals', 'checkout', 'keepShopping'];
/** Below the buttons where all stands in one column. */
const AFTER: readonly PartKey[] = ['suggestions'];
const CUT = { round: '99px', soft: '10px', square: '2px' } as const;
const TYPE = { small: '0.94rem', usual: '1rem', large: '1.125rem' } as const;

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
  const drawn = (keys: readonly PartKey[]) => parts.filter(({ key }) => keys.includes(key)).map(draw);
  const elsewhere = [...ON_TOP, ...IN_BOX, ...AFTER];
  return (
    <div class="page" dir={directionOf(shown.language)} lang={shown.language} style={style} data-sums={settings.sums}>
      {isEmpty && <SaidLine controller={shown.controller} undo={words.undo} />}
      <div class="head">{drawn(ON_TOP)}</div>
      <div class="columns">
        <div class="wide">{parts.filter(({ key }) => !elsewhere.includes(key)).map(draw)}</div>
        {!isEmpty && (
          <aside class={settings.box ? 'box' : 'bare'} data-slot={settings.box ? 'box' : undefined}>
            {drawn(IN_BOX)}
          </aside>
        )}
        {!isEmpty && <div class="wide after">{drawn(AFTER)}</div>}
      </div>
    </div>
  );
}

function Part({ name, shown, piece }: Omit<Props, 'device'> & { name: PartKey }): VNode | null {
  const { words, settings } = piece;
  const isEmpty = shown.cart.lines.length === 0;
  switch (name) {
    case 'heading':
      return (
        <h1 data-slot="heading" data-word="heading">
          {words.heading}
        </h1>
      );
    case 'lines':
      return isEmpty ? (
        <EmptyCart words={words} />
      ) : (
        <LinesWithBetter shown={shown} words={words} settings={settings} lay={settings.lay} />
      );
    case 'suggestions':
      return isEmpty ? null : (
        <Later
          load={() => import('~/pieces/_cart/parts/suggestions')}
          html={shown.suggested?.html ?? ''}
          with={{
            host: shown.host,
            money: shown.money,
            words,
            most: settings.suggestionCount,
            near: shown.cart.lines.map((line) => line.slug),
            first: shown.suggested?.cards ?? [],
          }}
        />
      );
    case 'keepShopping':
      return (
        <a class="quiet" data-slot="quiet" data-word="keepShopping" href="/shop/all">
          {words.keepShopping}
        </a>
      );
    default:
      return <CommonPart name={name} shown={shown} words={words} settings={settings} />;
  }
}
