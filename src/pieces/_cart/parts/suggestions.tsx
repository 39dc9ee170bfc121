/** @jsxImportSource preact */
import type { AnswerOf } from '~/contract';
import type { VNode } from 'preact';
import { useEffect, useRef, useState } from 'preact/hooks';
import type { ProductCard } from '~/core/catalogue';
import type { CartWord } from '../words';
import { say } from '~/runtime/kit/say';
import type { PieceHost } from '~/runtime/piece-host';

interface Props {
  readonly host: PieceHost | null;
  readonly money: (amountMinor: number) => string;
  /** Slugs of what the suggestions are to be close to. */
  readonly near: readonly string[];
  readonly most: number;
  readonly words: Readonly<Record<Extract<CartWord, 'suggestions' | 'suggestionAdd' | 'suggestionSee'>, string>>;
  readonly onAdded?: () => void;
  /** What the server drew for these already. */
  readonly first?: readonly Suggested[];
}

/** `why` only for the shop’s own people. */
export type Suggested = ProductCard & { readonly why?: string };

/** Things close to those given; fetched when shown, and nothing at all where there are none. */
export function View({ host, money, near, most, words, onAdded, first }: Props): VNode | null {
  const [cards, setCards] = useState<readonly Suggested[]>(first ?? []);
  const key = [...near].sort().join(' ');
  const drawn = useRef(first ? key : null);
  useEffect(() => {
    if (drawn.current === key || !host) return;
    drawn.current = null;
    if (!key) return setCards([]);
    let isStale = false;
    void host.page
      .ask(`/api/suggestions?near=${encodeURIComponent(key)}&most=4`)
      .then((response) => (response.ok ? (response.json() as Promise<AnswerOf<'GET /api/suggestions'>>) : []))
      .then(
        (found) => !isStale && setCards(found),
        () => undefined,
      );
    return () => {
      isStale = true;
    };
  }, [key, host === null]);
  if (cards.length === 0) return null;
  async function add(card: Suggested): Promise<void> {
    if (!host || host.isPreview) return;
    const answer = await host.cart.change({ kind: 'add', variantId: card.onlyVariantId! });
    if (!answer.ok) return say(answer.message, true, host.themeCss);
    host.recorder.record('add', { product: card.slug });
    onAdded?.();
  }
  return (
    <section class="near">
      <h2 data-word="suggestions">{words.suggestions}</h2>
      <ul>
        {cards.slice(0, most).map((card) => (
          <li key={card.slug}>
            {card.picture ? (
              <img src={card.picture.src} alt="" width="64" height="64" loading="lazy" />
            ) : (
              <span class="none" />
            )}
            <a href={`/shop/p/${card.slug}`}>{card.name}</a>
            {card.why && (
              <details lang="en">
                <summary>Why this?</summary>
                {card.why}
              </details>
            )}
            <span>
              <strong class="sum">{money(card.fromMinor)}</strong> <small>{card.priceNote}</small>
            </span>
            {card.onlyVariantId === null || !host ? (
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
    </section>
  );
}
