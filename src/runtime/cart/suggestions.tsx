/** @jsxImportSource preact */
import type { VNode } from 'preact';
import { useEffect, useState } from 'preact/hooks';
import type { ProductCard } from '~/core/catalogue';
import type { CartWord } from '~/pieces/cart-surface/definition';
import type { PieceHost } from '../piece-host';

interface Props {
  readonly host: PieceHost | null;
  readonly money: (amountMinor: number) => string;
  /** Slugs of what the suggestions are to be close to. */
  readonly near: readonly string[];
  readonly most: number;
  readonly words: Readonly<Record<Extract<CartWord, 'suggestions' | 'suggestionAdd' | 'suggestionSee'>, string>>;
  readonly onAdded?: () => void;
}

/** Things close to those given; fetched when shown, and nothing at all where there are none. */
export function Suggestions({ host, money, near, most, words, onAdded }: Props): VNode | null {
  const [cards, setCards] = useState<readonly ProductCard[]>([]);
  const [refusal, setRefusal] = useState('');
  const key = [...near].sort().join(' ');
  useEffect(() => {
    if (!host || !key) return setCards([]);
    let isStale = false;
    void fetch(`${host.origin}/api/suggestions?near=${encodeURIComponent(key)}&most=4`)
      .then((response) => (response.ok ? (response.json() as Promise<ProductCard[]>) : []))
      .then(
        (found) => !isStale && setCards(found),
        () => undefined,
      );
    return () => {
      isStale = true;
    };
  }, [key]);
  if (cards.length === 0) return null;
  async function add(card: ProductCard): Promise<void> {
    if (!host || host.isPreview) return;
    const answer = await host.cart.change({ kind: 'add', variantId: card.onlyVariantId! });
    setRefusal(answer.ok ? '' : answer.message);
    if (!answer.ok) return;
    host.recorder.record('add', { product: card.slug });
    onAdded?.();
  }
  return (
    <section class="near">
      <h3 data-word="suggestions">{words.suggestions}</h3>
      <ul>
        {cards.slice(0, most).map((card) => (
          <li key={card.slug}>
            {card.picture ? (
              <img src={card.picture.src} alt="" width="64" height="64" loading="lazy" />
            ) : (
              <span class="none" />
            )}
            <a href={`/shop/p/${card.slug}`}>{card.name}</a>
            <strong class="sum">{money(card.fromMinor)}</strong>
            {card.onlyVariantId === null ? (
              <a class="second" href={`/shop/p/${card.slug}`} aria-label={`${words.suggestionSee}: ${card.name}`}>
                {words.suggestionSee}
              </a>
            ) : (
              <button
                type="button"
                class="second"
                aria-label={`${words.suggestionAdd}: ${card.name}`}
                onClick={() => void add(card)}
              >
                {words.suggestionAdd}
              </button>
            )}
          </li>
        ))}
      </ul>
      {refusal && (
        <p class="problem" role="alert">
          {refusal}
        </p>
      )}
    </section>
  );
}
