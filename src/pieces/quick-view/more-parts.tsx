/** @jsxImportSource preact */
import type { VNode } from 'preact';
import { useEffect, useRef } from 'preact/hooks';
import type { PartProps } from './part-props';

/** Parts that few shops show. */
export const MORE_PARTS: Readonly<
  Record<'fullText' | 'facts' | 'video' | 'quotes' | 'suggestions', (props: PartProps) => VNode | null>
> = {
  fullText: ({ product }) =>
    product.fullText ? (
      <div>
        {product.fullText.split(/\n\n+/).map((text) => (
          <p key={text}>{text}</p>
        ))}
      </div>
    ) : null,
  facts: ({ product, variant }) => (
    <p class="facts">
      {[variant?.sku, product.categories.map((category) => category.name).join(', '), product.tags.join(', ')]
        .filter(Boolean)
        .join(' · ')}
    </p>
  ),
  video: ({ product }) => (product.videoSrc ? <video src={product.videoSrc} controls preload="none" /> : null),
  quotes: ({ product, piece }) =>
    product.reviews.length > 0 ? (
      <div>
        {product.reviews.slice(0, piece.settings.quoteCount).map((review) => (
          <blockquote key={review.text + review.day}>
            <p>{review.text}</p>
            <footer>
              {'★'.repeat(review.stars)} {review.author}
            </footer>
          </blockquote>
        ))}
      </div>
    ) : null,
  suggestions: Near,
};

function Near(props: PartProps): VNode {
  const place = useRef<HTMLDivElement>(null);
  const { product, piece, host } = props;
  useEffect(() => {
    let [isGone, remove] = [false, () => {}];
    void import('./near').then(({ showNear }) => {
      if (!isGone) remove = showNear(place.current!, props);
    });
    return () => {
      isGone = true;
      remove();
    };
  }, [product, piece, host]);
  return <div ref={place} />;
}
