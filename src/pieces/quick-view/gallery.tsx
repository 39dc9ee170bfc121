/** @jsxImportSource preact */
import type { VNode } from 'preact';
import { useEffect, useState } from 'preact/hooks';
import type { Product } from '~/core/catalogue';
import type { QuickViewPiece } from './definition';

/** The pictures of a product; the one of what is chosen comes to the front. */
export function Gallery({
  product,
  chosen,
  piece,
}: {
  product: Product;
  chosen: string | null;
  piece: QuickViewPiece;
}): VNode {
  const { gallery, zoom } = piece.settings;
  const [shown, show] = useState(chosen ?? product.pictures[0]?.src ?? null);
  const [origin, zoomAt] = useState<string | null>(null);
  useEffect(() => {
    if (chosen) show(chosen);
  }, [chosen]);
  if (!shown) {
    return (
      <div class="gallery">
        <div class="none" aria-hidden="true">
          —
        </div>
      </div>
    );
  }
  const at = (event: MouseEvent) => {
    const box = (event.currentTarget as Element).getBoundingClientRect();
    return `${((event.clientX - box.left) / box.width) * 100}% ${((event.clientY - box.top) / box.height) * 100}%`;
  };
  const picture = (
    <img
      src={shown}
      alt={product.name}
      width="600"
      height="600"
      style={origin ? { transformOrigin: origin } : undefined}
    />
  );
  return (
    <div class="gallery">
      {zoom ? (
        <button
          class={`frame zooms${origin ? ' zoomed' : ''}`}
          aria-pressed={origin !== null}
          onClick={(event) => zoomAt(origin ? null : at(event))}
          onMouseMove={(event) => origin && zoomAt(at(event))}
        >
          {picture}
        </button>
      ) : (
        <div class="frame">{picture}</div>
      )}
      {gallery !== 'none' && product.pictures.length > 1 && (
        <div class={gallery === 'dots' ? 'dots' : 'thumbs'}>
          {product.pictures.map((item, i) => (
            <button
              key={item.src}
              aria-label={`${product.name} ${i + 1}`}
              aria-current={item.src === shown || undefined}
              onClick={() => show(item.src)}
            >
              {gallery === 'thumbnails' && <img src={item.src} alt="" width="52" height="52" loading="lazy" />}
            </button>
          ))}
        </div>
      )}
    </div>
  );
}
