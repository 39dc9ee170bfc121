import { expect } from 'chai';
import { firstLane } from '~/core/lane';
import { notRealYet, type ShopFacts } from '~/core/lane/findings/not-real-yet';
import { definitions } from '~/pieces/definitions';

describe('what is not real yet', () => {
  const begun = () => firstLane(definitions, 'Europe/Berlin');
  const FACTS: ShopFacts = { isFirst: true, shown: 3, free: 0, servedBefore: 1 };
  const said = (change: (lane: ReturnType<typeof begun>) => void, facts: Partial<ShopFacts> = {}) => {
    const lane = begun();
    change(lane);
    return notRealYet(lane, begun(), { ...FACTS, ...facts }).map(({ text }) => text);
  };

  it('says before the shop opens what nobody has changed since it was begun', () => {
    expect(said(() => undefined)).to.deep.equal([
      'Payment is a stand-in: orders are taken, and no money moves.',
      'Mail is a stand-in: what buyers would get stays in Mailbox.',
      'Delivery costs come from a stand-in for a carrier, not from your own table.',
      'Tax is as we began: 19 %, within the prices. Is that yours?',
      'Days and offers follow the clock of Europe/Berlin. Is that where you are?',
      'There is no address shoppers can write to.',
      'These legal pages are empty: imprint, terms of sale, privacy, returns.',
    ]);
  });

  it('says nothing of what was seen to, but for the stand-ins', () => {
    const done = said((lane) => {
      Object.assign(lane.shop, { email: 'a@b.example', timeZone: 'Europe/Oslo' });
      lane.shop.tax = { ...lane.shop.tax, basisPoints: 2500 };
      const zone = { name: 'Near', position: 0, countries: ['DK'], days: '3–5', express: null, steps: [] };
      lane.shop.delivery = { ...lane.shop.delivery, by: 'weight', zones: { near: zone } };
      lane.legal = { en: { imprint: 'Us', terms: 'Fair', privacy: 'None kept', returns: '30 days' } };
    });
    expect(done.map((text) => text.split(' ')[0])).to.deep.equal(['Payment', 'Mail']);
  });

  it('warns of nobody delivered to, nothing shown, goods that cost nothing, and faint colours', () => {
    const none = (lane: ReturnType<typeof begun>) =>
      void (lane.shop.delivery = { ...lane.shop.delivery, by: 'weight' });
    expect(said(none)).to.include('Nobody is delivered to: add a country.');
    expect(said(() => undefined, { shown: 0 })[0]).to.match(/^No product is shown/);
    expect(said(() => undefined, { free: 1 })).to.include('One product that is shown costs nothing.');
    expect(said(() => undefined, { free: 4 })).to.include('4 products that are shown cost nothing.');
    expect(said((lane) => void (lane.theme.muted = lane.theme.paper))).to.include(
      'Quiet text: too faint to read on its ground.',
    );
  });

  it('says later only what publishing would newly break', () => {
    const later = { isFirst: false };
    const none = (lane: ReturnType<typeof begun>) =>
      void (lane.shop.delivery = { ...lane.shop.delivery, by: 'weight' });
    expect(said(() => undefined, later)).to.deep.equal([]);
    expect(said(none, later)).to.deep.equal(['Nobody is delivered to: add a country.']);
    expect(said(none, { ...later, servedBefore: 0 })).to.deep.equal([]);
  });
});
