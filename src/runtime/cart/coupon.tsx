/** @jsxImportSource preact */
import type { VNode } from 'preact';
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
  if (coupon) {
    return (
      <div class="coupon">
        <p class={coupon.problem ? 'problem' : 'good'} role="status">
          {coupon.problem ??
            words.couponTaken.replace('{code}', coupon.code).replace('{amount}', money(coupon.takenMinor))}
        </p>
        <CartForm shown={shown} kind="coupon" request={() => ({ kind: 'coupon', code: '' })}>
          <button class="act" data-word="couponOff">
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
      request={(fields) => ({ kind: 'coupon', code: String(fields.get('code') ?? '') })}
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
  if (!folded) return form;
  return (
    <details class="folded" open={problem !== null || undefined}>
      <summary data-word="couponOpen">{words.couponOpen}</summary>
      {form}
    </details>
  );
}
