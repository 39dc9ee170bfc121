/** @jsxImportSource preact */
import type { VNode } from 'preact';
import { useEffect, useRef } from 'preact/hooks';
import { fill } from '~/core/words/fill';
import type { CartWord } from '~/pieces/cart-surface/definition';
import type { CartShown } from './desk';
import { CartForm } from './form';

interface Props {
  readonly shown: CartShown;
  readonly words: Readonly<
    Record<Extract<CartWord, 'coupon' | 'couponOpen' | 'couponUse' | 'couponTaken' | 'couponOff'>, string>
  >;
  readonly folded: boolean;
}

/** Takes a code, says what it takes off, or why it does not count. */
export function Coupon({ shown, words, folded }: Props): VNode {
  const { cart, desk, money } = shown;
  const { coupon } = cart;
  const problem = desk?.couponProblem ?? coupon?.problem ?? null;
  const self = useRef<HTMLDivElement>(null);
  const wasAsked = useRef(false);
  const code = coupon?.code ?? null;
  // The form that was sent gives way to another; the focus goes on there.
  useEffect(() => {
    if (wasAsked.current) self.current?.querySelector<HTMLElement>('input:not([type=hidden]), button')?.focus();
    wasAsked.current = false;
  }, [code]);
  const ask = <Request,>(request: Request): Request => {
    wasAsked.current = true;
    return request;
  };
  if (coupon) {
    return (
      <div class="coupon" ref={self}>
        <p class={coupon.problem ? 'problem' : 'good'} role="status">
          {coupon.problem ?? fill(words.couponTaken, { code: coupon.code, amount: money(coupon.takenMinor) })}
        </p>
        <CartForm shown={shown} kind="coupon" request={() => ask({ kind: 'coupon', code: '' })}>
          <button class="act" data-word="couponOff" aria-label={`${words.couponOff}: ${coupon.code}`}>
            {words.couponOff}
          </button>
        </CartForm>
      </div>
    );
  }
  const form = (
    <CartForm
      shown={shown}
      kind="coupon"
      class="inline"
      request={(fields) => ask({ kind: 'coupon', code: String(fields.get('code') ?? '') })}
    >
      <label class="field">
        <span data-word="coupon">{words.coupon}</span>
        <input name="code" maxLength={30} required autoComplete="off" aria-invalid={problem ? true : undefined} />
      </label>
      <button class="second" data-word="couponUse">
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
      {folded ? (
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
