import { expect } from 'chai';
import fc from 'fast-check';
import { summariseWhere, isSeen, type Where } from '~/core/where';
import { DEVICES, PAGE_KINDS } from '~/core/where/where.schema';

const SLUGS = ['a', 'b', 'c'];
const scope = fc.oneof(
  fc.constant({ mode: 'all' as const }),
  fc.record({ mode: fc.constantFrom('only' as const, 'except' as const), slugs: fc.subarray(SLUGS) }),
);
const rules: fc.Arbitrary<Where> = fc.record({
  devices: fc.subarray([...DEVICES]),
  pages: fc.subarray([...PAGE_KINDS]),
  categories: scope,
  products: scope,
  spot: fc.constant(null),
});
/** A visit as the shop makes them: categories on listings and products, a product on its page. */
const visit = fc
  .record({
    device: fc.constantFrom(...DEVICES),
    page: fc.constantFrom(...PAGE_KINDS),
    categories: fc.subarray([...SLUGS, 'elsewhere']),
    product: fc.constantFrom(...SLUGS, 'elsewhere'),
  })
  .map(({ categories, product, ...rest }) => ({
    ...rest,
    categories: ['listing', 'product'].includes(rest.page) ? categories : [],
    product: rest.page === 'product' ? product : null,
  }));

describe('summariseWhere', () => {
  it('names every device and page on which a visit sees the piece', () => {
    fc.assert(
      fc.property(rules, visit, (where, asked) => {
        const { seen } = summariseWhere(where, PAGE_KINDS);
        if (isSeen(where, asked)) expect(seen).to.deep.include({ device: asked.device, page: asked.page });
      }),
      { numRuns: 2000 },
    );
  });

  it('names none on which no visit does', () => {
    const all = fc.sample(visit, 3000);
    fc.assert(
      fc.property(rules, (where) => {
        const { seen } = summariseWhere(where, PAGE_KINDS);
        // With few names every case there is comes up among so many visits.
        for (const { device, page } of seen)
          expect(
            all.some((asked) => asked.device === device && asked.page === page && isSeen(where, asked)),
            JSON.stringify({ where, device, page }),
          ).to.equal(true);
      }),
      { numRuns: 200 },
    );
  });

  it('does not call a piece for one category unseen, nor seen on pages that have none', () => {
    const where: Where = {
      devices: ['phone'],
      pages: ['home', 'listing', 'product'],
      categories: { mode: 'only', slugs: ['a'] },
      products: { mode: 'all' },
      spot: null,
    };
    expect(summariseWhere(where, PAGE_KINDS).pages).to.deep.equal(['listing', 'product']);
    expect(summariseWhere(where, PAGE_KINDS, 'added').pages).to.deep.equal(['home', 'listing', 'product']);
    expect(summariseWhere({ ...where, categories: { mode: 'only', slugs: [] } }, PAGE_KINDS).seen).to.deep.equal([]);
  });
});
