/** @jsxImportSource preact */
import type { VNode } from 'preact';
import { useState } from 'preact/hooks';
import { MOST_PER_LINE } from '~/core/limits';
import { isSoldOut } from '~/core/catalogue/choose';
import { fill } from '~/core/words/fill';
import type { PartProps } from './part-props';

type Said = { readonly text: string; readonly bad: boolean; readonly leadsOn?: boolean };

export function Buy({
  product,
  variant,
  choices,
  piece,
  host,
  answered,
  options,
  quantity,
  setQuantity,
}: PartProps): VNode {
  const { words, settings } = piece;
  const [said, say] = useState<Said | null>(null);
  const [busy, setBusy] = useState(false);
  const soldOut = variant ? isSoldOut(variant) : product.variants.every(isSoldOut);
  const word = soldOut ? 'soldOut' : variant ? 'add' : 'choose';
  const missing = product.axes.find((axis) => !choices[axis]) ?? '';

  async function add(): Promise<void> {
    if (!variant || soldOut || busy) return;
    if (host.isPreview) return say({ text: words.added, bad: false });
    if (options.current?.complain()) return;
    setBusy(true);
    const answers = answered?.answers ?? {};
    const answer = await host.cart.change({ kind: 'add', variantId: variant.id, quantity, answers });
    setBusy(false);
    if (!answer.ok) {
      const own = answer.problems.filter(({ path }) => path.startsWith('option:'));
      if (own.length === 0 || !options.current?.complain(own)) say({ text: answer.message, bad: true });
      return;
    }
    host.recorder.record('add', { product: product.slug, piece: piece.id });
    if (settings.afterAdd !== 'close') return say({ text: words.added, bad: false, leadsOn: true });
    const { opener = null } = host.surfaces.current ?? {};
    host.surfaces.close();
    host.afterAdd({ product: product.slug, lineId: answer.lineId, opener });
  }

  function toCart(event: MouseEvent): void {
    const { opener = null } = host.surfaces.current ?? {};
    if (host.isPreview) return event.preventDefault();
    if (host.openRole('cart', { opener })) event.preventDefault();
  }

  return (
    <div class="buy">
      {settings.quantity && (
        <input
          type="number"
          min="1"
          max={MOST_PER_LINE}
          inputMode="numeric"
          aria-label={words.quantity}
          value={quantity}
          onInput={(event) =>
            setQuantity(Math.max(1, Math.min(MOST_PER_LINE, Math.floor(Number(event.currentTarget.value)) || 1)))
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
        {fill(words[word], { axis: missing })}
      </button>
      {/* Over what stands above: the button that was pressed stays where it is. */}
      <div class="answer" data-shown={said !== null}>
        <p class={`said${said?.bad ? ' bad' : ''}`} role="status">
          {said?.text}
        </p>
        {said?.leadsOn && (
          <p class="on">
            <a href="/shop/cart" data-word="viewCart" onClick={toCart}>
              {words.viewCart}
            </a>
            <a href="/shop/checkout" data-word="checkout">
              {words.checkout}
            </a>
          </p>
        )}
      </div>
    </div>
  );
}
