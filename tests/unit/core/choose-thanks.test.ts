import { expect } from 'chai';
import { chooseThanks, type OrderToThank } from '~/core/orders';
import type { Scope, Where } from '~/core/where';

const ALL: Scope = { mode: 'all' };
const page = (name: string, settings: object = {}, where: Partial<Where> = {}) => ({
  name,
  where: {
    devices: ['desktop' as const],
    pages: ['thanks' as const],
    categories: ALL,
    products: ALL,
    spot: 'thanks.main',
    order: 0,
    ...where,
  },
  settings: { shopper: 'all' as const, fromTotal: 0, countries: '', ...settings },
});
const order = (over: Partial<OrderToThank> = {}): OrderToThank => ({
  bought: [{ slug: 'heron', categories: ['single-line'] }],
  isFirst: true,
  country: 'DE',
  total: 74,
  ...over,
});
const chosen = (pages: readonly ReturnType<typeof page>[], facts = order()) => chooseThanks(pages, facts)?.name ?? null;

describe('the page an order is thanked on', () => {
  it('is one that fits who buys, for how much, and where it goes', () => {
    const all = page('all');
    const cases: [string, object, Partial<OrderToThank>, boolean][] = [
      ['first orders', { shopper: 'new' }, {}, true],
      ['first orders', { shopper: 'new' }, { isFirst: false }, false],
      ['those who came back', { shopper: 'returning' }, { isFirst: false }, true],
      ['from an amount', { fromTotal: 74 }, {}, true],
      ['from an amount', { fromTotal: 75 }, {}, false],
      ['some countries', { countries: 'at, de' }, {}, true],
      ['some countries', { countries: 'AT;NO' }, {}, false],
      ['some countries', { countries: 'AT' }, { country: '' }, false],
    ];
    for (const [name, settings, facts, fits] of cases)
      expect(chosen([all, page(name, settings)], order(facts)), JSON.stringify([settings, facts])).to.equal(
        fits ? name : 'all',
      );
  });

  it('is one that fits anything that was bought, and also where all of it is gone', () => {
    const kites = page('kites', {}, { categories: { mode: 'only', slugs: ['single-line'] } });
    const but = page('all but herons', {}, { products: { mode: 'except', slugs: ['heron'] } });
    const mug = { slug: 'mug', categories: ['gear'] };
    expect(chosen([kites])).to.equal('kites');
    expect(chosen([kites], order({ bought: [mug, ...order().bought] }))).to.equal('kites');
    expect(chosen([kites], order({ bought: [mug] }))).to.equal(null);
    expect(chosen([kites], order({ bought: [] }))).to.equal(null);
    expect(chosen([but])).to.equal(null);
    expect(chosen([but], order({ bought: [mug, ...order().bought] }))).to.equal('all but herons');
    expect(chosen([page('all')], order({ bought: [] }))).to.equal('all');
  });

  it('is the one with the most conditions, and of equals the first', () => {
    const two = page('two', { shopper: 'new', fromTotal: 10 });
    const one = page('one', { countries: 'DE' });
    expect(chosen([page('none'), one, two])).to.equal('two');
    expect(chosen([two, one, page('none')])).to.equal('two');
    expect(chosen([one, page('other', { shopper: 'new' })])).to.equal('one');
    expect(chosen([])).to.equal(null);
  });
});
