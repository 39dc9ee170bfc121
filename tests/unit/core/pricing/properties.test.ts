import { expect } from 'chai';
import { execFileSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { priceCart, type PricingInput } from '~/core/pricing';
import { randomFrom, type Random } from '../../../../demo/random';
import { cartInput, only, price, type ShortLine } from '../../../support/pricing';
import { slowPrice } from '../../../support/slow-pricer';
import { FIGURED, WORKED } from './figured';

const PRODUCTS = ['a', 'b', 'c', 'd'];
const SELECTIONS = [null, null, only('a'), only('a', 'b'), only('c'), { except: { products: ['b'] } }];

function randomLines(random: Random): ShortLine[] {
  return Array.from({ length: random.whole(1, 4) }, () => ({
    product: random.pick(PRODUCTS),
    unit: random.pick([0, 1, 99, 333, 500, 1000, 1999]),
    quantity: random.whole(1, 6),
    options: random.pick([0, 0, 150, -200]),
    once: random.pick([0, 0, 250]),
    ...(random.whole(0, 3) === 0 && { tax: random.pick([0, 700]) }),
  }));
}

function randomOffer(random: Random): object {
  const selection = () => random.pick(SELECTIONS);
  const target = {
    target: random.pick(['lines', 'order']),
    selection: selection(),
    maxMinor: random.pick([null, null, 150]),
  };
  const sets = { buyQuantity: random.whole(1, 2), getQuantity: random.whole(1, 2), most: random.pick([null, 1]) };
  const kind = random.pick([
    { kind: 'percentOff', ...target, basisPoints: random.pick([333, 1000, 5000, 10_000]) },
    { kind: 'amountOff', ...target, amountMinor: random.pick([1, 100, 450]) },
    { kind: 'priceIs', selection: selection(), unitMinor: random.pick([0, 90, 480]) },
    {
      kind: 'quantityBreaks',
      selection: selection(),
      count: random.pick(['line', 'selection']),
      breaks: [{ from: 2, basisPoints: 900 }],
    },
    {
      kind: 'buyGet',
      buy: selection(),
      get: selection(),
      basisPoints: random.pick([5000, 10_000]),
      choose: random.pick(['cheapest', 'dearest']),
      ...sets,
    },
    {
      kind: 'bundle',
      items: [
        { selection: selection(), quantity: 1 },
        { selection: selection(), quantity: 1 },
      ],
      priceMinor: random.pick([300, 900]),
    },
    { kind: 'deliveryOff', ...random.pick([{ flatMinor: 100 }, { amountMinor: 200 }, { basisPoints: 5000 }]) },
  ] as const);
  return {
    ...kind,
    rank: random.whole(0, 2),
    combine: {
      group: random.pick([null, null, 'g', 'g', 'h']),
      per: random.pick(['item', 'item', 'order']),
      alone: random.whole(0, 7) === 0,
    },
    when: random.whole(0, 4) === 0 ? { minGoodsMinor: 1000 } : {},
  };
}

const randomInput = (random: Random, offers: number): PricingInput =>
  cartInput(
    randomLines(random),
    Array.from({ length: offers }, () => randomOffer(random)),
    {
      deliveryMinor: random.pick([null, 0, 490]),
      tax: { basisPoints: 1900, included: random.whole(0, 1) === 0 },
    },
  );

const goodsOf = (lines: readonly number[]) => lines.reduce((sum, one) => sum + one, 0);

describe('prices, whatever the cart and the offers', () => {
  it('are what a slow pricer finds that was written from the rules alone: 4,000 carts', function () {
    this.timeout(240_000);
    const random = randomFrom(1);
    const seen = { perItem: 0, refused: 0 };
    for (let i = 0; i < 4000; i += 1) {
      const input = randomInput(random, random.whole(0, 6));
      const { lines, deliveryMinor, taxMinor, totalMinor, taken, refused, gifts } = priceCart(input);
      const reasons = Object.fromEntries(Object.entries(refused).map(([id, { code }]) => [id, code]));
      const found = { lines, deliveryMinor, taxMinor, totalMinor, taken, refused: reasons };
      expect({ ...found, gifts: gifts.map(({ offerId }) => offerId) }, JSON.stringify(input)).to.deep.equal(
        slowPrice(input),
      );
      const perItem = input.offers.filter(({ id, combine: { per } }) => per === 'item' && Object.hasOwn(taken, id));
      if (perItem.length > 1) seen.perItem += 1;
      seen.refused += Object.keys(refused).length;
    }
    // The cases that matter come up.
    expect(seen.perItem).to.be.above(300);
    expect(seen.refused).to.be.above(3000);
  });

  it('are never below nothing, and every amount is what its steps add up to', () => {
    const random = randomFrom(2);
    for (let i = 0; i < 2000; i += 1) {
      const input = randomInput(random, 6);
      const priced = priceCart(input);
      for (const [at, { fullMinor, steps }] of priced.receipt.lines.entries()) {
        const off = steps.reduce((sum, { amountMinor }) => sum + amountMinor, 0);
        expect(steps.every(({ amountMinor }) => amountMinor > 0 && Number.isSafeInteger(amountMinor))).to.equal(true);
        expect(fullMinor - off).to.equal(priced.lines[at]);
        expect(priced.lines[at]).to.be.at.least(0);
      }
      const delivery = priced.receipt.delivery.reduce(
        (rest, { amountMinor }) => rest - amountMinor,
        input.deliveryMinor ?? 0,
      );
      expect(delivery).to.equal(priced.deliveryMinor ?? 0);
      const net = goodsOf(priced.lines) + (priced.deliveryMinor ?? 0);
      expect(priced.totalMinor).to.equal(input.tax.included ? net : net + priced.taxMinor);
      const taken = Object.values(priced.taken).reduce((sum, one) => sum + one, 0);
      const full = goodsOf(priced.receipt.lines.map(({ fullMinor }) => fullMinor)) + (input.deliveryMinor ?? 0);
      expect(full - taken).to.equal(net);
      expect(Object.keys({ ...priced.taken, ...priced.refused }).sort()).to.deep.equal(
        input.offers.map(({ id }) => id).sort(),
      );
    }
  });

  it('do not hang on the order of the offers', () => {
    const random = randomFrom(3);
    for (let i = 0; i < 1000; i += 1) {
      const input = randomInput(random, 6);
      const turned = { ...input, offers: [...input.offers].reverse() };
      expect(priceCart(turned)).to.deep.equal(priceCart(input));
    }
  });

  it('hang on the circumstances of this cart, whatever others the same offers were asked about before', () => {
    const random = randomFrom(7);
    const when = () =>
      random.pick([
        { code: 'Spring' },
        { from: '2026-11-26T12:00:00Z' },
        { until: '2026-11-26T12:00:00Z' },
        { shopper: 'new' },
        { birthdayDays: 3 },
        { countries: ['DE'] },
        { sources: ['letter'] },
        { minGoodsMinor: 900 },
      ]);
    const offers = Array.from({ length: 10 }, () => ({
      ...randomOffer(random),
      when: when(),
      limits: random.pick([{}, { total: 2 }, { perShopper: 1 }]),
    }));
    const shared = cartInput([{ unit: 1 }], offers).offers;
    const answers = new Set<string>();
    for (let i = 0; i < 1500; i += 1) {
      const used = Object.fromEntries(
        shared.map(({ id }) => [id, { total: random.whole(0, 3), byShopper: random.whole(0, 1) }]),
      );
      const input = cartInput(randomLines(random), offers, {
        at: random.pick(['2026-11-26T11:59:59Z', '2026-11-26T12:00:00Z', '2027-01-01T00:00:00+01:00']),
        today: random.pick([null, '2026-11-26']),
        birthday: random.pick([null, '11-28', '12-30']),
        shopper: random.pick(['new', 'returning']),
        country: random.pick([null, 'DE', 'AT']),
        source: random.pick([null, 'letter']),
        codes: random.pick([[], [' SPRING '], ['other']]),
        used: random.pick([{}, used]),
      });
      const priced = priceCart({ ...input, offers: shared });
      expect(priced).to.deep.equal(priceCart(input));
      answers.add(Object.keys(priced.refused).sort().join());
    }
    expect(answers.size).to.be.above(30);
  });

  it('never rise by one more offer', () => {
    const random = randomFrom(4);
    for (let i = 0; i < 1000; i += 1) {
      const input = randomInput(random, 6);
      const fewer = { ...input, offers: input.offers.slice(1) };
      const cost = (of: PricingInput) => {
        const { lines, deliveryMinor } = priceCart(of);
        return goodsOf(lines) + (deliveryMinor ?? 0);
      };
      expect(cost(input)).to.be.at.most(cost(fewer));
    }
  });

  it('of a line never rise by a second product, where line offers stand per item or in no group', () => {
    const random = randomFrom(8);
    let lowered = 0;
    for (let i = 0; i < 2000; i += 1) {
      const { offers } = randomInput(random, 5);
      const lineOffers = offers
        .filter(
          (offer) =>
            ['priceIs', 'quantityBreaks'].includes(offer.kind) || ('target' in offer && offer.target === 'lines'),
        )
        .filter((offer) => !('maxMinor' in offer) || offer.maxMinor === null)
        .map((offer) => ({ ...offer, combine: { ...offer.combine, per: 'item', alone: false } }));
      const lines = [...randomLines(random), ...randomLines(random)];
      const [, ...more] = lines;
      const before = price(lines.slice(0, 1), lineOffers);
      const after = price([lines[0]!, ...more], lineOffers);
      expect(after.lines[0], JSON.stringify({ lines, lineOffers })).to.be.at.most(before.lines[0]!);
      if (Object.keys(after.taken).length > 1) lowered += 1;
    }
    expect(lowered).to.be.above(400);
  });

  it('are taxed to the unit in currencies of 0, 2 and 3 decimals', () => {
    const random = randomFrom(5);
    for (let i = 0; i < 1000; i += 1) {
      // Minor units are whole whatever they are a part of: a yen, a cent, a thousandth of a dinar.
      const exponent = random.pick([0, 2, 3]);
      const input = cartInput([{ unit: random.whole(0, 999) * 10 ** exponent + random.whole(0, 9) }], [], {
        deliveryMinor: null,
        tax: { basisPoints: random.pick([500, 700, 1000, 1900]), included: i % 2 === 0 },
      });
      const { basisPoints, included } = input.tax;
      const net = BigInt(input.lines[0]!.unitMinor);
      const [over, under] = [net * BigInt(basisPoints), BigInt(included ? 10_000 + basisPoints : 10_000)];
      expect(BigInt(priceCart(input).taxMinor)).to.equal((2n * over + under) / (2n * under));
    }
  });
});

describe('npm run price', () => {
  it('prints what every figured example comes to', () => {
    const folder = mkdtempSync(path.join(tmpdir(), 'paved-lane-price-'));
    const all = [...WORKED, ...FIGURED];
    const file = path.join(folder, 'carts.json');
    writeFileSync(file, JSON.stringify(all.map(({ lines, offers, input }) => cartInput(lines, offers, input))));

    const printed = execFileSync(process.execPath, ['--import', 'tsx', 'scripts/price.ts', file], { encoding: 'utf8' });

    rmSync(folder, { recursive: true });
    const priced = JSON.parse(printed) as { lines: number[]; totalMinor: number }[];
    expect(priced.map(({ lines, totalMinor }) => [lines, totalMinor])).to.deep.equal(
      all.map(({ after, total }) => [after, total]),
    );
  }).timeout(30_000);
});
