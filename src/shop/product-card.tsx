/** @jsxImportSource preact */
import { LRUCache } from 'lru-cache';
import type { VNode } from 'preact';
import { renderToString } from 'preact-render-to-string';
import type { ProductCard as Card } from '~/core/catalogue';
import type { ShopContext } from './shop-context';

interface Props {
  readonly card: Card;
  readonly shop: ShopContext;
  /** The level of its heading on the page. */
  readonly level: 2 | 3;
  readonly eager: boolean;
}

type Say = ShopContext['say'];

/** Stars with the number of ratings; of a single review only the stars. */
export function Stars({ stars, count, say }: { stars: number; count: number | null; say: Say }): VNode {
  return (
    <p class="stars">
      <span class="stars-row" style={`--part:${(stars / 5) * 100}%`} role="img" aria-label={say('stars', { stars })}>
        ★★★★★
      </span>
      {count !== null && <span>{say('ratings', { count })}</span>}
    </p>
  );
}

function ProductCard({ card, shop, level, eager }: Props): VNode {
  const { say, money, link } = shop;
  const href = link(`/shop/p/${card.slug}`);
  const saved = card.wasMinor ? Math.round((1 - card.fromMinor / card.wasMinor) * 100) : 0;
  const Heading = `h${level}` as const;
  return (
    <article class="card" data-pl-product={card.slug}>
      <a class="card-picture" href={href} data-pl="picture" tabIndex={-1} aria-hidden="true">
        {card.picture ? (
          <img src={card.picture.src} alt="" width="600" height="600" loading={eager ? 'eager' : 'lazy'} />
        ) : (
          <span class="no-picture">{say('noPicture')}</span>
        )}
        {saved > 0 && <span class="flag">−{saved} %</span>}
        {!card.inStock && <span class="flag out">{say('soldOut')}</span>}
      </a>
      <div class="card-text">
        <Heading>
          <a href={href} data-pl="name">
            {card.name}
          </a>
        </Heading>
        {card.rating && <Stars stars={card.rating.stars} count={card.rating.count} say={say} />}
        <p class="price" data-pl="price">
          {card.toMinor > card.fromMinor && <span class="from">{say('from')} </span>}
          {money(card.fromMinor)}
          {card.wasMinor && <s>{money(card.wasMinor)}</s>}
        </p>
      </div>
      <div class="card-actions" data-pl="actions">
        {card.onlyVariantId !== null && card.inStock ? (
          <form method="post" action="/shop/cart" data-pl-add>
            <input type="hidden" name="kind" value="add" />
            <input type="hidden" name="variantId" value={card.onlyVariantId} />
            <button class="button quiet" data-pl="add">
              {say('add')}
            </button>
          </form>
        ) : (
          <a class="button quiet" href={href} data-pl="add">
            {card.inStock ? say('choose') : say('details')}
          </a>
        )}
      </div>
    </article>
  );
}

const MOST_DRAWN = 4000;
const drawn = new LRUCache<string, string>({ max: MOST_DRAWN });

/** Cards as HTML. One that was drawn before of the same facts, for the same readers, is not drawn again. */
export function drawCards(
  cards: readonly Card[],
  shop: ShopContext,
  { level, eager = 0 }: { readonly level: 2 | 3; readonly eager?: number },
): string {
  const readers = `${shop.locale} ${shop.language} ${shop.currency.code} ${shop.revision} ${level}`;
  return cards
    .map((card, i) => {
      const isEager = i < eager;
      const key = `${readers} ${isEager} ${JSON.stringify(card)}`;
      let html = drawn.get(key);
      if (html === undefined) {
        html = renderToString(<ProductCard card={card} shop={shop} level={level} eager={isEager} />);
        drawn.set(key, html);
      }
      return html;
    })
    .join('');
}
