import { expect } from 'chai';
import fc from 'fast-check';
import { measureOf, partsOf, readChosen, withoutPart, type Chosen } from '~/core/catalogue';
import { openTestShop, type TestShop } from '../support/shop';

interface Made {
  readonly attributes: Readonly<Record<string, string>>;
  readonly sizes: readonly string[];
  readonly tags: readonly string[];
  readonly stars: number | null;
}

const KEYS = ['Skill', 'Span', 'odd "key"'];
const VALUES = ['First kite', '120 cm', '80 cm', '9'];
const SIZES = ['Small', "Lar'ge"];
const TAGS = ['gift', 'light wind'];

const product: fc.Arbitrary<Made> = fc.record({
  attributes: fc.dictionary(fc.constantFrom(...KEYS), fc.constantFrom(...VALUES), { maxKeys: 3 }),
  sizes: fc.subarray(SIZES),
  tags: fc.subarray(TAGS),
  stars: fc.option(fc.integer({ min: 1, max: 5 })),
});
const chosen: fc.Arbitrary<Chosen> = fc.record({
  attributes: fc.dictionary(fc.constantFrom(...KEYS), fc.subarray(VALUES, { minLength: 1 }), { maxKeys: 2 }),
  ranges: fc.dictionary(
    fc.constantFrom(...KEYS),
    fc.record({ from: fc.option(fc.constantFrom(10, 100)), to: fc.option(fc.constantFrom(90, 130)) }),
    { maxKeys: 1 },
  ),
  axes: fc.oneof(fc.constant({}), fc.record({ Size: fc.subarray(SIZES, { minLength: 1 }) })),
  tags: fc.subarray(TAGS),
  rating: fc.option(fc.constantFrom(2, 3, 4)),
});

/** Whether a product fits a choice, told the slow way. */
function fits(made: Made, choice: Chosen): boolean {
  const amount = (key: string) => Number.parseFloat(made.attributes[key] ?? '') || 0;
  return (
    Object.entries(choice.attributes).every(([key, values]) => values.includes(made.attributes[key] ?? '\0')) &&
    Object.entries(choice.ranges).every(
      ([key, { from, to }]) =>
        Object.hasOwn(made.attributes, key) && amount(key) >= (from ?? -1e15) && amount(key) <= (to ?? 1e15),
    ) &&
    Object.values(choice.axes).every((values) => values.some((value) => made.sizes.includes(value))) &&
    (choice.tags.length === 0 || choice.tags.some((tag) => made.tags.includes(tag))) &&
    (choice.rating === null || (made.stars ?? 0) >= choice.rating)
  );
}

/** Every value with the products that have it under all filters but its own, counted one by one. */
function recount(all: readonly Made[], choice: Chosen): Map<string, number> {
  const counts = new Map<string, number>();
  const under = (group: 'attribute' | 'axis' | 'tag' | 'rating', key: string) =>
    partsOf(choice)
      .filter((part) => part.key === key && (part.group === group || (group === 'attribute' && part.group === 'range')))
      .map((part) => withoutPart(choice, part.group, key));
  const add = (
    group: 'attribute' | 'axis' | 'tag' | 'rating',
    key: string,
    value: string,
    has: (made: Made) => boolean,
  ) => {
    // A key that is chosen by ticks and by a range at once is counted for each; the last one stands.
    const base = under(group, key).at(-1) ?? choice;
    const count = all.filter((made) => fits(made, base) && has(made)).length;
    if (count > 0) counts.set(`${group} ${key} ${value}`, count);
  };
  for (const key of KEYS)
    for (const value of VALUES) add('attribute', key, value, (made) => made.attributes[key] === value);
  for (const size of SIZES) add('axis', 'Size', size, (made) => made.sizes.includes(size));
  for (const tag of TAGS) add('tag', '', tag, (made) => made.tags.includes(tag));
  for (const stars of [4, 3, 2]) add('rating', '', String(stars), (made) => (made.stars ?? 0) >= stars);
  return counts;
}

describe('filters of a listing', () => {
  let shop: TestShop;
  before(async () => {
    shop = await openTestShop(0);
  });
  after(() => shop.close());

  async function fill(all: readonly Made[]): Promise<void> {
    const { db } = shop.app;
    await db.run('DELETE FROM products');
    for (const [i, made] of all.entries()) {
      await db.run(
        `INSERT INTO products (id, slug, name, created_day, rating_stars, in_stock) VALUES ($id, $slug, $slug, '2026-01-01', $stars, 1)`,
        { id: i + 1, slug: `p${i}`, stars: made.stars },
      );
      for (const [key, value] of Object.entries(made.attributes))
        await db.run('INSERT INTO attributes (product_id, key, value) VALUES ($id, $key, $value)', {
          id: i + 1,
          key,
          value,
        });
      for (const size of made.sizes)
        await db.run('INSERT INTO variants (product_id, sku, choices, price_minor) VALUES ($id, $sku, $choices, 100)', {
          id: i + 1,
          sku: `${i} ${size}`,
          choices: JSON.stringify({ Size: size }),
        });
      for (const tag of made.tags)
        await db.run('INSERT INTO tags (product_id, name) VALUES ($id, $tag)', { id: i + 1, tag });
    }
  }

  it('count what a slow count over random catalogues counts, each under the other filters', async () => {
    await fc.assert(
      fc.asyncProperty(
        fc.array(product, { maxLength: 12 }),
        fc.array(chosen, { minLength: 1, maxLength: 4 }),
        async (all, choices) => {
          await fill(all);
          for (const choice of choices) {
            // Ticks and a range of one attribute are never offered together.
            const clean = {
              ...choice,
              ranges: Object.fromEntries(Object.entries(choice.ranges).filter(([key]) => !choice.attributes[key])),
            };
            const counted = await shop.app.catalogue.countFacets({}, clean);
            const found = new Map(counted.map(({ group, key, value, count }) => [`${group} ${key} ${value}`, count]));
            expect([...found].sort()).to.deep.equal([...recount(all, clean)].sort());
            const total = await shop.app.catalogue.countProducts({ chosen: clean });
            expect(total).to.equal(all.filter((made) => fits(made, clean)).length);
          }
        },
      ),
      { numRuns: 40 },
    );
  });

  it('are read from an address only so far: what it names costs a count each', () => {
    const search = new URLSearchParams();
    for (let i = 0; i < 50; i += 1) for (const name of [`a.k${i}`, `v.k${i}`, `n.k${i}.from`]) search.append(name, '1');
    expect(partsOf(readChosen(search))).to.have.length(8);
    for (let i = 0; i < 99; i += 1) search.append('a.k0', `v${i}`);
    expect(readChosen(search).attributes['k0']).to.have.length(30);
    const wild = new URLSearchParams('a.=x&a.x=&n.x.from=much&rating=9&constructor=1&a.__proto__=y&tag=');
    expect(partsOf(readChosen(wild)).map(({ key }) => key)).to.deep.equal(['__proto__']);
  });

  it('know a number with its unit from words', () => {
    expect(measureOf('168 cm')).to.deep.equal({ amount: 168, unit: 'cm' });
    expect(measureOf('0.35 l')).to.deep.equal({ amount: 0.35, unit: 'l' });
    expect(measureOf('9')).to.deep.equal({ amount: 9, unit: '' });
    for (const words of ['9–30 km/h', 'Beech', '', '4–5.5 mm', '12 x 30 cm'])
      expect(measureOf(words), words).to.equal(null);
  });
});
