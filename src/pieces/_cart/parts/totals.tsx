/** @jsxImportSource preact */
import type { VNode } from 'preact';
import type { CartView } from '~/core/cart';
import type { PriceStep } from '~/core/pricing';
import { fill } from '~/core/words/fill';
import type { CartWord } from '../words';
import type { CartShown } from '../cart-controller';

type TotalWord = Extract<
  CartWord,
  | 'subtotal'
  | 'discount'
  | 'delivery'
  | 'deliveryFree'
  | 'deliveryLater'
  | 'tax'
  | 'taxWithin'
  | 'total'
  | 'why'
  | 'once'
>;

interface Props {
  readonly shown: CartShown;
  readonly words: Readonly<Record<TotalWord, string>>;
  readonly settings: {
    readonly taxShown: 'within' | 'line' | 'hidden';
    readonly why: boolean;
    /** Whether a line says that delivery is told later. */
    readonly deliveryLater?: boolean;
  };
}

/** The sums, each of which can be unfolded into what it is made of. */
export function Totals({ shown, words, settings }: Props): VNode {
  const { cart, money } = shown;
  // With tax on a line of its own, the sums above must not include it.
  const within = cart.taxIncluded && cart.taxMinor !== 0;
  const isOut = settings.taxShown === 'line' && within;
  const bare = cart.totalMinor - cart.taxMinor;
  const showsTax = isOut || (!cart.taxIncluded && cart.taxMinor !== 0);
  return (
    <>
      <dl class="totals">
        <Row name={words.subtotal} word="subtotal" sum={money(cart.subtotalMinor)} />
        {cart.discounts.map(({ offerId, label, amountMinor }) => (
          <Row
            key={offerId}
            name={label || words.discount}
            word={label ? undefined : 'discount'}
            sum={money(-amountMinor)}
          />
        ))}
        {cart.needsDelivery && (cart.deliveryMinor !== null || settings.deliveryLater !== false) && (
          <Row name={words.delivery} word="delivery" sum={deliveryText(cart, words, money)} />
        )}
        {isOut && <Row name={`${words.total} − ${words.tax}`} sum={money(bare)} />}
        {showsTax && <Row name={words.tax} word="tax" sum={money(cart.taxMinor)} />}
        <Row name={words.total} word="total" sum={money(cart.totalMinor)} isMain />
      </dl>
      {settings.taxShown === 'within' && within && (
        <small class="tax">{fill(words.taxWithin, { amount: money(cart.taxMinor) })}</small>
      )}
      {settings.why && (
        <details class="why">
          <summary data-word="why">{words.why}</summary>
          <ul>
            {cart.lines.map((line) => (
              <li key={line.id}>
                <b>{line.name}</b> {money(line.totalMinor)}
                <ul>
                  {line.steps.map((step, i) => (
                    <Step key={i} step={step} words={words} money={money} />
                  ))}
                </ul>
              </li>
            ))}
            {cart.steps.map((step, i) => (
              <Step key={i} step={step} words={words} money={money} />
            ))}
          </ul>
        </details>
      )}
    </>
  );
}

function Row(props: { name: string; word?: TotalWord | undefined; sum: string; isMain?: boolean }): VNode {
  return (
    <div class={props.isMain ? 'main' : ''}>
      <dt data-word={props.word}>{props.name}</dt>
      <dd aria-live={props.isMain ? 'polite' : undefined}>{props.sum}</dd>
    </div>
  );
}

function deliveryText(cart: CartView, words: Props['words'], money: (amount: number) => string): string {
  // Delivery shown as free above is free here, too.
  if (cart.deliveryMinor === null)
    return cart.freeDelivery?.missingMinor === 0 ? words.deliveryFree : words.deliveryLater;
  return cart.deliveryMinor === 0 ? words.deliveryFree : money(cart.deliveryMinor);
}

/** One reason, in the shop's words and numbers. */
function Step({ step, words, money }: { step: PriceStep } & Pick<Props, 'words'> & Pick<CartShown, 'money'>): VNode {
  const percent = (basisPoints: number) => `${basisPoints / 100} %`;
  const text = (): string => {
    switch (step.code) {
      case 'list-price':
        return `${step.quantity} × ${money(step.unitMinor)}`;
      case 'option':
        return `${step.label} (${step.per === 'once' ? words.once : `× ${money(step.eachMinor)}`})`;
      case 'floor':
        return '≥ 0';
      case 'delivery':
        return words.delivery;
      case 'tax-included':
        return fill(words.taxWithin, { amount: percent(step.basisPoints) });
      case 'tax-on-top':
        return `${words.tax} ${percent(step.basisPoints)}`;
      default:
        return ('coupon' in step && step.coupon) || step.name;
    }
  };
  return (
    <li class="step">
      <span>{text()}</span> <span>{money(step.amountMinor)}</span>
    </li>
  );
}
