import { isA, isNode, jsonLdNodes, listOf, picturesOf, textOf } from './json-ld';

/** What a page says of the product it is about. */
export const PRODUCT_FIELDS = ['name', 'sku', 'price', 'currency', 'picture', 'address'] as const;
export type ProductField = (typeof PRODUCT_FIELDS)[number];

/** Where on a page something was found. */
export type FoundBy = 'selector' | 'JSON-LD' | 'microdata' | 'meta';

export type FoundProduct = Readonly<Partial<Record<ProductField, { readonly value: string; readonly by: FoundBy }>>>;

/** CSS selectors of an owner, where a page says nothing that machines read; empty: none. */
export type Selectors = Readonly<Partial<Record<ProductField, string>>>;

function fromJsonLd(page: ParentNode): Partial<Record<ProductField, string>> {
  const nodes = jsonLdNodes(page, ['@graph', 'mainEntity', 'hasVariant']);
  // Of a group the variant that is chosen says more; one with a number is worth more than one without.
  const products = nodes.filter((node) => isA(node, 'Product') || isA(node, 'ProductGroup'));
  const product = products.find((node) => textOf(node['sku']) !== '') ?? products[0];
  if (!product) return {};
  const offers = listOf(product['offers']).filter(isNode);
  const offer = offers.find((one) => textOf(one['price'] ?? one['lowPrice']) !== '') ?? offers[0];
  const price = isNode(offer?.['priceSpecification']) ? offer['priceSpecification'] : offer;
  return {
    name: textOf(product['name']),
    sku: textOf(product['sku']) || textOf(offer?.['sku']) || textOf(product['mpn']),
    price: textOf(price?.['price'] ?? offer?.['lowPrice']),
    currency: textOf(price?.['priceCurrency'] ?? offer?.['priceCurrency']),
    picture: picturesOf(product['image'])[0] ?? '',
    address: textOf(product['url'] ?? offer?.['url']),
  };
}

/** The value of an element that carries a property (HTML, microdata 5.2.4). */
function valueOf(element: Element): string {
  const attribute = ['content', 'src', 'href', 'value', 'datetime'].find((name) => element.hasAttribute(name));
  return textOf(attribute ? element.getAttribute(attribute) : element.textContent?.replace(/\s+/g, ' '));
}

function fromMicrodata(page: ParentNode): Partial<Record<ProductField, string>> {
  const scope = page.querySelector('[itemscope][itemtype$="schema.org/Product"]');
  if (!scope) return {};
  const of = (property: string) => {
    const element = scope.querySelector(`[itemprop~="${property}"]`);
    return element ? valueOf(element) : '';
  };
  return {
    name: of('name'),
    sku: of('sku') || of('mpn'),
    price: of('price'),
    currency: of('priceCurrency'),
    picture: of('image'),
    address: of('url'),
  };
}

function fromMeta(page: ParentNode): Partial<Record<ProductField, string>> {
  const of = (...names: string[]) =>
    names
      .map((name) =>
        textOf(page.querySelector(`meta[property="${name}"],meta[name="${name}"]`)?.getAttribute('content')),
      )
      .find((value) => value !== '') ?? '';
  // What a page calls itself is a product only where it says so.
  if (of('og:type') !== 'product' && of('product:retailer_item_id') === '') return {};
  return {
    name: of('og:title'),
    sku: of('product:retailer_item_id'),
    price: of('product:price:amount', 'og:price:amount'),
    currency: of('product:price:currency', 'og:price:currency'),
    picture: of('og:image'),
    address: of('og:url'),
  };
}

function bySelectors(page: ParentNode, selectors: Selectors): Partial<Record<ProductField, string>> {
  return Object.fromEntries(
    PRODUCT_FIELDS.flatMap((field) => {
      const selector = selectors[field]?.trim();
      if (!selector) return [];
      try {
        const element = page.querySelector(selector);
        return element ? [[field, valueOf(element)]] : [];
      } catch {
        // Not a selector: it finds nothing; the field tells the owner.
        return [];
      }
    }),
  );
}

/**
 * The product a page is about, field by field: by the owner's selectors, else from JSON-LD, microdata or meta elements, in this
 * order (schema.org/Product; Open Graph). Reads and never runs anything; what is no product is empty.
 */
export function readProduct(page: ParentNode, selectors: Selectors = {}): FoundProduct {
  const ways: readonly (readonly [FoundBy, Partial<Record<ProductField, string>>])[] = [
    ['selector', bySelectors(page, selectors)],
    ['JSON-LD', fromJsonLd(page)],
    ['microdata', fromMicrodata(page)],
    ['meta', fromMeta(page)],
  ];
  return Object.fromEntries(
    PRODUCT_FIELDS.flatMap((field) => {
      const found = ways.find(([, values]) => values[field]);
      return found ? [[field, { value: found[1][field]!, by: found[0] }]] : [];
    }),
  );
}
