/** @jsxImportSource preact */
import type { VNode } from 'preact';
import { useEffect, useRef } from 'preact/hooks';
import { fill } from '~/core/words/fill';
import type { CartWord } from '../words';
import type { CartShown } from '../cart-controller';
import { CartForm } from '../form';

interface Props {
  readonly shown: CartShown;
  readonly words: Readonly<
    Record<Extract<CartWord, 'coupon' | 'couponOpen' | 'couponUse' | 'couponTaken' | 'couponOff'>, string>
  >;
  readonly folded: boolean;
}

/** Takes codes, says what each takes off, or why it does not count. */
export function Coupon({ shown, words, folded }: Props): VNode {
  const { cart, controller, money } = shown;
  const { codes, takesCode } = cart;
  const problem = controller?.couponProblem ?? null;
  const self = useRef<HTMLDivElement>(null);
  const wasAsked = useRef(false);
  const held = codes.map(({ code }) => code).join();
  // The form that was sent gives way to another; the focus goes on there.
  useEffect(() => {
    if (wasAsked.current) self.current?.querySelector<HTMLElement>('input:not([type=hidden]), button')?.focus();
    wasAsked.current = false;
  }, [held]);
  const ask = <Request,>(request: Request): Request => {
    wasAsked.current = true;
    return request;
  };
  const form = (codes.length === 0 || takesCode) && (
    <CartForm
      shown={shown}
      kind="coupon"
      class="inline"
      request={(fields) => ask({ kind: 'coupon', code: String(fields.get('code') ?? '') })}
    >
      <label class="field">
        <span data-word="coupon">{words.coupon}</span>
        <input name="code" maxLength={60} required autoComplete="off" aria-invalid={problem ? true : undefined} />
      </label>
      <button class="second" data-slot="second" data-word="couponUse">
        {words.couponUse}
      </button>
      {problem && (
        <p class="problem" role="alert">
          {problem}
        </p>
      )}
    </CartForm>
  );
  return (
    <div ref={self}>
      {codes.map(({ code, takenMinor, problem: why }) => (
        <div class="coupon" key={code}>
          <p class={why ? 'problem' : 'good'} role="status">
            {why ?? fill(words.couponTaken, { code, amount: money(takenMinor) })}
          </p>
          <CartForm shown={shown} kind="coupon-off" request={() => ask({ kind: 'coupon-off', code })}>
            <input type="hidden" name="code" value={code} />
            <button class="act" data-word="couponOff" aria-label={`${words.couponOff}: ${code}`}>
              {words.couponOff}
            </button>
          </CartForm>
        </div>
      ))}
      {form && folded ? (
        <details class="folded" open={problem !== null || wasAsked.current || undefined}>
          <summary data-word="couponOpen">{words.couponOpen}</summary>
          {form}
        </details>
      ) : (
        form
      )}
    </div>
  );
}
