import { plainPrice, type FoundGoods, type FoundVariant } from './found-goods';

const MOST_ITEMS = 20_000;
const LONGEST = 20_000;
const CHOICES = { size: 'Size', color: 'Colour', material: 'Material', pattern: 'Pattern' } as const;

/** Texts of an item's elements by their local names, whatever their prefix. */
function fieldsOf(item: Element): Map<string, string[]> {
  const fields = new Map<string, string[]>();
  for (const child of item.children) {
    const name = child.localName.toLowerCase();
    const text = (child.textContent ?? '').trim().slice(0, LONGEST);
    if (text !== '') fields.set(name, [...(fields.get(name) ?? []), text]);
  }
  return fields;
}

/** `15.00 EUR`: the letters are the currency. */
const currencyOf = (said: string): string => /[A-Z]{3}/.exec(said)?.[0] ?? '';

/**
 * The products of a feed: items of RSS 2.0 or entries of Atom (RFC 4287) with the element names usual for goods (`id`, `title`, `price`,
 * `sale_price`, `image_link`, `availability`, `item_group_id` …), with or without a prefix. Null: this is no such feed.
 */
export function feedGoods(feed: Document): FoundGoods[] | null {
  const items = [...feed.querySelectorAll('item, entry')].slice(0, MOST_ITEMS);
  if (items.length === 0 || feed.querySelector('parsererror')) return null;
  const groups = new Map<string, { goods: Omit<FoundGoods, 'variants'>; variants: FoundVariant[] }>();
  items.forEach((item, i) => {
    const fields = fieldsOf(item);
    const of = (...names: string[]) =>
      names.map((name) => fields.get(name)?.[0] ?? '').find((text) => text !== '') ?? '';
    const [price, sale] = [of('price'), of('sale_price')];
    const variant: FoundVariant = {
      name: of('title', 'name'),
      sku: of('sku', 'id', 'mpn'),
      price: plainPrice(sale || price),
      was: sale ? plainPrice(price) : '',
      currency: currencyOf(sale || price),
      isSoldOut: /out[ _]of[ _]stock/i.test(of('availability')),
      pictures: [of('image_link'), ...(fields.get('additional_image_link') ?? [])]
        .filter((one) => one !== '')
        .slice(0, 8),
      choices: Object.fromEntries(
        Object.entries(CHOICES).flatMap(([key, label]) => (of(key) === '' ? [] : [[label, of(key)]])),
      ),
    };
    const key = of('item_group_id') || `\u0000${i}`;
    const known = groups.get(key);
    if (known) return void known.variants.push(variant);
    const goods = {
      name: variant.name,
      text: of('description', 'summary'),
      brand: of('brand'),
      category: of('product_type'),
    };
    groups.set(key, { goods, variants: [variant] });
  });
  return [...groups.values()].map(({ goods, variants }) => ({ ...goods, variants }));
}
