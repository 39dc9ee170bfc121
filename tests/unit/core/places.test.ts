import { expect } from 'chai';
import { firstLane, LANGUAGES, languageUse, legalText, moveToCountry, textPage, type Lane } from '~/core/lane';
import { offsetSpans, dayIn } from '~/core/time';
import { definitions } from '~/pieces/definitions';

const begun = () => firstLane(definitions, 'Europe/Berlin');
const shopIn = (...countries: string[]) =>
  countries.reduce((lane, country) => moveToCountry(lane, country, false), begun()).shop;

describe('moveToCountry', () => {
  it('begins with the currency, clock, tax and delivery of the country', () => {
    const { currency, timeZone, tax, delivery, locale } = shopIn('JP');

    expect([currency, timeZone, tax.basisPoints, tax.included, locale]).to.deep.equal([
      'JPY',
      'Asia/Tokyo',
      1000,
      true,
      'en-JP',
    ]);
    expect(delivery.by).to.equal('weight');
    expect(Object.values(delivery.zones)).to.deep.equal([
      {
        name: 'Japan',
        position: 0,
        countries: ['JP'],
        days: '2–3',
        express: null,
        steps: [{ upTo: null, amountMinor: 800 }],
      },
    ]);
  });

  it('begins anew with every move, and leaves no trace of the countries before', () => {
    expect(shopIn('JP', 'KW', 'DE')).to.deep.equal({ ...begun().shop });
    expect(shopIn('US').tax).to.deep.include({ basisPoints: 0, included: false });
    expect(shopIn('NZ').timeZone).to.equal('Pacific/Auckland');
  });

  it('keeps what the owner has said', () => {
    const lane = begun();
    lane.shop.tax = { basisPoints: 700, included: false, rates: {} };
    lane.shop.delivery = { ...shopIn('NZ').delivery, home: 'DE' };
    const { tax, delivery } = moveToCountry(lane, 'JP', false).shop;

    expect(tax).to.deep.equal(lane.shop.tax);
    expect([delivery.home, Object.keys(delivery.zones)]).to.deep.equal(['JP', ['zone-1']]);
    expect(moveToCountry(begun(), 'JP', true).shop.currency).to.equal('EUR');
  });

  it('knows thirty languages and more, each with its name', () => {
    expect(LANGUAGES.length).to.be.at.least(30);
    const names = new Intl.DisplayNames(['en'], { type: 'language' });
    expect(LANGUAGES.filter((code) => names.of(code) === code)).to.deep.equal([]);
  });
});

describe('languageUse', () => {
  const lane: Lane = begun();
  lane.shop.languages = ['en', 'de'];
  lane.pages = {
    care: { on: true, inFooter: true, formerly: [], title: { de: 'Pflege' }, text: { de: 'Trocknen.' } },
    about: { on: true, inFooter: true, formerly: [], title: { en: 'About', de: 'Über uns' }, text: { en: 'We sew.' } },
  };
  lane.legal = { de: { terms: 'Bedingungen.' } };
  lane.shopWords = { de: { cart: 'Korb' } };

  it('names page by page what is written in a language, and what in it alone', () => {
    expect(languageUse(lane, 'de', definitions)).to.deep.equal([
      { name: 'Pflege', isOnly: true },
      { name: 'Über uns', isOnly: false },
      { name: 'Terms of sale', isOnly: true },
      { name: 'Words of the shop’s pages', isOnly: false },
    ]);
    expect(languageUse(lane, 'fr', definitions)).to.deep.equal([]);
  });

  it('leaves no page empty that has a text in any language', () => {
    const without: Lane = { ...lane, shop: { ...lane.shop, languages: ['en'] } };

    expect(textPage(without, lane.pages['care']!, 'en')).to.deep.equal({ title: 'Pflege', text: 'Trocknen.' });
    expect(legalText(without, 'terms', 'en')).to.equal('Bedingungen.');
    expect(legalText(without, 'privacy', 'en')).to.equal('');
  });
});

describe('offsetSpans', () => {
  it('puts every instant on the day it is on, across changes of the clock', () => {
    for (const zone of [
      'Europe/Berlin',
      'Pacific/Auckland',
      'America/Los_Angeles',
      'Australia/Lord_Howe',
      'Asia/Kolkata',
    ]) {
      const from = Date.parse('2025-08-01T03:17:21Z');
      const to = Date.parse('2026-11-30T10:00:00Z');
      const spans = offsetSpans(zone, from, to);
      for (let at = from; at <= to; at += 1_733_000) {
        const span = spans.find((one) => at >= one.from && at < one.to)!;
        const day = new Date(at + span.offsetMs).toISOString().slice(0, 10);
        if (day !== dayIn(zone, at)) throw new Error(`${zone} ${new Date(at).toISOString()}: ${day}`);
      }
      expect(spans[0]!.from).to.equal(from);
      expect(spans.at(-1)!.to).to.equal(to + 1);
    }
  });
});
