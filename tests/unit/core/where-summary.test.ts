import { expect } from 'chai';
import fc from 'fast-check';
import { summariseWhere, isSeen, type Where } from '~/core/where';
import { DEVICES, PAGE_KINDS, type PageKind } from '~/core/where/where.schema';

const SLUGS = ['a', 'b', 'c'];
const NAMES = [...SLUGS, 'list:all', 'list:search', 'list:category', 'list:tag', 'tag:x', 'page:about'];
const scope = fc.oneof(
  fc.constant({ mode: 'all' as const }),
  fc.record({ mode: fc.constantFrom('only' as const, 'except' as const), slugs: fc.subarray(SLUGS) }),
);
const about = fc.oneof(
  fc.constant({ mode: 'all' as const }),
  fc.record({ mode: fc.constantFrom('only' as const, 'except' as const), slugs: fc.subarray(NAMES) }),
);
const rules: fc.Arbitrary<Where> = fc.record({
  devices: fc.subarray([...DEVICES]),
  pages: fc.subarray([...PAGE_KINDS]),
  categories: about,
  products: scope,
  spot: fc.constant(null),
  order: fc.constant(0),
});
const oneOf = (...names: string[][]) => fc.constantFrom(...names);
/** What pages of a kind say of themselves: a listing is of one kind, a product has categories and tags. */
const SAID: Readonly<Partial<Record<PageKind, fc.Arbitrary<string[]>>>> = {
  listing: fc.oneof(
    oneOf(['list:all'], ['list:search'], ['list:tag', 'tag:x'], ['list:tag', 'tag:y']),
    fc.subarray([...SLUGS, 'elsewhere'], { minLength: 1, maxLength: 2 }).map((slugs) => ['list:category', ...slugs]),
  ),
  product: fc.subarray([...SLUGS, 'elsewhere', 'tag:x']),
  other: oneOf([], ['page:about'], ['page:else']),
};
/** A visit as the shop makes them: what a page is about, and a product on its page. */
const visit = fc
  .record({ device: fc.constantFrom(...DEVICES), page: fc.constantFrom(...PAGE_KINDS) })
  .chain(({ device, page }) =>
    fc.record({
      device: fc.constant(device),
      page: fc.constant(page),
      categories: SAID[page] ?? fc.constant([]),
      product: page === 'product' ? fc.constantFrom(...SLUGS, 'elsewhere') : fc.constant(null),
    }),
  );

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
      order: 0,
    };
    expect(summariseWhere(where, PAGE_KINDS).pages).to.deep.equal(['listing', 'product']);
    expect(summariseWhere(where, PAGE_KINDS, 'added').pages).to.deep.equal(['home', 'listing', 'product']);
    expect(summariseWhere({ ...where, categories: { mode: 'only', slugs: [] } }, PAGE_KINDS).seen).to.deep.equal([]);
  });
});
