/** @jsxImportSource preact */
import type { VNode } from 'preact';
import { linkAddress, type LinkFacts } from '~/core/links';
import type { BuyLinkPiece } from './definition';

interface Props {
  readonly piece: BuyLinkPiece;
  readonly facts: LinkFacts;
}

/** A buy link as the shop itself draws it: in its texts, in a frame on another site, and in the bench. */
export function BuyLink({ piece, facts }: Props): VNode {
  const { goods, leads, shape, width, align, colours } = piece.settings;
  const href = linkAddress('', { ...goods, leads, link: piece.id });
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
            {facts.name}
          </p>
        );
      case 'price':
        return (
          <p data-part="price" data-slot="price">
            {facts.price}
          </p>
        );
      case 'shortText':
        return facts.shortText ? <p data-part="shortText">{facts.shortText}</p> : null;
      default:
        return (
          <a
            class={shape === 'text' ? '' : 'press'}
            href={href}
            target="_top"
            data-part="button"
            data-slot={shape === 'text' ? undefined : 'button'}
            data-word="button"
          >
            {piece.words.button}
          </a>
        );
    }
  };
  const isBoxed = shape === 'card' || shape === 'page';
  const shown = piece.parts.filter(
    ({ key }) => isBoxed || key === 'button' || (shape === 'button' && key === 'picture'),
  );
  return (
    <div
      class="buy-link"
      data-shape={shape}
      data-align={align}
      data-colours={colours}
      data-slot={isBoxed && colours === 'own' ? 'card' : undefined}
      style={{ '--width': `${width}px` }}
    >
      {shown.map(({ key }) => (
        <Part key={key} part={key} />
      ))}
    </div>
  );
}
