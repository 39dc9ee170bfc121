/** @jsxImportSource preact */
import type { VNode } from 'preact';
import type { CartView } from '~/core/cart';
import type { CartWord } from '../words';

interface Props {
  readonly cart: CartView;
  readonly money: (amountMinor: number) => string;
  readonly words: Readonly<Record<Extract<CartWord, 'missing' | 'reached'>, string>>;
  readonly bar: boolean;
}

/** How far the cart is from free delivery; nothing while there is no such offer. */
export function Threshold({ cart, money, words, bar }: Props): VNode | null {
  const { freeDelivery, lines } = cart;
  if (!freeDelivery || lines.length === 0) return null;
  const { thresholdMinor, missingMinor } = freeDelivery;
  const [before, after] = words.missing.split('{amount}');
  return (
    <div class="meter">
      <p role="status">
        {missingMinor > 0 ? (
          <>
            {before}
            <b class="money">{money(missingMinor)}</b>
            {after}
          </>
        ) : (
          words.reached
        )}
      </p>
      {bar && <meter min={0} max={thresholdMinor} value={thresholdMinor - missingMinor} aria-hidden="true" />}
    </div>
  );
}
