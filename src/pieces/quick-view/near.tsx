/** @jsxImportSource preact */
import { render } from 'preact';
import { formatMoney } from '~/core/money/currency';
import { cartCss } from '~/pieces/_cart/css';
import { View } from '~/pieces/_cart/parts/suggestions';
import { createShadow } from '~/runtime/kit/shadow';
import type { PartProps } from './part-props';

/** Suggestions as the cart draws them, in a root of their own: their style is the cart's, and fetched with them. */
export function showNear(place: HTMLElement, { product, piece, host }: PartProps): () => void {
  const shadow = createShadow('', piece.id, place);
  shadow.style(host.themeCss, `:host{display:block;font:inherit;color:inherit}${cartCss}`, piece.css);
  render(
    <View
      host={host}
      money={(amount) => formatMoney(amount, host.currency, host.locale)}
      near={[product.slug]}
      most={piece.settings.suggestionCount}
      words={piece.words}
    />,
    shadow.root,
  );
  return () => render(null, shadow.root);
}
