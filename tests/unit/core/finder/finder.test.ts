import { expect } from 'chai';
import fc from 'fast-check';
import { find, fisherTail, keepUpTo, logFactorial, normalTail, type Baskets, type Found } from '~/core/finder';
import { basketsFrom, dice, shuffled } from '../../../support/baskets';

function run(baskets: Baskets, least = 5): Found {
  const work = find(baskets, { least });
  for (;;) {
    const step = work.next();
    if (step.done) return step.value;
  }
}
const pairOf = (found: Found, a: string, b: string) =>
  found.pairs.find((pair) => [pair.a, pair.b].sort().join() === [a, b].sort().join());

/**
 * A shop of 40 things in 20 weeks: kite and winder go together, power kite, gloves and stake do; sledge and lamp are both
 * winter’s; cap and map are what everybody takes.
 */
function planted(seed: number, orders = 3000): Baskets {
  const random = dice(seed);
  const weekOf = (basket: number) => Math.floor((basket / orders) * 20);
  const lists = Array.from({ length: orders }, (_, basket) => {
    const list = new Set<string>();
    const thing = () => `t${Math.floor(random() ** 2 * 30)}`;
    list.add(thing());
    while (random() < 0.35) list.add(thing());
    if (random() < 0.06) list.add('kite');
    if (list.has('kite') ? random() < 0.5 : random() < 0.03) list.add('winder');
    if (random() < 0.05) list.add('power');
    if (list.has('power') && random() < 0.6) {
      list.add('gloves');
      list.add('stake');
    }
    if (random() < 0.02) list.add('gloves');
    if (random() < 0.02) list.add('stake');
    const isWinter = weekOf(basket) < 4;
    if (random() < (isWinter ? 0.25 : 0.004)) list.add('sledge');
    if (random() < (isWinter ? 0.25 : 0.004)) list.add('lamp');
    if (random() < 0.3) list.add('cap');
    if (random() < 0.3) list.add('map');
    return [...list];
  });
  return basketsFrom(lists, weekOf);
}

describe('exact tests', () => {
  it('are those of the books', () => {
    // Fisher’s tea: 3 of 4 cups right, and all of them.
    expect(fisherTail(3, 4, 4, 8)).to.be.closeTo(17 / 70, 1e-12);
    expect(fisherTail(4, 4, 4, 8)).to.be.closeTo(1 / 70, 1e-12);
    expect(fisherTail(0, 4, 4, 8)).to.equal(1);
    expect(normalTail(1.959963984540054)).to.be.closeTo(0.025, 1e-12);
    expect(normalTail(5) / 2.866515718791939e-7).to.be.closeTo(1, 1e-9);
    for (const [z, tail] of [
      [3.01, 0.0013062384487694699],
      [5.01, 2.7215017728558263e-7],
      [6, 9.865876450377012e-10],
      [8, 6.220960574271819e-16],
    ] as const)
      expect(normalTail(z) / tail).to.be.closeTo(1, 1e-11);
    expect(normalTail(-1)).to.be.closeTo(0.8413447460685429, 1e-12);
    // Benjamini and Hochberg’s own example: of 15, four are kept.
    const values = [
      0.0001, 0.0004, 0.0019, 0.0095, 0.0201, 0.0278, 0.0298, 0.0344, 0.0459, 0.324, 0.4262, 0.5719, 0.6528, 0.759, 1,
    ];
    expect(keepUpTo(values, 15, 0.05)).to.equal(0.0095);
    expect(keepUpTo([0.5], 1, 0.05)).to.equal(-1);
  });

  it('stand on logarithms of factorials that are those added up one by one', () => {
    let sum = 0;
    for (let n = 1; n <= 100_000; n += 1) {
      sum += Math.log(n);
      if (n < 300 || n % 997 === 0)
        expect(logFactorial(n) / Math.max(1, sum)).to.be.closeTo(sum / Math.max(1, sum), 1e-12);
    }
    // By 50-digit arithmetic.
    expect(logFactorial(256)).to.be.closeTo(1167.2572785628802, 1e-12);
    expect(logFactorial(1000)).to.be.closeTo(5912.128178488163, 1e-11);
  });

  it('sum up to what counting every way to fall comes to', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 14 }), fc.nat(14), fc.nat(14), fc.nat(14), (all, a0, b0, both) => {
        const [a, b] = [Math.min(a0, all), Math.min(b0, all)];
        const choose = (n: number, k: number): number =>
          k < 0 || k > n ? 0 : k === 0 ? 1 : (choose(n - 1, k - 1) * n) / k;
        let slow = 0;
        for (let k = both; k <= Math.min(a, b); k += 1)
          slow += (choose(a, k) * choose(all - a, b - k)) / choose(all, b);
        expect(fisherTail(both, a, b, all)).to.be.closeTo(slow, 1e-9);
      }),
    );
  });
});

