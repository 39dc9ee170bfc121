/** @jsxImportSource preact */
import type { VNode } from 'preact';
import { useState } from 'preact/hooks';
import { isSoldOut } from '~/core/catalogue/choose';
import type { PartProps } from './part-props';

type Said = { readonly text: string; readonly bad: boolean };

export function Buy({ product, variant, piece, host }: PartProps): VNode {
  const { words, settings } = piece;
  const [quantity, setQuantity] = useState(1);
  const [said, say] = useState<Said | null>(null);
  const [busy, setBusy] = useState(false);
  const soldOut = variant ? isSoldOut(variant) : product.variants.every(isSoldOut);
  const word = soldOut ? 'soldOut' : variant ? 'add' : 'choose';

  async function add(): Promise<void> {
    if (!variant || soldOut || busy) return;
    if (host.isPreview) return say({ text: words.added, bad: false });
    setBusy(true);
    const answer = await host.cart.change({ kind: 'add', variantId: variant.id, quantity });
    setBusy(false);
    if (!answer.ok) return say({ text: answer.message, bad: true });
    host.recorder.record('add', { product: product.slug, piece: piece.id });
    if (settings.afterAdd === 'close') host.surfaces.close();
    else say({ text: words.added, bad: false });
  }

  return (
    <div class="buy">
      {settings.quantity && (
        <input
          type="number"
          min="1"
          max="99"
          inputMode="numeric"
          aria-label={words.quantity}
          value={quantity}
          onInput={(event) =>
            setQuantity(Math.max(1, Math.min(99, Math.floor(Number(event.currentTarget.value)) || 1)))
          }
        />
      )}
      <button
        type="button"
        class="add"
        data-slot="add"
        data-word={word}
        disabled={soldOut || !variant}
        aria-disabled={busy}
        onClick={() => void add()}
      >
        {words[word]}
      </button>
      <p class={`said${said?.bad ? ' bad' : ''}`} role="status" hidden={!said}>
        {said?.text}
      </p>
    </div>
  );
}
