/** @jsxImportSource preact */
import type { VNode } from 'preact';
import { useEffect, useRef, useState } from 'preact/hooks';
import { isSoldOut, valuesOf } from '~/core/catalogue/choose';
import { formatMoney } from '~/core/money/currency';
import { effectSums } from '~/core/options/effects';
import { fill } from '~/core/words/fill';
import { quoteChoice } from '~/runtime/quote';
import { Buy } from './buy';
import type { QuickViewPart } from './definition';
import type { PartProps } from './part-props';

type Parts = Readonly<Partial<Record<QuickViewPart, (props: PartProps) => VNode | null>>>;

const PARTS: Parts = {
  name: ({ product }) => <h2 data-slot="name">{product.name}</h2>,
  rating: ({ product, piece, host }) =>
    product.rating && (
      <p class="stars">
        <span
          style={{ '--part': `${product.rating.stars * 20}%` }}
          role="img"
          aria-label={`${product.rating.stars} / 5`}
        >
          ★★★★★
        </span>
        {fill(piece.words.buyers, { count: product.rating.count }, host.language)}
      </p>
    ),
  price: Price,
  shortText: ShortText,
  attributes: ({ product }) =>
    product.attributes.length > 0 ? (
      <dl>
        {product.attributes.map((attribute) => (
          <div key={attribute.key}>
            <dt>{attribute.key}</dt>
            <dd>{attribute.value}</dd>
          </div>
        ))}
      </dl>
    ) : null,
  choices: ChoiceRows,
  options: Options,
  buy: Buy,
  // Delivery is promised only for goods in stock: not for sold-out, made-to-order or download products.
  delivery: ({ piece, product }) =>
    product.fulfilment === 'parcel' && product.leadDays === null && !product.variants.every(isSoldOut) ? (
      <p class="note" data-word="delivery">
        {piece.words.delivery}
      </p>
    ) : null,
  compare: Compare,
  link: ({ product, piece }) => (
    <a class="link" data-slot="quiet" href={`/shop/p/${product.slug}`} data-word="link">
      {piece.words.link}
    </a>
  ),
};

/** One part in its place, or nothing where the product has nothing to show there. */
export function Part({ name, ...props }: PartProps & { name: QuickViewPart }): VNode | null {
  const [, again] = useState({});
  const Content = PARTS[name] ?? more[name];
  // Parts that few shops show, fetched where one is.
  if (!Content)
    void import('./more-parts').then(({ MORE_PARTS }) => {
      more = MORE_PARTS;
      again({});
    });
  return <div data-part={name}>{Content && <Content {...props} />}</div>;
}

let more: Parts = {};

/** Fetched only for products that have options. */
function Options({ product, host, onAnswer, options }: PartProps): VNode | null {
  const place = useRef<HTMLDivElement>(null);
  useEffect(() => {
    if (!place.current) return undefined;
    const container = place.current;
    let isGone = false;
    void import('~/pieces/_options/mount').then(({ mountOptions }) => {
      if (isGone) return;
      options.current = mountOptions({
        container,
        slug: product.slug,
        options: product.options,
        answers: {},
        uploads: {},
        host,
        remembers: true,
        onChange: onAnswer,
      });
      onAnswer(options.current.state);
    });
    return () => {
      isGone = true;
      options.current?.destroy();
      options.current = null;
    };
  }, []);
  useEffect(() => options.current?.update(host));
  return product.options.length > 0 ? <div ref={place} /> : null;
}

/** Room for the comparison's tick; it puts one in wherever it is told of a place. */
function Compare({ product: { slug } }: PartProps): VNode {
  const room = useRef<HTMLDivElement>(null);
  useEffect(() => {
    document.dispatchEvent(new CustomEvent('pl-compare', { detail: { slug, place: room.current } }));
  }, []);
  return <div ref={room} />;
}

function Price({ product, variant, piece, host, answered, quantity }: PartProps): VNode {
  const money = (amount: number) => formatMoney(amount, host.currency, host.locale);
  const lowest = Math.min(...product.variants.map((candidate) => candidate.priceMinor));
  const [, again] = useState({});
  const shown = variant ?? { id: 0, priceMinor: lowest, wasMinor: null };
  const extra = effectSums(answered?.evaluation.effects ?? []);
  const isOffered = variant !== null && product.isOffered;
  const asked = { ...shown, isOffered, quantity, extra };
  const price = quoteChoice(host.page, asked, () => again({}));
  const was = price.wasTotalMinor;
  return (
    <>
      <p class="price" data-slot="price" aria-live="polite">
        {!variant && <span class="from">{piece.words.from} </span>}
        <span class="sum-now">{money(price.totalMinor)}</span>
        {was && <s>{money(was)}</s>} <small>{product.priceNote}</small>
        {was && variant?.lowMinor && (
          <small data-word="lowest">
            {fill(piece.words.lowest, { amount: money(variant.lowMinor) }, host.language)}
          </small>
        )}
        {was && <span class="save">−{Math.round((1 - price.totalMinor / was) * 100)} %</span>}
        {price.hasParts && (
          <small>
            {quantity} × {money(price.eachMinor)}
            {price.onceMinor !== 0 && ` + ${money(price.onceMinor)}`}
          </small>
        )}
      </p>
      {product.told?.map((line) => (
        <p key={line} class="note told">
          {line}
        </p>
      ))}
    </>
  );
}

const LINES = { two: 2, four: 4, all: 0 } as const;
/** Characters a line of the panel holds at most; fewer than the lines allow need no “more”. */
const LINE_LENGTH = 34;

function ShortText({ product, piece }: PartProps): VNode | null {
  const [open, setOpen] = useState(false);
  const text = product.shortText || (piece.settings.withoutShortText === 'full' ? product.fullText : '');
  if (!text) return null;
  const lines = LINES[piece.settings.shortTextLines];
  const isLong = lines > 0 && text.length > lines * LINE_LENGTH;
  return (
    <>
      <p data-slot="shortText" class={isLong && !open ? 'clamp' : ''} style={{ '--lines': lines }}>
        {text}
      </p>
      {isLong && !open && (
        <button class="more" onClick={() => setOpen(true)}>
          {piece.words.more}
        </button>
      )}
    </>
  );
}

function ChoiceRows({ product, choices, choose }: PartProps): VNode | null {
  if (product.axes.length === 0) return null;
  return (
    <>
      {product.axes.map((axis) => {
        const values = valuesOf(product, axis, { ...choices, [axis]: '' });
        const pictures = values.map(
          ({ value }) => product.variants.find((variant) => variant.choices[axis] === value)?.picture?.src,
        );
        const isDrawn = pictures.every(Boolean) && new Set(pictures).size === values.length && values.length > 1;
        return (
          <fieldset key={axis}>
            <legend>
              {axis} <span>{choices[axis]}</span>
            </legend>
            <div class="values">
              {values.map(({ value, availability }, i) => (
                <label
                  key={value}
                  class={`value${isDrawn ? ' drawn' : ''}${availability === 'available' ? '' : ' gone'}`}
                >
                  <input
                    type="radio"
                    name={axis}
                    value={value}
                    checked={choices[axis] === value}
                    aria-label={value}
                    onChange={() => choose({ ...choices, [axis]: value })}
                  />
                  <span title={value}>{isDrawn ? <img src={pictures[i]} alt="" width="44" height="44" /> : value}</span>
                </label>
              ))}
            </div>
          </fieldset>
        );
      })}
    </>
  );
}
