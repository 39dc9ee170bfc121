import type { FoundGoods, FoundVariant } from './found-goods';
import { plainPrice } from './found-goods';
import { isA, isNode, jsonLdNodes, listOf, picturesOf, textOf, type Node } from './json-ld';
import { readProduct } from './read-product';

const LONGEST_TEXT = 20_000;
/** Of things pasted at once. */
const MOST = { blocks: 2000, nodes: 20_000 };
/** Where other products stand within what is said of a page. */
const INSIDE = ['@graph', 'mainEntity', 'itemListElement', 'item'];
/** By which variants of a group differ (schema.org, `variesBy`). */
const CHOICES = { size: 'Size', color: 'Colour', material: 'Material', pattern: 'Pattern' } as const;

/** A value is named by its text or its `name`. */
const nameOf = (value: unknown): string => {
  const [first] = listOf(value);
  return isNode(first) ? textOf(first['name']) : textOf(first);
};

const offersOf = (node: Node): Node[] =>
  listOf(node['offers'])
    .filter(isNode)
    .flatMap((offer) => {
      const inside = listOf(offer['offers']).filter(isNode);
      return isA(offer, 'AggregateOffer') && inside.length > 0 ? inside : [offer];
    });

/** What an offer says of a product; both may say it (schema.org/Offer). */
function variantOf(node: Node, offer: Node, group: Node): FoundVariant {
  const specifications = listOf(offer['priceSpecification']).filter(isNode);
  const isList = (one: Node) => /(List|Strikethrough)Price$/.test(textOf(one['priceType']));
  const main = specifications.find((one) => !isList(one)) ?? offer;
  const said = (key: string) => offer[key] ?? node[key];
  return {
    name: textOf(offer['name']) || textOf(node['name']),
    sku: textOf(offer['sku']) || textOf(node['sku']) || textOf(offer['mpn']) || textOf(node['mpn']),
    price: plainPrice(textOf(main['price'] ?? offer['price'] ?? offer['lowPrice'])),
    was: plainPrice(textOf(specifications.find(isList)?.['price'])),
    currency: textOf(main['priceCurrency'] ?? offer['priceCurrency']),
    isSoldOut: /(OutOfStock|SoldOut|Discontinued)$/.test(textOf(offer['availability'])),
    pictures: picturesOf(node['image'] ?? group['image']).slice(0, 8),
    choices: Object.fromEntries(
      Object.entries(CHOICES).flatMap(([key, label]) => {
        const value = nameOf(said(key));
        return value === '' ? [] : [[label, value]];
      }),
    ),
  };
}

function goodsOf(group: Node, products: readonly Node[]): FoundGoods {
  return {
    name: textOf(group['name']) || textOf(products[0]?.['name']),
    text: textOf(group['description'] ?? products[0]?.['description'], LONGEST_TEXT),
    brand: nameOf(group['brand'] ?? products[0]?.['brand']),
    category: listOf(group['category'] ?? products[0]?.['category'])
      .map(nameOf)
      .filter((one) => one !== '')
      .map((one) => one.replace(/\s*[>/]\s*/g, ' > '))
      .join(' | '),
    variants: products.flatMap((node) => {
      const offers = offersOf(node);
      return (offers.length > 0 ? offers : [{}]).map((offer) => variantOf(node, offer, group));
    }),
  };
}

/** Of which group a product says that it is a variant. */
function groupKey(node: Node): string {
  const [of] = listOf(node['isVariantOf']).filter(isNode);
  return textOf(node['inProductGroupWithID']) || textOf(of?.['productGroupID']) || textOf(of?.['@id']);
}

/**
 * Every product that pages say they sell: from JSON-LD (schema.org `Product`, `ProductGroup`, in graphs and lists), else the one that
 * microdata or meta elements tell of. Several pages may stand one after the other. Reads and never runs anything.
 */
export function pageGoods(page: ParentNode): FoundGoods[] {
  const nodes = jsonLdNodes(page, INSIDE, MOST);
  const groups = new Map<string, { readonly group: Node; readonly products: Node[] }>();
  const found: { readonly group: Node; readonly products: Node[] }[] = [];
  for (const node of nodes.filter((one) => isA(one, 'ProductGroup'))) {
    const entry = { group: node, products: listOf(node['hasVariant']).filter(isNode) };
    found.push(entry);
    for (const key of [textOf(node['productGroupID']), textOf(node['@id'])]) if (key) groups.set(key, entry);
  }
  for (const node of nodes.filter((one) => isA(one, 'Product') && !isA(one, 'ProductGroup'))) {
    const key = groupKey(node);
    const known = key === '' ? undefined : groups.get(key);
    if (known) known.products.push(node);
    else {
      const entry = { group: node, products: [node] };
      found.push(entry);
      if (key !== '') groups.set(key, entry);
    }
  }
  const goods = found.map(({ group, products }) => goodsOf(group, products.length > 0 ? products : [group]));
  const base = page.querySelector('link[rel=canonical]')?.getAttribute('href') ?? '';
  return (goods.length > 0 ? goods : single(page)).map((one) => ({
    ...one,
    variants: one.variants.map((variant) => ({
      ...variant,
      pictures: variant.pictures.flatMap((picture) => wholeAddress(picture, base)),
    })),
  }));
}

/** A picture's whole address; none where nobody knows which site it is on. */
function wholeAddress(address: string, base: string): string[] {
  try {
    const { protocol, href } = new URL(address, base || undefined);
    return protocol === 'https:' || protocol === 'http:' ? [href] : [];
  } catch {
    return [];
  }
}

function single(page: ParentNode): FoundGoods[] {
  const { name, sku, price, currency, picture } = readProduct(page);
  if (!name && !sku) return [];
  const variant: FoundVariant = {
    name: name?.value ?? '',
    sku: sku?.value ?? '',
    price: plainPrice(price?.value ?? ''),
    was: '',
    currency: currency?.value ?? '',
    isSoldOut: false,
    pictures: picture ? [picture.value] : [],
    choices: {},
  };
  return [{ name: variant.name, text: '', brand: '', category: '', variants: [variant] }];
}
