import { escapeHtml, unescapeHtml } from '~/core/words/escape-html';
import { own } from '../own';

/** What a text can say of a product, live. */
export const FACTS = {
  name: 'Name',
  price: 'Price',
  was: 'Price before',
  saving: 'Saving',
  rating: 'Rating',
  stock: 'Items left',
  text: 'Short text',
  picture: 'Picture',
  attribute: 'An attribute',
} as const;
export type Fact = keyof typeof FACTS;

/** A fact as a text asks for it. */
export interface AskedFact {
  /** Slug. */
  readonly product: string;
  readonly fact: Fact;
  /** The name of the attribute, where one is asked for. */
  readonly attribute: string;
  readonly before: string;
  readonly after: string;
  /** Shown where there is no such fact. */
  readonly fallback: string;
}

/** A product as facts are taken from it. Amounts in minor units. */
export interface FactSource {
  readonly slug: string;
  readonly name: string;
  readonly shortText: string;
  readonly fromMinor: number;
  readonly toMinor: number;
  readonly wasMinor: number | null;
  readonly stars: number | null;
  /** null: not counted. */
  readonly stock: number | null;
  readonly picture: { readonly src: string; readonly alt: string } | null;
  readonly attributes: readonly { readonly key: string; readonly value: string }[];
}

/** How facts are written for a reader. */
export interface FactReader {
  readonly money: (amountMinor: number) => string;
  /** Behind a price the tax is not in yet. */
  readonly priceNote: string | null;
  /** Before the lowest of several prices. */
  readonly from: string;
  readonly locale: string;
}

export type SaidFact = { readonly text: string } | { readonly picture: { readonly src: string; readonly alt: string } };

/** A fact a text asks for, read from its element's attributes; anything else asks for nothing. */
export function readFact(attributes: Readonly<Record<string, unknown>>, fallback: string): AskedFact | null {
  const text = (name: string) => {
    const value = own(attributes, name);
    return typeof value === 'string' ? value.slice(0, 200) : '';
  };
  const fact = text('fact');
  if (!Object.hasOwn(FACTS, fact) || text('product') === '') return null;
  return {
    product: text('product'),
    fact: fact as Fact,
    attribute: text('attribute'),
    before: text('before'),
    after: text('after'),
    fallback,
  };
}

/** The snippet that asks for a fact. */
export function writeFact({ product, fact, attribute, before, after, fallback }: AskedFact): string {
  const given = Object.entries({ product, fact, attribute: fact === 'attribute' ? attribute : '', before, after });
  const attributes = given.flatMap(([name, value]) => (value ? [` ${name}="${escapeHtml(value)}"`] : []));
  return `<pl-fact${attributes.join('')}>${escapeHtml(fallback)}</pl-fact>`;
}

/** A product's answer to a fact; null when it has none and the fallback is shown. */
export function sayFact(asked: AskedFact, product: FactSource | undefined, reader: FactReader): SaidFact | null {
  if (!product) return null;
  if (asked.fact === 'picture') return product.picture && { picture: product.picture };
  const text = textOf(asked, product, reader);
  return text === null || text === '' ? null : { text: asked.before + text + asked.after };
}

function textOf({ fact, attribute }: AskedFact, product: FactSource, reader: FactReader): string | null {
  const { fromMinor, toMinor, wasMinor } = product;
  switch (fact) {
    case 'name':
      return product.name;
    case 'text':
      return product.shortText;
    case 'price':
      return [toMinor > fromMinor && reader.from, reader.money(fromMinor), reader.priceNote].filter(Boolean).join(' ');
    case 'was':
      return wasMinor === null ? null : reader.money(wasMinor);
    case 'saving':
      return wasMinor === null ? null : reader.money(wasMinor - fromMinor);
    case 'rating':
      return product.stars === null
        ? null
        : new Intl.NumberFormat(reader.locale, { maximumFractionDigits: 1 }).format(product.stars);
    case 'stock':
      return product.stock === null ? null : String(Math.max(0, product.stock));
    case 'attribute':
      return product.attributes.find(({ key }) => key === attribute)?.value ?? null;
    default:
      return null;
  }
}

const TAG = /<pl-(fact|piece)\b([^<>]{0,2000})>/g;
const ATTRIBUTE = /\b(product|name)\s{0,8}=\s{0,8}"([^"<>]{0,200})"/;

/** Products and pieces a text names, each once, to find those that are gone. */
export function namedIn(text: string): { readonly products: string[]; readonly pieces: string[] } {
  const named = [...text.matchAll(TAG)].flatMap(([, kind, attributes]) => {
    const value = ATTRIBUTE.exec(attributes!)?.[2];
    return value === undefined ? [] : [{ kind, value: unescapeHtml(value) }];
  });
  const of = (kind: string) => [...new Set(named.filter((one) => one.kind === kind).map(({ value }) => value))];
  return { products: of('fact'), pieces: of('piece') };
}

const ELEMENT = /<pl-(fact|piece)\b([^<>]{0,2000})>(?:[^<>]{0,500}<\/pl-\1>)?/g;
const FACT = /\bfact\s{0,8}=\s{0,8}"([^"<>]{0,200})"/;
const ATTRIBUTE_NAME = /\battribute\s{0,8}=\s{0,8}"([^"<>]{0,200})"/;

/** What a fact is called in a sentence: “Price of Heron”. */
export function sayAsked({ fact, attribute }: Pick<AskedFact, 'fact' | 'attribute'>, product: string): string {
  return `${fact === 'attribute' ? attribute : FACTS[fact]} of ${product}`;
}

/** A text without its elements, but for the words shoppers fall back on. */
export const withoutTags = (text: string): string => text.replace(/<\/?pl-(?:fact|piece)\b[^<>]{0,2000}>/g, ' ');

/** A text with words in place of its elements, for people who read it as text. */
export function sayTags(
  text: string,
  called: { readonly product: (slug: string) => string; readonly piece: (id: string) => string },
): string {
  return text.replace(ELEMENT, (_all, kind: string, attributes: string) => {
    const named = unescapeHtml(ATTRIBUTE.exec(attributes)?.[2] ?? '');
    if (kind === 'piece') return `[${called.piece(named)}]`;
    const fact = FACT.exec(attributes)?.[1] ?? '';
    const attribute = unescapeHtml(ATTRIBUTE_NAME.exec(attributes)?.[1] ?? '');
    return Object.hasOwn(FACTS, fact) ? `[${sayAsked({ fact: fact as Fact, attribute }, called.product(named))}]` : '';
  });
}
