/** @jsxImportSource preact */
import type { VNode } from 'preact';
import { COUNTRIES } from '~/core/orders/countries';
import type { CartWord } from '~/pieces/cart-surface/definition';
import type { CartShown } from './desk';
import { CartForm } from './form';

interface Props {
  readonly shown: CartShown;
  readonly words: Readonly<
    Record<
      Extract<CartWord, 'estimate' | 'country' | 'postcode' | 'estimateGo' | 'estimateNone' | 'deliveryFree'>,
      string
    >
  >;
}

/** Countries served, in the shopper's language and its order. */
export function countryNames(language: string): readonly (readonly [code: string, name: string])[] {
  const names = new Intl.DisplayNames([language], { type: 'region' });
  return Object.keys(COUNTRIES)
    .map((code) => [code, names.of(code) ?? code] as const)
    .sort((a, b) => a[1].localeCompare(b[1], language));
}

/** What sending it would cost, by country, postcode and weight. */
export function Estimate({ shown, words }: Props): VNode | null {
  const { cart, desk, money, language } = shown;
  if (!cart.needsDelivery) return null;
  const { estimate } = cart;
  const problem = desk?.placeProblem;
  return (
    <div class="estimate">
      <p class="question" data-word="estimate">
        {words.estimate}
      </p>
      <CartForm
        shown={shown}
        kind="destination"
        class="inline"
        request={(fields) => ({
          kind: 'destination',
          country: String(fields.get('country')),
          postcode: String(fields.get('postcode')),
        })}
      >
        <label class="field">
          <span data-word="country">{words.country}</span>
          <select name="country">
            {countryNames(language).map(([code, name]) => (
              <option key={code} value={code} selected={code === (estimate?.country ?? 'DE')}>
                {name}
              </option>
            ))}
          </select>
        </label>
        <label class="field short">
          <span data-word="postcode">{words.postcode}</span>
          <input
            name="postcode"
            required
            maxLength={20}
            autoComplete="postal-code"
            defaultValue={estimate?.postcode}
            aria-invalid={problem ? true : undefined}
          />
        </label>
        <button class="second" data-word="estimateGo">
          {words.estimateGo}
        </button>
        {problem && (
          <p class="problem" role="alert">
            {problem}
          </p>
        )}
      </CartForm>
      {estimate && (
        <ul class="ways" role="status">
          {estimate.ways.map((way) => (
            <li key={way.key}>
              <span>
                {way.name} <small>{way.days}</small>
              </span>
              <strong>{way.amountMinor === 0 ? words.deliveryFree : money(way.amountMinor)}</strong>
            </li>
          ))}
          {estimate.ways.length === 0 && <li>{words.estimateNone}</li>}
        </ul>
      )}
    </div>
  );
}
