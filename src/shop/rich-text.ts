import type { Element, ElementContent, Root } from 'hast';
import rehypeStringify from 'rehype-stringify';
import { unified } from 'unified';
import { visit } from 'unist-util-visit';
import { readFact, sayFact, type AskedFact } from '~/core/facts';
import { loadFacts } from '~/services/catalogue/product-facts';
import type { ShopContext } from './shop-context';

// Only what we draw ourselves is written as it is: the reader has cleaned all else.
const writer = unified().use(rehypeStringify, { allowDangerousHtml: true });

/** Pieces that stand in one text, at most: each costs what a piece of a page costs. */
const MOST_PIECES = 12;

type DrawPiece = (name: string) => Promise<string | null>;
const NO_PIECES: DrawPiece = () => Promise.resolve(null);

/**
 * A text of the owner's as HTML: facts are filled in as the catalogue has them now, pieces drawn where they are named. What is
 * named but gone leaves its fallback, or nothing. `drawPiece` answers null for a piece that does not stand in texts.
 */
export async function drawText(text: string, shop: ShopContext, drawPiece = NO_PIECES): Promise<string> {
  return writer.stringify(await fillText(text, shop, drawPiece));
}

/** The same as a line of plain text, without its pieces. */
export async function plainText(text: string, shop: ShopContext): Promise<string> {
  const words: string[] = [];
  visit(await fillText(text, shop, NO_PIECES), (node) => {
    if (node.type === 'text') words.push(node.value);
    else if (node.type === 'element' && !INLINE.has(node.tagName)) words.push(' ');
  });
  return words.join('').replaceAll(/\s+/g, ' ').trim();
}

const INLINE = new Set(['strong', 'em', 'del', 'a', 'code', 'pl-fact']);

async function fillText(text: string, shop: ShopContext, drawPiece: DrawPiece): Promise<Root> {
  const tree = await shop.app.texts.read(text);
  const asked: { element: Element; fact: AskedFact | null }[] = [];
  const pieces: { element: Element; name: string }[] = [];
  visit(tree, 'element', (element) => {
    if (element.tagName === 'pl-fact') asked.push({ element, fact: readFact(element.properties, ownText(element)) });
    if (element.tagName === 'pl-piece') pieces.push({ element, name: String(element.properties['name'] ?? '') });
    if (element.tagName === 'h1') element.tagName = 'h2';
    // A paragraph cannot hold what a piece is made of.
    if (element.tagName === 'p' && element.children.some((child) => 'tagName' in child && child.tagName === 'pl-piece'))
      element.tagName = 'div';
  });
  const products = await loadFacts(
    shop.app,
    asked.flatMap(({ fact }) => fact?.product ?? []),
  );
  const { money, locale, say, priceNote } = shop;
  for (const { element, fact } of asked) {
    const said = fact && sayFact(fact, products.get(fact.product), { money, locale, priceNote, from: say('from') });
    if (!said) continue;
    if ('text' in said) element.children = [{ type: 'text', value: said.text }];
    else element.children = [pictureOf(said.picture)];
  }
  for (const [i, { element, name }] of pieces.entries()) {
    const html = i < MOST_PIECES ? await drawPiece(name) : null;
    element.children = html === null ? [] : [{ type: 'raw', value: html } as ElementContent];
  }
  return tree;
}

function pictureOf({ src, alt }: { readonly src: string; readonly alt: string }): ElementContent {
  return {
    type: 'element',
    tagName: 'img',
    properties: { src, alt, width: 600, height: 600, loading: 'lazy' },
    children: [],
  };
}

function ownText(element: Element): string {
  return element.children.map((child) => (child.type === 'text' ? child.value : '')).join('');
}
