/** @jsxImportSource preact */
import type { VNode } from 'preact';
import type { CardExtras, ProductCard } from '~/core/catalogue';
import type { SayShop } from '~/core/words';
import { fill } from '~/core/words/fill';
import type { CardsPart, CardsPiece } from './shared';

/** Whose shop it is and how it speaks, as far as a card needs it. */
export interface CardReader {
  readonly say: SayShop;
  readonly money: (amountMinor: number) => string;
  readonly link: (path: string) => string;
  readonly language: string;
  readonly priceNote: string | null;
}

interface Props {
  readonly card: ProductCard;
  readonly extras: CardExtras | undefined;
  readonly piece: CardsPiece;
  readonly reader: CardReader;
  /** What is told beside the price of an offer that it does not show. */
  readonly offer: string | null;
  /** The level of its heading on the page. */
  readonly level: 2 | 3;
  readonly eager: boolean;
}

const PICTURE_HEIGHT = { square: 600, tall: 800, wide: 400 } as const;
const ATTRIBUTES_SHOWN = 3;

/** Stars with the number of ratings; of a single review only the stars. */
export function Stars({ stars, count, say }: { stars: number; count: number | null; say: SayShop }): VNode {
  return (
    <p class="stars">
      <span class="stars-row" style={`--part:${(stars / 5) * 100}%`} role="img" aria-label={say('stars', { stars })}>
        ★★★★★
      </span>
      {count !== null && <span>{say('ratings', { count })}</span>}
    </p>
  );
}

/** A product as a listing shows it: its parts in the owner's order, what is said of it gathered between picture and button. */
export function Card(props: Props): VNode {
  const { card, piece } = props;
  const groups: { key: string; parts: CardsPart[] }[] = [];
  for (const { key } of piece.parts) {
    const own = key === 'picture' ? 'picture' : key === 'buy' || key === 'quantity' ? 'actions' : 'text';
    const last = groups.at(-1);
    if (last?.key === own && own !== 'picture') last.parts.push(key);
    else groups.push({ key: own, parts: [key] });
  }
  return (
    <article class="card" data-slot="card" data-pl-product={card.slug}>
      {groups.map(({ key, parts }, i) =>
        key === 'picture' ? (
          <Picture key={i} {...props} />
        ) : key === 'text' ? (
          <div key={i} class="card-text">
            {parts.map((part) => (
              <Said key={part} part={part} {...props} />
            ))}
          </div>
        ) : (
          <Actions key={i} parts={parts} {...props} />
        ),
      )}
    </article>
  );
}

function Picture({ card, piece, reader, eager }: Props): VNode {
  const { say, money } = reader;
  const { pictureLinks, pictureShape, pictureEnlarges, saving } = piece.settings;
  const percent = card.wasMinor ? Math.round((1 - card.fromMinor / card.wasMinor) * 100) : 0;
  const saved = saving === 'amount' ? money(card.fromMinor - (card.wasMinor ?? card.fromMinor)) : `−${percent} %`;
  const enlarges = pictureEnlarges && card.picture !== null;
  const leads = pictureLinks && !enlarges;
  const Box = (leads || enlarges ? 'a' : 'div') as 'a';
  const link = enlarges
    ? { href: card.picture!.src, 'data-pl-enlarge': true }
    : leads
      ? { href: reader.link(`/shop/p/${card.slug}`), tabIndex: -1, 'aria-hidden': true }
      : {};
  return (
    <Box class="card-picture" data-pl="picture" data-part="picture" {...link}>
      {card.picture ? (
        <img
          src={card.picture.src}
          alt={leads ? '' : card.picture.alt}
          width="600"
          height={PICTURE_HEIGHT[pictureShape]}
          loading={eager ? 'eager' : 'lazy'}
        />
      ) : (
        <span class="no-picture">{say('noPicture')}</span>
      )}
      {percent > 0 && saving !== 'none' && <span class="flag">{saved}</span>}
      {!card.inStock && <span class="flag out">{say('soldOut')}</span>}
    </Box>
  );
}