describe('the finder', () => {
  it('counts as a slow count does', () => {
    const list = fc.uniqueArray(fc.constantFrom<string>('a', 'b', 'c', 'd', 'e', 'f'), { minLength: 1, maxLength: 6 });
    fc.assert(
      fc.property(fc.array(list, { minLength: 1, maxLength: 40 }), (lists) => {
        const found = run(basketsFrom(lists), 1);
        const holding = (...wanted: string[]) =>
          lists.filter((one) => wanted.every((thing) => one.includes(thing))).length;
        for (const { a, b, both, withA, withB, support, confidence, lift } of found.pairs) {
          expect([both, withA, withB]).to.deep.equal([holding(a, b), holding(a), holding(b)]);
          expect(support).to.equal(both / lists.length);
          expect(confidence).to.equal(both / Math.min(withA, withB));
          expect(lift).to.be.closeTo((both * lists.length) / (withA * withB), 1e-12);
        }
        const things = [...new Set(lists.flat())];
        const slow = things.flatMap((a, i) => things.slice(i + 1).filter((b) => holding(a, b) > 0)).length;
        expect(found.pairs.length).to.equal(slow);
        for (const { products, all } of found.triples) expect(all).to.equal(holding(...products));
      }),
      { numRuns: 100 },
    );
  });

  it('finds what was planted, and tells it from what is only of one season, or only popular', () => {
    const found = run(planted(7));
    expect(pairOf(found, 'kite', 'winder')!.verdict).to.equal('together');
    expect(pairOf(found, 'gloves', 'stake')!.verdict).to.equal('together');
    expect(pairOf(found, 'sledge', 'lamp')!.verdict).to.equal('seasonal');
    expect(pairOf(found, 'cap', 'map')!.verdict).to.equal('popular');
    expect(found.triples.map(({ products }) => [...products].sort().join())).to.deep.equal(['gloves,power,stake']);
    // The most frequent pair of all is one that means nothing.
    const most = found.pairs.reduce((a, b) => (b.both > a.both ? b : a));
    expect([most.a, most.b].sort()).to.deep.equal(['cap', 'map']);
  });

  it('finds nothing where nothing is: over 200 dealings wrong finds stay at the stated rate', () => {
    const baskets = planted(11, 1200);
    const random = dice(3);
    let wrong = 0;
    for (let i = 0; i < 200; i += 1) {
      const found = run(shuffled(baskets, random));
      if (found.pairs.some(({ verdict }) => verdict !== 'popular') || found.triples.length > 0) wrong += 1;
    }
    // 5 % of 200 is 10; more than 17 would happen by chance once in a hundred times.
    expect(wrong).to.be.at.most(17);
  });

  it('says what it cannot say anything of', () => {
    const found = run(
      basketsFrom([
        ['a', 'b'],
        ['a', 'c'],
        ['a', 'b'],
      ]),
      2,
    );
    expect(found).to.include({ baskets: 3, products: 3, tooSeldom: 1, testedPairs: 1 });
    expect(run(basketsFrom([])).pairs).to.deep.equal([]);
  });
});
