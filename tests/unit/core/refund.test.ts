import { expect } from 'chai';
import fc from 'fast-check';
import { minor } from '~/core/money';
import { paidParts, planRefund, refundable, spreadRefund, type Done, type RefundedUnits } from '~/core/orders';

/** Lines as quantity, sum and tax rate (none: the shop's), with the taxes worked out once a rate, as when it was priced. */
function order(
  made: readonly (readonly [quantity: number, totalMinor: number, rate?: number | null])[],
  delivery = 0,
  { rate: usual = 2000, included = true } = {},
) {
  const lines = made.map(([quantity, totalMinor, rate = null]) => ({
    quantity,
    totalMinor: minor(totalMinor),
    taxBasisPoints: rate,
  }));
  const bases = new Map<number, number>();
  const add = (rate: number, amount: number) => bases.set(rate, (bases.get(rate) ?? 0) + amount);
  for (const { totalMinor, taxBasisPoints } of lines) add(taxBasisPoints ?? usual, totalMinor);
  add(usual, delivery);
  const steps = [...bases].map(([basisPoints, base]) => ({
    code: included ? ('tax-included' as const) : ('tax-on-top' as const),
    amountMinor: minor(Math.round((base * basisPoints) / (included ? 10_000 + basisPoints : 10_000))),
    basisPoints,
  }));
  const taxMinor = minor(steps.reduce((sum, { amountMinor }) => sum + amountMinor, 0));
  const net = lines.reduce((sum, { totalMinor }) => sum + totalMinor, delivery);
  return {
    lines,
    steps,
    taxMinor,
    taxIncluded: included,
    taxBasisPoints: usual as number | null,
    deliveryMinor: minor(delivery),
    totalMinor: minor(included ? net : net + taxMinor),
  };
}

const amountsOf = ({ lines, delivery }: ReturnType<typeof paidParts>) =>
  [...lines, delivery].map(({ amountMinor }) => amountMinor);
const taxesOf = ({ lines, delivery }: ReturnType<typeof paidParts>) =>
  [...lines, delivery].map(({ taxMinor }) => taxMinor);

describe('paidParts', () => {
  it('is the order line by line where the prices hold the tax', () => {
    const parts = paidParts(order([[2, 1000], [1, 301]], 490)); // prettier-ignore
    expect(amountsOf(parts)).to.deep.equal([1000, 301, 490]);
    expect(taxesOf(parts)).to.deep.equal([167, 50, 82]);
  });

  it('shares a tax on top out, and adds up to the total', () => {
    const made = order([[1, 1000], [1, 333]], 490, { included: false }); // prettier-ignore
    expect(made.totalMinor).to.equal(2188);
    expect(amountsOf(paidParts(made))).to.deep.equal([1200, 400, 588]);
  });

  it('taxes each line at its own rate: food at 8 % is not refunded at 10 %', () => {
    const options = { rate: 1000, included: false };
    const made = order([[1, 1708, 800], [2, 3000]], 500, options); // prettier-ignore
    expect(made.totalMinor).to.equal(1708 + 137 + 3000 + 500 + 350);
    expect(amountsOf(paidParts(made))).to.deep.equal([1845, 3300, 550]);
    expect(taxesOf(paidParts(order([[1, 1080, 800], [1, 1100]], 0, { rate: 1000, included: true })))).to.deep.equal([80, 100, 0]); // prettier-ignore
  });

  it('reads orders from before rates were kept: at the one rate there was, or in proportion', () => {
    const one = { ...order([[1, 1000], [1, 333]], 490, { included: false }), taxBasisPoints: null }; // prettier-ignore
    expect(amountsOf(paidParts(one))).to.deep.equal([1200, 400, 588]);
    const two = { ...order([[1, 1000, 700], [1, 1000]], 0, { included: false }), taxBasisPoints: null }; // prettier-ignore
    expect(amountsOf(paidParts(two))).to.deep.equal([1135, 1135, 0]);
  });
});

const wish = (units: RefundedUnits[], delivery = false, sumMinor = 0) => ({
  units,
  delivery,
  sumMinor: minor(sumMinor),
});

