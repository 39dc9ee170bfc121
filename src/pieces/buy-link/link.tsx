/** @jsxImportSource preact */
import type { VNode } from 'preact';
import { asksVariant, costDifferently, firstChosen, linkAddress, type LinkFacts } from '~/core/links';
import type { BuyLinkPiece } from './definition';

interface Props {
  readonly piece: BuyLinkPiece;
  readonly facts: LinkFacts;
}

/** A buy link as the shop itself draws it: in its texts, in a frame on another site, and in the bench. */
export function BuyLink({ piece, facts }: Props): VNode {
  const { goods, leads, shape, width, align, size, colours } = piece.settings;
  const { variants = [] } = facts;
  const href = linkAddress('', { ...goods, leads, link: piece.id });
  const isAsked = asksVariant({ parts: piece.parts.map(({ key }) => key), variants, shape });
  const said = {
    'data-part': 'button',
    'data-slot': shape === 'text' ? undefined : 'button',
    'data-word': 'button',
  };
  const Part = ({ part }: { part: string }): VNode | null => {
    switch (part) {
      case 'picture':
        return facts.picture === null ? null : (
          <img
            data-part="picture"
            src={facts.picture}
            alt={facts.name}
            width={width}
            height={Math.round(width * (facts.pictureRatio ?? 1))}
          />
        );
      case 'name':
        return (
          <p data-part="name" data-slot="name">
            {isAsked ? facts.productName : facts.name}
          </p>
        );
      case 'price':
        return isAsked && costDifferently(variants) ? null : (
          <p data-part="price" data-slot="price">
            {facts.price}
          </p>
        );
      case 'shortText':
        return facts.shortText ? <p data-part="shortText">{facts.shortText}</p> : null;
      case 'variants':
        return isAsked ? (
          <select name="sku" aria-label={piece.words.variants} data-part="variants">
            {variants.map(({ sku, label, isGone }) => (
              <option key={sku} value={sku} selected={sku === firstChosen(variants, goods.sku)} disabled={isGone}>
                {label}
              </option>
            ))}
          </select>
        ) : null;
      case 'share':
        return (
          <a
            href={`mailto:?subject=${encodeURIComponent(facts.name)}&body=${encodeURIComponent(facts.address ?? '')}`}
            target="_top"
            data-part="share"
            data-word="share"
          >
            {piece.words.share}
          </a>
        );
      default:
        return isAsked ? (
          <button class="press" {...said}>
            {piece.words.button}
          </button>
        ) : (
          <a class={shape === 'text' ? '' : 'press'} href={href} target="_top" {...said}>
            {piece.words.button}
          </a>
        );
    }
  };
  const isBoxed = shape === 'card' || shape === 'page';
  const shown = piece.parts.filter(
    ({ key }) => isBoxed || key === 'button' || (shape === 'button' && ['picture', 'variants', 'share'].includes(key)),
  );
  const content = shown.map(({ key }) => <Part key={key} part={key} />);
  const looks = {
    class: 'buy-link',
    'data-size': size,
    'data-shape': shape,
    'data-align': align,
    'data-colours': colours,
    'data-slot': isBoxed && colours === 'own' ? 'card' : undefined,
    style: { '--width': `${width}px` },
  };
  if (!isAsked) return <div {...looks}>{content}</div>;
  const fields = [...new URL(href, 'https://shop.invalid').searchParams].filter(([name]) => name !== 'sku');
  return (
    <form action="/shop/buy" target="_top" {...looks}>
      {fields.map(([name, value]) => (
        <input key={name} type="hidden" name={name} value={value} />
      ))}
      {content}
    </form>
  );
}