function Said({ part, card, extras, piece, reader, offer, level }: Props & { part: CardsPart }): VNode | null {
  const { say, money, link, language } = reader;
  const { words, settings } = piece;
  const Heading = `h${level}` as const;
  switch (part) {
    case 'name':
      return (
        <Heading data-part="name" data-slot="name">
          {settings.nameLinks ? (
            <a href={link(`/shop/p/${card.slug}`)} data-pl="name">
              {card.name}
            </a>
          ) : (
            <span data-pl="name">{card.name}</span>
          )}
        </Heading>
      );
    case 'rating':
      return (
        card.rating && (
          <div data-part="rating">
            <Stars stars={card.rating.stars} count={card.rating.count} say={say} />
          </div>
        )
      );
    case 'price':
      return (
        <>
          <p class="price" data-pl="price" data-part="price" data-slot="price">
            {card.toMinor > card.fromMinor && <span class="from">{say('from')} </span>}
            {money(card.fromMinor)}
            {card.wasMinor && <s>{money(card.wasMinor)}</s>}
            {reader.priceNote && <small> {reader.priceNote}</small>}
          </p>
          {offer && <p class="card-note told">{offer}</p>}
        </>
      );
    case 'shortText':
      return card.shortText ? (
        <p class="card-short" data-part="shortText">
          {card.shortText}
        </p>
      ) : null;
    case 'stock':
      return extras && extras.stock !== null && extras.stock > 0 ? (
        <p class="card-note" data-part="stock" data-word="stock">
          {fill(words.stock, { count: extras.stock }, language)}
        </p>
      ) : null;
    case 'delivery':
      return extras && extras.itemDeliveryMinor > 0 ? (
        <p class="card-note" data-part="delivery" data-word="delivery">
          {fill(words.delivery, { amount: money(extras.itemDeliveryMinor) }, language)}
        </p>
      ) : null;
    case 'attributes':
      return extras && extras.attributes.length > 0 ? (
        <dl class="card-facts" data-part="attributes">
          {extras.attributes.slice(0, ATTRIBUTES_SHOWN).map(({ key, value }) => (
            <div key={key}>
              <dt>{key}</dt>
              <dd>{value}</dd>
            </div>
          ))}
        </dl>
      ) : null;
    default:
      return null;
  }
}

function Actions({ parts, card, piece, reader }: Props & { parts: readonly CardsPart[] }): VNode {
  const { say, link } = reader;
  const { words, settings } = piece;
  const isNow = settings.buys === 'now';
  const canAdd = card.onlyVariantId !== null && card.inStock && parts.includes('buy');
  return (
    <div class="card-actions" data-pl="actions">
      {canAdd ? (
        <form method="post" action="/shop/cart" {...(!isNow && { 'data-pl-add': say('added') })}>
          <input type="hidden" name="kind" value="add" />
          <input type="hidden" name="variantId" value={card.onlyVariantId!} />
          {isNow && <input type="hidden" name="return" value="/shop/checkout" />}
          {parts.includes('quantity') && (
            <input
              class="card-quantity"
              data-part="quantity"
              type="number"
              name="quantity"
              min="1"
              max="999"
              value="1"
              aria-label={`${words.quantity}: ${card.name}`}
            />
          )}
          <button
            class="button quiet"
            data-pl="add"
            data-part="buy"
            data-slot="buy"
            data-word={isNow ? 'now' : undefined}
          >
            {isNow ? words.now : say('add')}
          </button>
        </form>
      ) : (
        parts.includes('buy') && (
          <a class="button quiet" href={link(`/shop/p/${card.slug}`)} data-pl="add" data-part="buy" data-slot="buy">
            {card.inStock ? say('choose') : say('details')}
          </a>
        )
      )}
    </div>
  );
}
