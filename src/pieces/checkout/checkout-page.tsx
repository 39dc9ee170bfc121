/** @jsxImportSource preact */
import type { VNode } from 'preact';
import type { DeliveryOption } from '~/core/cart';
import type { CheckoutForm } from '~/core/orders';
import type { Device } from '~/core/where';
import { fill } from '~/core/words/fill';
import { Coupon } from '~/pieces/_cart/parts/coupon';
import type { CartShown } from '~/pieces/_cart/cart-controller';
import { countryNames } from '~/pieces/_cart/parts/country-names';
import { Lines } from '~/pieces/_cart/lines';
import { Note } from '~/pieces/_cart/parts/note';
import { QuickPay } from '~/pieces/_cart/parts/quick-pay';
import { Totals } from '~/pieces/_cart/parts/totals';
import { directionOf } from '~/runtime/kit/shadow';
import type { CheckoutPart, CheckoutPiece } from './definition';
import { Field } from './field';

/** Everything the page is drawn from; the server hands the same to the runtime. */
export interface CheckoutState {
  readonly form: Omit<CheckoutForm, 'cardNumber'>;
  readonly ways: readonly DeliveryOption[];
  /** The way of delivery the sums are for. */
  readonly chosen: string | null;
  /** What is wrong, by field; `''` is the whole. */
  readonly problems: Readonly<Record<string, string>>;
  /** Fields that were changed since; what was said of them is no longer shown. */
  readonly mended: readonly string[];
  /** The same key is the same order, however often it is sent. */
  readonly key: string;
}

interface Props {
  readonly shown: CartShown;
  readonly piece: CheckoutPiece;
  readonly state: CheckoutState;
  readonly device: Device | null;
  readonly isPaying?: boolean;
  readonly onChange?: (form: HTMLFormElement, field: string) => void;
  readonly onOrder?: (form: HTMLFormElement) => void;
  /** Goes to a field. */
  readonly onField?: (field: string) => void;
}

const ON_TOP: readonly CheckoutPart[] = ['quickPay'];
const ORDERED: readonly CheckoutPart[] = ['lines', 'note'];
const IN_FORM: readonly CheckoutPart[] = ['contact', 'address', 'delivery', 'payment'];
const SUMS: readonly CheckoutPart[] = ['totals', 'coupon', 'button'];
const CUT = { round: '99px', soft: '10px', square: '2px' } as const;

/** Checkout on one page: drawn by the server, taken over by the runtime. */
export function CheckoutPage(props: Props): VNode {
  const { shown, piece, state, device, onChange, onOrder, onField } = props;
  const { settings, words } = piece;
  const parts = piece.parts.filter((part) => !device || !part.hideOn.includes(device));
  const wrong = Object.entries(state.problems);
  // As they stand on the page, where the owner put the parts.
  const inOrder = parts.flatMap(({ key }) => Object.entries(FIELDS[key] ?? {}));
  const fields = inOrder.filter(([field]) => state.problems[field]);
  const general = wrong.filter(([field]) => !fields.some(([own]) => own === field)).map(([, text]) => text);
  const drawn = (keys: readonly CheckoutPart[]) =>
    parts
      .filter(({ key }) => keys.includes(key))
      .map(({ key }) => (
        <div key={key} data-part={key}>
          <Part {...props} name={key} />
        </div>
      ));
  const box = settings.boxes ? 'box' : undefined;
  const { cart } = shown;
  return (
    <div
      class="page"
      dir={directionOf(shown.language)}
      lang={shown.language}
      data-boxes={settings.boxes}
      data-summary={settings.summaryOnPhones}
      style={{ '--cut': CUT[settings.buttons] }}
    >
      <div class="head">
        <h1 data-slot="title" data-word="title">
          {words.title}
        </h1>
        {drawn(ON_TOP)}
      </div>
      {wrong.length > 0 && (
        <div class="notice" role="alert" tabIndex={-1} autofocus data-problems>
          {general.map((text) => (
            <p key={text}>{text}</p>
          ))}
          {fields.length > 0 && (
            <>
              <p data-word="almost">{fill(words.almost, { count: fields.length }, shown.language)}</p>
              <ul>
                {fields.map(([field, word]) => (
                  <li key={field}>
                    {onField ? (
                      <button type="button" class="to-field" onClick={() => onField(field)}>
                        {words[word]}
                      </button>
                    ) : (
                      <b>{words[word]}</b>
                    )}{' '}
                    {state.problems[field]}
                  </li>
                ))}
              </ul>
            </>
          )}
        </div>
      )}
      <div class="columns">
        <section class="box ordered" data-slot={box}>
          {/* On phones one line, in the shop without script, too: what follows is shown while this is open. */}
          <details class="unfold" open={cart.lines.some(({ problem }) => problem)}>
            <summary>
              <span>
                {words.summary} ({cart.count})
              </span>
              <strong>{shown.money(cart.totalMinor)}</strong>
            </summary>
          </details>
          <div class="folding">{drawn(ORDERED)}</div>
        </section>
        <form
          id="checkout"
          class="wide"
          method="post"
          action="/shop/checkout"
          noValidate
          onChange={(event) => onChange?.(event.currentTarget, (event.target as HTMLInputElement).name)}
          onSubmit={(event) => {
            if (!onOrder) return;
            event.preventDefault();
            onOrder(event.currentTarget);
          }}
        >
          <input type="hidden" name="key" value={state.key} />
          <input type="hidden" name="seenTotal" value={cart.totalMinor} />
          <input type="hidden" name="seenGifts" value={cart.comesAlong} />
          <input type="hidden" name="cartVersion" value={cart.version} />
          {drawn(IN_FORM)}
        </form>
        <aside class="box" data-slot={box}>
          {drawn(SUMS)}
        </aside>
      </div>
    </div>
  );
}

