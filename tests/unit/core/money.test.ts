import { expect } from 'chai';
import fc from 'fast-check';
import { allocate, allocateInto, currencyOf, formatMoney, minor, parseAmount, sumMinor } from '~/core/money';

describe('minor', () => {
  it('refuses fractions, because they are our own bug', () => {
    expect(() => minor(19.5)).to.throw(RangeError);
  });
});

describe('allocate', () => {
  it('gives the cents left over to the largest remainders', () => {
    expect(allocate(minor(100), [1, 1, 1])).to.deep.equal([34, 33, 33]);
    expect(allocate(minor(10), [3, 3, 4])).to.deep.equal([3, 3, 4]);
  });

  it('keeps the sign of what is split', () => {
    expect(allocate(minor(-100), [1, 1, 1])).to.deep.equal([-34, -33, -33]);
  });

  it('gives everything to the first part when no part weighs anything', () => {
    expect(allocate(minor(7), [0, 0])).to.deep.equal([7, 0]);
  });

  it('comes to the same in place, however many parts and however much', () => {
    const weights = fc.array(fc.integer({ min: 0, max: 100_000_000_000 }), { minLength: 1, maxLength: 60 });

    fc.assert(
      fc.property(fc.integer({ min: 0, max: 100_000_000 }), weights, (total, own) => {
        const parts = Float64Array.from([...own, 1, 77]);
        allocateInto(total, parts, own.length + 1);

        expect([...parts]).to.deep.equal([...allocate(minor(total), [...own, 1]), 77]);
      }),
    );
  });

  it('always adds up to the total', () => {
    const weights = fc.array(fc.integer({ min: 0, max: 1_000_000 }), { minLength: 1, maxLength: 20 });

    fc.assert(
      fc.property(
        fc.integer({ min: -1_000_000, max: 1_000_000 }),
        weights,
        (total, parts) => sumMinor(allocate(minor(total), parts)) === total,
      ),
    );
  });
});

describe('parseAmount', () => {
  const cases: [string, 'comma' | 'point', number, number | null][] = [
    ['1.234,50', 'comma', 2, 123_450],
    ['1,234.50', 'point', 2, 123_450],
    ['€ 64', 'point', 2, 6400],
    ['64.00 EUR', 'point', 2, 6400],
    ['0,9', 'comma', 2, 90],
    ['1200', 'comma', 0, 1200],
    ['12.50', 'point', 0, null],
    ['12.50', 'comma', 2, null],
    ['1,23,456', 'point', 2, 12_345_600],
    ['1,23,45', 'point', 2, null],
    ['-5', 'point', 2, null],
    ['abc', 'point', 2, null],
    ['', 'point', 2, null],
    ['12.345', 'point', 2, null],
    ['12.340', 'point', 2, 1234],
  ];
  for (const [text, mark, exponent, expected] of cases) {
    it(`reads “${text}” with a decimal ${mark} as ${expected}`, () => {
      expect(parseAmount(text, { mark, exponent })).to.equal(expected);
    });
  }

  it('reads back every amount that is written with two decimals', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 99_999_999 }), (amount) => {
        const written = (amount / 100).toLocaleString('en', { minimumFractionDigits: 2 });

        return parseAmount(written, { mark: 'point', exponent: 2 }) === amount;
      }),
    );
  });
});

describe('formatMoney', () => {
  it('knows currencies without a minor unit', () => {
    expect(currencyOf('JPY').exponent).to.equal(0);
    expect(formatMoney(1999, currencyOf('JPY'), 'en')).to.equal('¥1,999');
    expect(formatMoney(1999, currencyOf('EUR'), 'en-IE')).to.equal('€19.99');
  });
});
