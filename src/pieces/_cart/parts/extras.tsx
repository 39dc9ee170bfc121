/** @jsxImportSource preact */
import type { VNode } from 'preact';
import type { CartView } from '~/core/cart';
import type { CartWord } from '../words';
import { fill } from '~/core/words/fill';
import type { PieceHost } from '~/runtime/piece-host';
import { Countdown } from './countdown';

interface Props {
  readonly cart: CartView;
  readonly host: PieceHost;
  readonly money: (amountMinor: number) => string;
  readonly words: Readonly<Record<Extract<CartWord, 'ends' | 'hintCode' | 'hintTake' | 'hintMore'>, string>>;
}

/** What may still come off: codes and offers the owner tells of, and until when what counts now does. */
export function View({ cart, host, money, words }: Props): VNode {
  const { language } = host;
  return (
    <>
      {cart.hints.map((hint) =>
        hint.kind === 'code' ? (
          <p class="hint" key={hint.code}>
            <span data-word="hintCode">
              {fill(words.hintCode, { code: hint.code, amount: money(hint.savedMinor) }, language)}
            </span>{' '}
            <button
              class="act"
              data-word="hintTake"
              aria-label={`${words.hintTake}: ${hint.code}`}
              onClick={() => void host.cart.change({ kind: 'coupon', code: hint.code })}
            >
              {words.hintTake}
            </button>
          </p>
        ) : hint.kind === 'told' ? (
          <p class="hint" key={hint.text}>
            {hint.text}
          </p>
        ) : (
          <div class="meter" key={hint.name}>
            <p role="status" data-word="hintMore">
              {fill(words.hintMore, { name: hint.name, amount: money(hint.missingMinor) }, language)}
            </p>
            <meter
              min={0}
              max={hint.thresholdMinor}
              value={hint.thresholdMinor - hint.missingMinor}
              aria-hidden="true"
            />
          </div>
        ),
      )}
      {cart.deadline && <Countdown deadline={cart.deadline} host={host} text={words.ends} />}
    </>
  );
}
