/** @jsxImportSource preact */
import type { VNode } from 'preact';
import { useEffect, useState } from 'preact/hooks';
import type { CartView } from '~/core/cart';
import { fill } from '~/core/words/fill';
import { timeLeft } from '~/core/words/time-left';
import type { PieceHost } from '~/runtime/piece-host';

interface Props {
  readonly deadline: NonNullable<CartView['deadline']>;
  readonly host: PieceHost;
  readonly text: string;
}

/** How long an offer still counts, by the server's clock. When it is over the cart is asked for anew, and this is gone. */
export function Countdown({ deadline, host, text }: Props): VNode | null {
  const [now, setNow] = useState(() => host.now());
  const left = deadline.at - now;
  useEffect(() => {
    if (left <= 0) {
      void host.cart.load();
      return undefined;
    }
    const timer = setTimeout(() => setNow(host.now()), Math.min(1000, left));
    return () => clearTimeout(timer);
  }, [now]);
  if (left <= 0) return null;
  return (
    <p class="ends" role="timer" data-word="ends">
      {fill(text, { name: deadline.name, time: timeLeft(left) }, host.language)}
    </p>
  );
}
