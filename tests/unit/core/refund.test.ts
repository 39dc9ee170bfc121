import { expect } from 'chai';
import fc from 'fast-check';
import { minor } from '~/core/money';
import { paidParts, planRefund, refundable, spreadRefund, type RefundedUnits } from '~/core/orders';

const order = (totals: readonly (readonly [quantity: number, totalMinor: number])[], delivery = 0, total?: number) => ({
  lines: totals.map(([quantity, totalMinor]) => ({ quantity, totalMinor: minor(totalMinor) })),
  deliveryMinor: minor(delivery),
  totalMinor: minor(total ?? totals.reduce((sum, [, amount]) => sum + amount, delivery)),
});

describe('paidParts', () => {
  it('is the order line by line where the prices hold the tax', () => {
    expect(
      paidParts(
        order(
          [
            [2, 1000],
            [1, 301],
          ],
          490,
        ),
      ),
    ).to.deep.equal({ lines: [1000, 301], delivery: 490 });
  });

  it('shares a tax on top out, and adds up to the total', () => {
    const { lines, delivery } = paidParts(
      order(
        [
          [1, 1000],
          [1, 333],
        ],
        490,
        2188,
      ),
    );
    expect([...lines, delivery].reduce((a, b) => a + b, 0)).to.equal(2188);
    expect(lines).to.deep.equal([1200, 400]);
  });
});

describe('planRefund', () => {
  const three = order([[3, 1000]], 490);

  it('gives a third of 10.00 back three times, and 10.00 in all', () => {
    const amounts: number[] = [];
    const done: { units: RefundedUnits[]; delivery: boolean }[] = [];
    for (let i = 0; i < 3; i += 1) {
      const units = [{ line: 0, quantity: 1 }];
      const planned = planRefund(three, done, { units, delivery: false });
      amounts.push(planned.ok ? planned.value.amountMinor : -1);
      done.push({ units, delivery: false });
    }
    expect(amounts).to.deep.equal([333, 334, 333]);
    expect(refundable(three, done)).to.deep.equal({
      lines: [{ quantity: 0, amountMinor: 0 }],
      deliveryMinor: 490,
      totalMinor: 490,
    });
  });

  it('refuses more than is left, a line that is not there, delivery twice, and nothing', () => {
    const code = (
      units: RefundedUnits[],
      delivery = false,
      done: { units: RefundedUnits[]; delivery: boolean }[] = [],
    ) => {
      const planned = planRefund(three, done, { units, delivery });
      return planned.ok ? null : planned.problems[0]!.code;
    };
    expect(code([{ line: 0, quantity: 4 }])).to.equal('refund-quantity');
    expect(code([{ line: 0, quantity: 2 }], false, [{ units: [{ line: 0, quantity: 2 }], delivery: false }])).to.equal(
      'refund-quantity',
    );
    expect(code([{ line: 1, quantity: 1 }])).to.equal('refund-line');
    expect(
      code([
        { line: 0, quantity: 1 },
        { line: 0, quantity: 1 },
      ]),
    ).to.equal('refund-line');
    expect(code([], true, [{ units: [], delivery: true }])).to.equal('refund-delivery');
    expect(code([])).to.equal('refund-nothing');
  });

  it('comes to what was paid, to the cent, in whatever pieces it is given back', () => {
    const lines = fc.array(fc.tuple(fc.integer({ min: 1, max: 9 }), fc.integer({ min: 0, max: 99_999 })), {
      minLength: 1,
      maxLength: 5,
    });
    fc.assert(
      fc.property(
        lines,
        fc.integer({ min: 0, max: 5000 }),
        fc.integer({ min: 0, max: 2500 }),
        fc.array(fc.nat(4), { maxLength: 40 }),
        (made, delivery, taxRate, picks) => {
          const net = made.reduce((sum, [, amount]) => sum + amount, delivery);
          const bought = order(made, delivery, net + Math.round((net * taxRate) / 10_000));
          const done: { units: RefundedUnits[]; delivery: boolean }[] = [];
          let given = 0;
          const give = (units: RefundedUnits[], withDelivery: boolean) => {
            const planned = planRefund(bought, done, { units, delivery: withDelivery });
            if (!planned.ok) return;
            expect(planned.value.amountMinor).to.be.at.least(0);
            given += planned.value.amountMinor;
            done.push({ units, delivery: withDelivery });
            expect(given + refundable(bought, done).totalMinor).to.equal(bought.totalMinor);
          };
          for (const pick of picks) give([{ line: pick % made.length, quantity: 1 }], pick === 3);
          const rest = refundable(bought, done);
          give(
            rest.lines.flatMap(({ quantity }, line) => (quantity > 0 ? [{ line, quantity }] : [])),
            rest.deliveryMinor > 0,
          );
          expect(given).to.equal(bought.totalMinor);
        },
      ),
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
