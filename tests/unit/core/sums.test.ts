import { expect } from 'chai';
import fc from 'fast-check';
import {
  convertSum,
  currencyOf,
  decimalMarkOf,
  formatMoney,
  MOST_MINOR,
  readSignedSum,
  readSum,
  usualSum,
  writeSum,
} from '~/core/money';

const CURRENCIES = ['JPY', 'KWD', 'EUR', 'INR'].map((code) => currencyOf(code));
const LOCALES = ['en-IE', 'en-IN', 'de-DE', 'ar-KW', 'ar-EG'];
const styleOf = (code: string, locale: string) => ({
  exponent: currencyOf(code).exponent,
  mark: decimalMarkOf(locale),
});

describe('sums', () => {
  it('are read as they were written: in a field, and as people read them, in every currency and place', () => {
    const amount = fc.oneof(fc.integer({ min: 0, max: 99_999 }), fc.integer({ min: 0, max: MOST_MINOR }));
    fc.assert(
      fc.property(fc.constantFrom(...CURRENCIES), fc.constantFrom(...LOCALES), amount, (currency, locale, sum) => {
        const style = styleOf(currency.code, locale);
        for (const written of [writeSum(sum, style), formatMoney(sum, currency, locale)]) {
          const read = readSum(written, style);
          if (read.kind !== 'sum' || read.amountMinor !== sum) throw new Error(`${written}: ${JSON.stringify(read)}`);
        }
        const below = readSignedSum(writeSum(-sum, style), style);
        return below.kind === 'sum' && below.amountMinor === 0 - sum;
      }),
      { numRuns: 4000 },
    );
  });

  it('mean one thing, or are asked about: never another sum than one of the two readings', () => {
    const text = fc
      .array(fc.constantFrom(...'0123456789.,'.split('')), { minLength: 1, maxLength: 9 })
      .map((marks) => marks.join(''));
    fc.assert(
      fc.property(text, fc.constantFrom(...CURRENCIES), fc.constantFrom('point', 'comma'), (typed, currency, mark) => {
        const { exponent } = currency;
        const read = readSum(typed, { exponent, mark });
        const plain = (decimal: string) => {
          const parts = typed.split(decimal);
          const digits = parts.map((part) => part.replace(/[.,]/g, ''));
          return parts.length > 2 ? null : Math.round(Number(`${digits[0] || 0}.${digits[1] ?? 0}`) * 10 ** exponent);
        };
        const readings = [plain('.'), plain(',')];
        if (read.kind === 'sum') return readings.includes(read.amountMinor);
        return read.kind !== 'unclear' || read.readings[0] !== read.readings[1];
      }),
      { numRuns: 4000 },
    );
  });

  const minorUnits = (code: string, locale: string, text: string) => {
    const read = readSum(text, styleOf(code, locale));
    return read.kind === 'sum' ? read.amountMinor : read.kind === 'unclear' ? read.readings : read.kind;
  };
  const CASES: readonly [code: string, locale: string, text: string, expected: unknown][] = [
    ['JPY', 'en-IE', '1,200', 1200],
    ['JPY', 'en-IE', '15000', 15_000],
    ['JPY', 'en-IE', '1.200', [1, 1200]],
    ['JPY', 'en-IE', '12.5', 'too-exact'],
    ['JPY', 'ja-JP', '￥1,200', 1200],
    ['KWD', 'en-IE', '12.500', 12_500],
    ['KWD', 'en-IE', '12.5', 12_500],
    ['KWD', 'en-IE', '12,500', [12_500_000, 12_500]],
    ['KWD', 'de-DE', '12,500', 12_500],
    ['KWD', 'de-DE', '12.500', [12_500_000, 12_500]],
    ['KWD', 'de-DE', '12.500,000', 12_500_000],
    ['EUR', 'en-IE', '12,500', 1_250_000],
    ['EUR', 'en-IE', '12,50', 1250],
    ['EUR', 'en-IE', '1.234,50', 123_450],
    ['EUR', 'en-IE', '1.200', [120, 120_000]],
    ['EUR', 'de-DE', '1.200', 120_000],
    ['EUR', 'de-DE', '19,99 €', 1999],
    ['EUR', 'en-IE', '12.0000', 1200],
    ['EUR', 'en-IE', '.5', 50],
    ['EUR', 'en-IE', '-3', 'negative'],
    ['EUR', 'en-IE', '−0', 0],
    ['EUR', 'en-IE', 'twelve', 'no-number'],
    ['EUR', 'en-IE', '', 'no-number'],
    ['EUR', 'en-IE', '1e5', 'no-number'],
    ['EUR', 'en-IE', '999999999999', 'too-large'],
    ['INR', 'en-IN', '₹12,34,567.00', 123_456_700],
    ['KWD', 'ar-KW', '١٢٫٥٠٠', 12_500],
    ['KWD', 'ar-KW', '١٬٢٣٤٫٥', 1_234_500],
  ];
  for (const [code, locale, text, expected] of CASES)
    it(`read “${text}” in ${code} where people write as in ${locale}`, () => {
      expect(minorUnits(code, locale, text)).to.deep.equal(expected);
    });

  it('begin as a shop of the currency would write them', () => {
    const of = (code: string) => [5, 8, 50].map((euros) => Number(usualSum(euros, currencyOf(code))));

    expect([of('EUR'), of('JPY'), of('KWD'), of('INR')]).to.deep.equal([
      [500, 800, 5000],
      [800, 1000, 8000],
      [2000, 3000, 20_000],
      [50_000, 80_000, 500_000],
    ]);
  });

  it('are converted at a rate, or keep their numbers however many decimals there are', () => {
    const convert = (amount: number, from: string, to: string, rate: number) =>
      Number(convertSum(amount, { from, to, rate }));

    expect([
      convert(1999, 'EUR', 'JPY', 1),
      convert(1999, 'EUR', 'JPY', 161.27),
      convert(1999, 'EUR', 'KWD', 1),
      convert(-250, 'EUR', 'JPY', 161),
      convert(1, 'JPY', 'EUR', 0.0062),
    ]).to.deep.equal([20, 3224, 19_990, -403, 1]);
  });
});
