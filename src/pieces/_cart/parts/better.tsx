/** @jsxImportSource preact */
import type { VNode } from 'preact';
import type { LineView } from '~/core/cart';
import type { CartWord } from '../words';
import { fill } from '~/core/words/fill';
import type { CartShown } from '../cart-controller';

interface Props {
  readonly line: LineView;
  readonly shown: CartShown;
  readonly words: Readonly<Record<Extract<CartWord, 'better' | 'betterTake' | 'betterSame'>, string>>;
}

/** A better one for a line: what it changes and costs, and a press that puts it in its place; without script its page. */
export function Better({ line, shown, words }: Props): VNode | null {
  if (!line.better) return null;
  const { controller, money, language } = shown;
  const { slug, name, choices, changes, moreMinor, variantId, answers } = line.better;
  return (
    <div class="better">
      <p>
        <a href={`/shop/p/${slug}`} data-word="better">
          {fill(words.better, { name: [name, choices].filter(Boolean).join(', ') }, language)}
        </a>
        <small>{changes.join(' · ')}</small>
      </p>
      {controller && (
        <button
          type="button"
          class="act"
          data-word="betterTake"
          onClick={() => void controller.change({ kind: 'reshape', lineId: line.id, variantId, answers })}
        >
          {moreMinor > 0 ? fill(words.betterTake, { amount: money(moreMinor) }, language) : words.betterSame}
        </button>
      )}
    </div>
  );
}