/** Fields of the form by the part they stand in, and the word for each. */
const FIELDS: Readonly<Partial<Record<CheckoutPart, Readonly<Record<string, keyof CheckoutPiece['words']>>>>> = {
  contact: { email: 'email', name: 'name' },
  address: { line1: 'line1', line2: 'line2', postcode: 'postcode', city: 'city', country: 'country' },
  delivery: { delivery: 'deliveryHeading' },
  payment: { cardNumber: 'card' },
};

function Part({ name, shown, piece, state, isPaying }: Props & { name: CheckoutPart }): VNode | null {
  const { words, settings } = piece;
  const { form, problems } = state;
  const { cart, money } = shown;
  const box = settings.boxes ? 'box' : undefined;
  const field = (key: keyof CheckoutState['form'], label: string) => ({
    name: key,
    label,
    value: form[key],
    problem: problems[key],
    isMended: state.mended.includes(key),
  });
  switch (name) {
    case 'quickPay':
      return <QuickPay words={words} />;
    case 'contact':
      return (
        <fieldset class="box" data-slot={box}>
          <legend data-word="contact">{words.contact}</legend>
          <Field {...field('email', words.email)} type="email" autocomplete="email" help={words.emailHelp} />
          <Field {...field('name', words.name)} autocomplete="name" />
        </fieldset>
      );
    case 'address':
      if (!cart.needsDelivery) return null;
      return (
        <fieldset class="box" data-slot={box}>
          <legend data-word="address">{words.address}</legend>
          <Field {...field('line1', words.line1)} autocomplete="address-line1" />
          {settings.secondLine && (
            <Field {...field('line2', words.line2)} autocomplete="address-line2" optional={words.optional} />
          )}
          <div class="two">
            <Field {...field('postcode', words.postcode)} autocomplete="postal-code" />
            <Field {...field('city', words.city)} autocomplete="address-level2" />
          </div>
          <label class="field">
            <span data-word="country">{words.country}</span>
            <select
              name="country"
              data-slot="field"
              autocomplete="country"
              aria-invalid={problems['country'] && !state.mended.includes('country') ? true : undefined}
            >
              {countryNames(cart.countries, shown.language).map(([code, country]) => (
                <option key={code} value={code} selected={code === form.country}>
                  {country}
                </option>
              ))}
            </select>
            {problems['country'] && (
              <span class="problem" data-mended={state.mended.includes('country') || undefined}>
                {problems['country']}
              </span>
            )}
          </label>
          {!shown.controller && (
            <button class="second" data-slot="second" name="intent" value="quote" data-word="countryGo">
              {words.countryGo}
            </button>
          )}
        </fieldset>
      );
    case 'delivery':
      if (!cart.needsDelivery) return null;
      return (
        <fieldset class="box" data-slot={box}>
          <legend data-word="deliveryHeading">{words.deliveryHeading}</legend>
          {state.ways.map((way) => (
            <label key={way.key} class="way">
              <input type="radio" name="delivery" value={way.key} checked={way.key === state.chosen} />
              <span>
                {way.name} <small>{way.days}</small>
              </span>
              <strong class="sum">{way.amountMinor === 0 ? words.deliveryFree : money(way.amountMinor)}</strong>
            </label>
          ))}
          {state.ways.length === 0 && <p class="problem">{words.estimateNone}</p>}
          {problems['delivery'] && state.ways.length > 0 && (
            <p class="problem" data-mended={state.mended.includes('delivery') || undefined}>
              {problems['delivery']}
            </p>
          )}
        </fieldset>
      );
    case 'payment':
      return (
        <fieldset class="box" data-slot={box}>
          <legend data-word="payment">{words.payment}</legend>
          <Field
            name="cardNumber"
            label={words.card}
            value=""
            autocomplete="cc-number"
            inputmode="numeric"
            problem={problems['cardNumber']}
            isMended={state.mended.includes('cardNumber')}
            help={words.cardHelp}
          />
        </fieldset>
      );
    case 'lines':
      return (
        <>
          <h2 data-word="summary">{words.summary}</h2>
          <Lines shown={shown} words={words} settings={settings} />
        </>
      );
    case 'coupon':
      return <Coupon shown={shown} words={words} folded={settings.couponFolded} />;
    case 'note':
      return <Note shown={shown} words={words} />;
    case 'totals':
      return <Totals shown={shown} words={words} settings={settings} />;
    case 'button':
      return (
        <button
          form="checkout"
          class="main-button"
          data-slot="order"
          data-word="order"
          data-pl-main
          name="intent"
          value="order"
          aria-disabled={isPaying}
        >
          {isPaying ? words.ordering : words.order}
        </button>
      );
  }
}
