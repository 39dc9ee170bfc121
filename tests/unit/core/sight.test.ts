import { expect } from 'chai';
import { compileManifest, sightOf, wordSight, type Lane, type LookedAt } from '~/core/lane';
import { isSeen, type Device, type PageKind } from '~/core/where';
import { DEVICES, PAGE_KINDS } from '~/core/where/where.schema';
import { definitionOf, definitions } from '~/pieces/definitions';
import { draftDemoLane } from '../../../demo/lane';

const at = (over: Partial<LookedAt> = {}): LookedAt => ({
  device: 'phone',
  page: 'home',
  categories: [],
  product: null,
  texts: [],
  order: null,
  ...over,
});
const ORDER = { bought: [{ slug: 'heron', categories: [] }], isFirst: true, country: 'DE', total: 50 };

describe('who sees what', () => {
  let lane: Lane;
  beforeEach(() => (lane = structuredClone(draftDemoLane())));
  const because = (id: string, over: Partial<LookedAt> = {}) => {
    const sight = sightOf(lane, id, definitions, at(over));
    return `${sight.isSeen ? 'seen' : 'not seen'}: ${sight.because}`;
  };

  it('is what the shop’s own rules let through, for every piece, page and device', () => {
    lane.pieces['quick-view']!.where.categories = { mode: 'only', slugs: ['spares'] };
    lane.pieces['buy-bar']!.where.products = { mode: 'except', slugs: ['heron'] };
    lane.pieces['cart-opener']!.where.devices = ['desktop'];
    const visits = DEVICES.flatMap((device: Device) =>
      PAGE_KINDS.filter((page) => page !== 'thanks').flatMap((page: PageKind) =>
        [[], ['spares'], ['list:all']].flatMap((categories) =>
          [null, 'heron', 'pewit'].map((product) => ({ device, page, categories, product })),
        ),
      ),
    );
    let compared = 0;
    for (const { id, kind, where, judges } of compileManifest(lane, definitions, 1, 'en').pieces) {
      // Those in places are compared below.
      if (definitionOf(kind)!.spots) continue;
      const all = { mode: 'all' } as const;
      const rules = judges === 'added' ? { ...where, categories: all, products: all } : where;
      for (const visit of visits) {
        compared += 1;
        const sight = sightOf(lane, id, definitions, at(visit));
        expect(sight.isSeen, `${id} ${JSON.stringify(visit)}`).to.equal(isSeen(rules, visit));
      }
    }
    expect(compared).to.be.greaterThan(1000);
  });

  it('names the first rule that leaves somebody out', () => {
    const { where } = lane.pieces['quick-view']!;
    where.devices = ['phone'];
    where.pages = ['listing'];
    where.categories = { mode: 'only', slugs: ['spares'] };
    where.products = { mode: 'except', slugs: ['heron'] };
    const listing = { page: 'listing', categories: ['spares'] } as const;
    expect(because('quick-view')).to.equal('not seen: page');
    expect(because('quick-view', { ...listing, device: 'desktop' })).to.equal('not seen: device');
    expect(because('quick-view', { ...listing, categories: ['power'] })).to.equal('not seen: categories');
    expect(because('quick-view', { ...listing, product: 'heron' })).to.equal('not seen: products');
    expect(because('quick-view', listing)).to.equal('seen: rules');
    lane.pieces['quick-view']!.on = false;
    expect(because('quick-view', listing)).to.equal('not seen: off');
  });

  it('goes by what is written on a page, by what comes first in a place, and by what is added', () => {
    const note = lane.pieces['loft-note']!;
    note.on = true;
    note.where.spot = 'text';
    expect(because('loft-note')).to.equal('not seen: unnamed');
    expect(because('loft-note', { page: 'other', texts: ['<pl-piece name="loft-note"></pl-piece>'] })).to.equal(
      'seen: named',
    );
    note.where.spot = 'elsewhere';
    expect(because('loft-note')).to.equal('not seen: elsewhere');

    const first = structuredClone(lane.pieces['spares-table']!);
    first.on = true;
    first.where = { ...first.where, spot: 'listing.main', categories: { mode: 'all' }, order: 1 };
    lane.pieces = { ...lane.pieces, first, second: { ...structuredClone(first), name: 'Second' } };
    lane.pieces['second']!.where.order = 2;
    expect(because('first', { page: 'listing' })).to.equal('seen: rules');
    const behind = sightOf(lane, 'second', definitions, at({ page: 'listing' }));
    expect(behind).to.deep.equal({ isSeen: false, because: 'behind', other: 'first' });
    expect(wordSight(behind, lane, 'second', definitions)).to.match(/^“.+” comes first in the same place\.$/);
    first.where.categories = { mode: 'only', slugs: ['spares'] };
    expect(because('second', { page: 'listing' })).to.equal('seen: rules');

    lane.pieces['added-popup']!.where.categories = { mode: 'only', slugs: ['power'] };
    expect(because('added-popup', { page: 'listing', categories: ['spares'] })).to.equal('seen: when-added');
    expect(because('cart-page', { page: 'cart' })).to.equal('seen: always');
  });

  it('of thank-you pages is the one the order chooses', () => {
    const [id] = Object.entries(lane.pieces).find(([, { where }]) => where.spot === 'thanks.main')!;
    const other = structuredClone(lane.pieces[id]!);
    other.settings['shopper'] = 'returning';
    lane.pieces['again'] = other;
    const thanks = (over: Partial<typeof ORDER>) => ({ page: 'thanks', order: { ...ORDER, ...over } }) as const;
    expect(because(id, thanks({}))).to.equal('seen: chosen');
    expect(because('again', thanks({}))).to.equal('not seen: order');
    expect(because('again', thanks({ isFirst: false }))).to.equal('seen: chosen');
    expect(because(id, thanks({ isFirst: false }))).to.equal('not seen: behind');
    expect(because(id)).to.equal('not seen: page');
  });

  it('has a sentence for everything that can decide', () => {
    for (const id of Object.keys(lane.pieces))
      for (const page of PAGE_KINDS) {
        const sight = sightOf(lane, id, definitions, at({ page, order: page === 'thanks' ? ORDER : null }));
        expect(wordSight(sight, lane, id, definitions)).to.match(/^[“A-Z].{5,}\.$/);
      }
  });
});
