import { expect } from 'chai';
import fc from 'fast-check';
import { checkTheme, firstLane, legalText, readLane, readThemeCss, themeCss } from '~/core/lane';
import { isPostcode, servedCountries, tableRates, type Delivery } from '~/core/delivery';
import { definitions } from '~/pieces/definitions';
import { liveDemoLane } from '../../../demo/lane';

const step = (upTo: number | null, amountMinor: number) => ({ upTo, amountMinor });
const delivery = (over: Partial<Delivery> = {}): Delivery => ({
  home: 'DE',
  by: 'weight',
  zones: {
    far: { name: 'Far', position: 1, countries: ['NO', 'DE'], days: '4–7', steps: [step(5000, 1690)], express: null },
    home: {
      name: 'Home',
      position: 0,
      countries: ['DE', 'AT'],
      days: '2–3',
      steps: [step(2000, 490), step(10_000, 690), step(null, 1290)],
      express: { days: '1–2', extraMinor: 800 },
    },
  },
  ...over,
});
const rates = (table: Delivery, country: string, weightGrams: number, valueMinor = 0) =>
  tableRates(table, { country, weightGrams, valueMinor }).map(({ key, amountMinor }) => [key, amountMinor]);

describe('an own table of delivery costs', () => {
  it('goes by the step that holds the weight, its limit included', () => {
    expect(rates(delivery(), 'AT', 2000)).to.deep.equal([
      ['standard', 490],
      ['express', 1290],
    ]);
    expect(rates(delivery(), 'AT', 2001)[0]).to.deep.equal(['standard', 690]);
    expect(rates(delivery(), 'AT', 99_999)[0]).to.deep.equal(['standard', 1290]);
  });

  it('goes by value where the owner says so', () => {
    expect(rates(delivery({ by: 'value' }), 'AT', 99_999, 1500)[0]).to.deep.equal(['standard', 490]);
  });

  it('sends nothing beyond its last step, and nowhere that is in no zone', () => {
    expect(rates(delivery(), 'NO', 5001)).to.deep.equal([]);
    expect(rates(delivery(), 'FR', 100)).to.deep.equal([]);
  });

  it('takes a country of two zones for the first, and serves each once, the home first', () => {
    expect(rates(delivery(), 'DE', 100)[0]).to.deep.equal(['standard', 490]);
    expect(servedCountries(delivery())).to.deep.equal(['DE', 'AT', 'NO']);
    expect(servedCountries(delivery({ home: 'US' }))).to.deep.equal(['DE', 'AT', 'NO']);
    expect(servedCountries({ home: 'NL', by: 'carrier', zones: {} })[0]).to.equal('NL');
  });

  it('costs no less the heavier a parcel is, where its prices go up', () => {
    fc.assert(
      fc.property(fc.nat(20_000), fc.nat(20_000), (a, b) => {
        const [light, heavy] = [Math.min(a, b), Math.max(a, b)].map((grams) =>
          Number(rates(delivery(), 'DE', grams)[0]![1]),
        );
        expect(heavy!).to.be.at.least(light!);
      }),
    );
  });

  it('is refused with steps that do not go up', () => {
    const lane = liveDemoLane();
    lane.shop.delivery = delivery();
    expect(readLane(lane, definitions).ok).to.equal(true);
    lane.shop.delivery.zones['home']!.steps.reverse();
    expect(readLane(lane, definitions).ok).to.equal(false);
  });

  it('takes postcodes of countries whose shape is known by it, and others as long as they are some', () => {
    expect([isPostcode('DE', '12345'), isPostcode('DE', '1234')]).to.deep.equal([true, false]);
    expect([isPostcode('US', '94110'), isPostcode('US', '?'), isPostcode('IE', 'D02 X285')]).to.deep.equal([
      true,
      false,
      true,
    ]);
  });
});

describe('a theme', () => {
  const { theme } = liveDemoLane();

  it('is told which texts are too faint, and what would pass', () => {
    expect(checkTheme(theme).every((pair) => pair.passes)).to.equal(true);
    const faint = checkTheme({ ...theme, muted: '#aab8bd' }).filter((pair) => !pair.passes);
    expect(faint.map(({ text, ground }) => [text, ground])).to.deep.equal([
      ['muted', 'paper'],
      ['muted', 'panel'],
    ]);
    expect(checkTheme({ ...theme, muted: faint[0]!.fix! }).filter((pair) => !pair.passes)).to.deep.equal([]);
  });

  it('is found in pasted variables by what they are called', () => {
    const css = `:root { --color-primary: rgb(28, 78, 95); --primary-dark: #123; --background: white; --text-color: #222;
      --card-bg: #fefefe; --border: hsl(0 0% 80%); --text-muted: gray; --btn-radius: .5rem; --shadow: 0 1px 2px #000 }`;
    expect(readThemeCss(css)).to.deep.equal({
      accent: '#1c4e5f',
      accentStrong: '#112233',
      paper: '#ffffff',
      ink: '#222222',
      panel: '#fefefe',
      line: '#cccccc',
      muted: '#808080',
    });
    expect(readThemeCss('--radius: 12px').radiusPx).to.equal(undefined);
    expect(readThemeCss(':root{--radius: 12px}').radiusPx).to.equal(12);
    expect(readThemeCss('{{{{ not } css ((( "')).to.deep.equal({});
  });

  it('names its font in the sheet', () => {
    expect(themeCss({ ...theme, font: 'serif' }, ':root')).to.include("--pl-font:Georgia, 'Times New Roman', serif");
  });
});

describe('the first lane', () => {
  it('can be read, sells, and opens nothing twice', () => {
    const lane = firstLane(definitions, 'Europe/Berlin');
    expect(readLane(lane, definitions)).to.deep.equal({ ok: true, value: lane });
    expect(checkTheme(lane.theme).filter((pair) => !pair.passes)).to.deep.equal([]);
  });
});

describe('a legal text', () => {
  it('is the one of the language, else of the shop’s first', () => {
    const lane = { ...liveDemoLane(), legal: { en: { terms: 'Terms' }, de: { terms: 'AGB', imprint: '' } } };
    expect([legalText(lane, 'terms', 'de'), legalText(lane, 'terms', 'ar')]).to.deep.equal(['AGB', 'Terms']);
    expect(legalText(lane, 'imprint', 'de')).to.equal('');
  });
});
