/** @jsxImportSource preact */
import type { VNode } from 'preact';
import type { CartWord } from './words';
import { Better } from './parts/better';
import { Coupon } from './parts/coupon';
import type { CartShown } from './cart-controller';
import { Estimate } from './parts/estimate';
import { Lines, type LinesProps } from './lines';
import { Note } from './parts/note';
import { QuickPay } from './parts/quick-pay';
import { Later } from './parts/later';
import { Threshold } from './parts/threshold';
import { Totals } from './parts/totals';

/** Parts that are the same on the cart surface and on the cart page. */
export type CommonCartPart =
  'notice' | 'threshold' | 'coupon' | 'estimate' | 'suggestions' | 'note' | 'totals' | 'checkout' | 'quickPay';

interface Props {
  readonly name: CommonCartPart;
  readonly shown: CartShown;
  readonly words: Readonly<Record<Exclude<CartWord, 'close' | 'cartPage'>, string>>;
  readonly settings: {
    readonly couponFolded: boolean;
    readonly meterBar: boolean;
    readonly suggestionCount: number;
    readonly taxShown: 'within' | 'line' | 'hidden';
    readonly why: boolean;
    readonly deliveryLater?: boolean;
  };
}

/** A part of a cart; all but the notice need something in it. */
export function CommonPart({ name, shown, words, settings }: Props): VNode | null {
  const { cart, money, host } = shown;
  if (name === 'notice') return <p data-word="notice">{words.notice}</p>;
  if (cart.lines.length === 0) return null;
  switch (name) {
    case 'threshold':
      return <Threshold cart={cart} money={money} words={words} bar={settings.meterBar} />;
    case 'coupon':
      return <Coupon shown={shown} words={words} folded={settings.couponFolded} />;
    case 'estimate':
      return <Estimate shown={shown} words={words} />;
    case 'suggestions':
      return (
        <Later
          load={() => import('./parts/suggestions')}
          with={{ host, money, near: cart.lines.map((line) => line.slug), most: settings.suggestionCount, words }}
        />
      );
    case 'note':
      return <Note shown={shown} words={words} />;
    case 'totals':
      return (
        <>
          {(cart.deadline || cart.hints[0]) && host && (
            <Later load={() => import('./parts/extras')} with={{ cart, host, money, words }} />
          )}
          <Totals shown={shown} words={words} settings={settings} />
        </>
      );
    case 'checkout':
      return (
        <a class="main-button" data-slot="checkout" data-word="checkout" data-pl-main href="/shop/checkout">
          {words.checkout}
        </a>
      );
    case 'quickPay':
      return <QuickPay words={words} />;
  }
}

/** The lines, each with its better one where there is one. */
export function LinesWithBetter(props: LinesProps & { readonly words: BetterWords }): VNode {
  const { shown, words } = props;
  return <Lines {...props} below={(line) => <Better line={line} shown={shown} words={words} />} />;
}

type BetterWords = Readonly<Record<Extract<CartWord, 'better' | 'betterTake' | 'betterSame'>, string>>;

/** Instead of lines. */
export function EmptyCart({ words }: { words: Readonly<Record<'empty' | 'emptyLink', string>> }): VNode {
  return (
    <div class="empty">
      <p data-word="empty">{words.empty}</p>
      <a class="second" data-word="emptyLink" href="/shop/all">
        {words.emptyLink}
      </a>
    </div>
  );
}
