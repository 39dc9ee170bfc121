import type { Element, ElementContent } from 'hast';
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

/**
 * A text of the owner's as HTML: facts are filled in as the catalogue has them now, pieces drawn where they are named. What is
 * named but gone leaves its fallback, or nothing. `drawPiece` answers null for a piece that does not stand in texts.
 */
export async function drawText(
  text: string,
  shop: ShopContext,
  drawPiece: (name: string) => Promise<string | null> = () => Promise.resolve(null),
): Promise<string> {
  const tree = await shop.app.texts.read(text);
  const asked: { element: Element; fact: AskedFact | null }[] = [];
  const pieces: { element: Element; name: string }[] = [];
  visit(tree, 'element', (element) => {
    if (element.tagName === 'pl-fact') asked.push({ element, fact: readFact(element.properties, plainText(element)) });
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
    element.children = html === null ? [] : [{ type: 'raw', value: html } as unknown as ElementContent];
  }
  return writer.stringify(tree);
}

function pictureOf({ src, alt }: { readonly src: string; readonly alt: string }): ElementContent {
  return {
    type: 'element',
    tagName: 'img',
    properties: { src, alt, width: 600, height: 600, loading: 'lazy' },
    children: [],
  };
}

function plainText(element: Element): string {
  return element.children.map((child) => (child.type === 'text' ? child.value : '')).join('');
}