describe('planRefund', () => {
  const three = order([[3, 1000]], 490);

  it('gives a third of 10.00 back three times, and 10.00 in all', () => {
    const amounts: number[] = [];
    const done: Done[] = [];
    for (let i = 0; i < 3; i += 1) {
      const units = [{ line: 0, quantity: 1 }];
      const planned = planRefund(three, done, wish(units));
      amounts.push(planned.ok ? planned.value.amountMinor : -1);
      if (planned.ok) done.push({ ...wish(units), amountMinor: planned.value.amountMinor });
    }
    expect(amounts).to.deep.equal([333, 334, 333]);
    expect(refundable(three, done)).to.deep.equal({
      lines: [{ quantity: 0, amountMinor: 0 }],
      deliveryMinor: 490,
      totalMinor: 490,
    });
  });

  it('refuses more than is left, a line that is not there, delivery twice, and nothing', () => {
    const code = (units: RefundedUnits[], delivery = false, done: Done[] = []) => {
      const planned = planRefund(three, done, wish(units, delivery));
      return planned.ok ? null : planned.problems[0]!.code;
    };
    expect(code([{ line: 0, quantity: 4 }])).to.equal('refund-quantity');
    expect(
      code([{ line: 0, quantity: 2 }], false, [{ ...wish([{ line: 0, quantity: 2 }]), amountMinor: minor(667) }]),
    ).to.equal('refund-quantity');
    expect(code([{ line: 1, quantity: 1 }])).to.equal('refund-line');
    expect(
      code([
        { line: 0, quantity: 1 },
        { line: 0, quantity: 1 },
      ]),
    ).to.equal('refund-line');
    expect(code([], true, [{ ...wish([], true), amountMinor: minor(490) }])).to.equal('refund-delivery');
    expect(code([])).to.equal('refund-nothing');
  });

  it('gives a sum as goodwill, and then only what is left', () => {
    const done: Done[] = [];
    const give = (...wanted: Parameters<typeof wish>) => {
      const planned = planRefund(three, done, wish(...wanted));
      if (!planned.ok) return planned.problems[0]!;
      done.push({ ...wish(...wanted), amountMinor: planned.value.amountMinor });
      return planned.value;
    };
    // 14.90 were paid, 2.48 of it tax.
    expect(give([], false, 500)).to.deep.equal({ amountMinor: 500, taxMinor: 83 });
    expect(refundable(three, done)).to.deep.include({ totalMinor: 990, deliveryMinor: 490 });
    expect(refundable(three, done).lines).to.deep.equal([{ quantity: 3, amountMinor: 1000 }]);
    expect(give([{ line: 0, quantity: 1 }], false, 658)).to.deep.equal({
      path: 'sumMinor',
      code: 'refund-sum',
      facts: { leftMinor: 657 },
    });
    expect(give([{ line: 0, quantity: 1 }])).to.deep.equal({ amountMinor: 333, taxMinor: 55 });
    // Two units and delivery came to 11.57; 6.57 is left.
    expect(give([{ line: 0, quantity: 2 }], true)).to.deep.equal({ amountMinor: 657, taxMinor: three.taxMinor - 138 });
    expect(give([], false, 1)).to.deep.include({ code: 'refund-sum', facts: { leftMinor: 0 } });
    expect(refundable(three, done).totalMinor).to.equal(0);
  });

  it('comes to what was paid, to the cent, in whatever pieces it is given back', () => {
    const rate = fc.constantFrom(null, 0, 500, 800, 1900);
    const line = fc.tuple(fc.integer({ min: 1, max: 9 }), fc.integer({ min: 0, max: 99_999 }), rate);
    const lines = fc.array(line, { minLength: 1, maxLength: 5 });
    fc.assert(
      fc.property(
        lines,
        fc.integer({ min: 0, max: 5000 }),
        fc.record({ rate: fc.integer({ min: 0, max: 2500 }), included: fc.boolean() }),
        fc.array(fc.tuple(fc.nat(4), fc.option(fc.integer({ min: 1, max: 40_000 }), { freq: 3 })), { maxLength: 40 }),
        (made, delivery, tax, picks) => {
          const bought = order(made, delivery, tax);
          const done: Done[] = [];
          let [given, taxes] = [0, 0];
          const give = (units: RefundedUnits[], withDelivery: boolean, sum = 0) => {
            const planned = planRefund(bought, done, wish(units, withDelivery, sum));
            if (!planned.ok) return;
            expect(planned.value.amountMinor).to.be.at.least(0);
            expect(planned.value.taxMinor).to.be.at.least(0).and.at.most(planned.value.amountMinor);
            given += planned.value.amountMinor;
            taxes += planned.value.taxMinor;
            done.push({ ...wish(units, withDelivery, sum), amountMinor: planned.value.amountMinor });
            expect(given + refundable(bought, done).totalMinor).to.equal(bought.totalMinor);
          };
          for (const [pick, sum] of picks)
            give(sum ? [] : [{ line: pick % made.length, quantity: 1 }], pick === 3, sum ?? 0);
          const rest = refundable(bought, done);
          give(
            rest.lines.flatMap(({ quantity }, line) => (quantity > 0 ? [{ line, quantity }] : [])),
            rest.deliveryMinor > 0,
          );
          expect([given, taxes]).to.deep.equal([bought.totalMinor, bought.taxMinor]);
        },
      ),
      {
        examples: [
          [
            [
              [4, 2619, 0],
              [1, 20_787, null],
            ],
            0,
            { rate: 26, included: true },
            [
              [0, 1985],
              [0, 20_765],
              [0, null],
            ],
          ],
        ],
      },
    );
  });
});

describe('a refund of several charges', () => {
  const charges = [
    { key: 'a', amountMinor: 1000 },
    { key: 'b', amountMinor: 300 },
  ];

  it('goes back from the first, then from the next', () => {
    expect(spreadRefund(charges, 0, 400)).to.deep.equal([{ key: 'a', amountMinor: 400 }]);
    expect(spreadRefund(charges, 400, 900)).to.deep.equal([
      { key: 'a', amountMinor: 600 },
      { key: 'b', amountMinor: 300 },
    ]);
    expect(spreadRefund(charges, 1100, 200)).to.deep.equal([{ key: 'b', amountMinor: 200 }]);
    expect(spreadRefund(charges, 0, 0)).to.deep.equal([]);
  });

  it('adds up, in however many parts, and takes no charge twice', () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 0, max: 5000 }), { minLength: 1, maxLength: 4 }),
        fc.array(fc.integer({ min: 1, max: 3000 }), { maxLength: 8 }),
        (amounts, parts) => {
          const all = amounts.map((amountMinor, i) => ({ key: `${i}`, amountMinor }));
          const total = amounts.reduce((sum, amount) => sum + amount, 0);
          const taken = new Map<string, number>();
          let before = 0;
          for (const part of parts) {
            if (before + part > total) break;
            for (const { key, amountMinor } of spreadRefund(all, before, part))
              taken.set(key, (taken.get(key) ?? 0) + amountMinor);
            before += part;
          }
          expect([...taken.values()].reduce((sum, amount) => sum + amount, 0)).to.equal(before);
          for (const { key, amountMinor } of all) expect(taken.get(key) ?? 0).to.be.at.most(amountMinor);
        },
      ),
    );
  });
});
