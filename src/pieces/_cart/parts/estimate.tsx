/** @jsxImportSource preact */
import type { VNode } from 'preact';
import type { CartWord } from '../words';
import { countryNames } from './country-names';
import type { CartShown } from '../cart-controller';
import { CartForm } from '../form';

interface Props {
  readonly shown: CartShown;
  readonly words: Readonly<
    Record<
      Extract<CartWord, 'estimate' | 'country' | 'postcode' | 'estimateGo' | 'estimateNone' | 'deliveryFree'>,
      string
    >
  >;
}

/** What sending it would cost, by country, postcode and weight. */
export function Estimate({ shown, words }: Props): VNode | null {
  const { cart, controller, money, language } = shown;
  if (!cart.needsDelivery) return null;
  const { estimate } = cart;
  const problem = controller?.placeProblem;
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
          <select
            name="country"
            onChange={({ currentTarget: { value, form } }) => {
              if (!controller || !form) return;
              // Another country has other postcodes.
              const postcode = form.elements.namedItem('postcode') as HTMLInputElement;
              if (value !== estimate?.country) postcode.value = '';
              form.requestSubmit();
            }}
          >
            {countryNames(cart.countries, language).map(([code, name]) => (
              <option key={code} value={code} selected={code === (estimate?.country ?? cart.countries[0])}>
                {name}
              </option>
            ))}
          </select>
        </label>
        <label class="field short">
          <span data-word="postcode">{words.postcode}</span>
          <input
            name="postcode"
            maxLength={20}
            autoComplete="postal-code"
            defaultValue={estimate?.postcode}
            aria-invalid={problem ? true : undefined}
          />
        </label>
        <button class="second" data-slot="second" data-word="estimateGo">
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
