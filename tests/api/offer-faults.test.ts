import { expect } from 'chai';
import { offerSchema, findOfferFaults, type Offer } from '~/core/pricing';
import { publishLane } from '~/services/draft/publish-lane';
import { showDraft } from '~/services/draft/edit-draft';
import { wordFinding } from '~/core/lane';
import { definitions } from '~/pieces/definitions';
import { openTestShop, type TestShop } from '../support/shop';

const offer = (over: object): Offer =>
  offerSchema.parse({ name: 'Ours', kind: 'percentOff', target: 'lines', basisPoints: 1000, ...over });
const ENDS_FIRST = { from: '2026-12-08T00:00:00Z', until: '2026-12-07T00:00:00Z' };

describe('offers that can never work', () => {
  let shop: TestShop;
  before(async () => {
    shop = await openTestShop();
  });
  after(() => shop.close());

  it('are those that end before they begin, share a code, or give what nobody sells, while they are on', () => {
    const offers = {
      ends: offer({ when: ENDS_FIRST }),
      moment: offer({ when: { from: ENDS_FIRST.from, until: ENDS_FIRST.from } }),
      off: offer({ on: false, when: { ...ENDS_FIRST, code: 'WIND' } }),
      one: offer({ when: { code: 'WIND' } }),
      two: offer({ when: { code: ' wind ' } }),
      gift: offerSchema.parse({ name: 'Gift', kind: 'gift', variant: 'GONE', quantity: 1 }),
      right: offer({ when: { from: ENDS_FIRST.until, until: ENDS_FIRST.from, code: 'OTHER' } }),
    };
    expect(findOfferFaults(offers, new Set(['GONE']))).to.deep.equal([
      { offerId: 'ends', field: 'until', code: 'offer-ends' },
      { offerId: 'moment', field: 'until', code: 'offer-ends' },
      { offerId: 'one', field: 'code', code: 'offer-code', other: 'two' },
      { offerId: 'two', field: 'code', code: 'offer-code', other: 'one' },
      { offerId: 'gift', field: 'variant', code: 'offer-gift', sku: 'GONE' },
    ]);
  });

  it('stay in the draft as they are, are told with what to do, and stop publishing until they are mended', async () => {
    const keep = async (offers: Record<string, Offer>) => {
      const stored = (await shop.app.lanes.readDraft())!;
      const document = { ...(stored.document as object), offers };
      await shop.app.lanes.writeDraft({ ...stored, document, edit: stored.edit + 1 });
      return showDraft(shop.app);
    };
    const gift = offerSchema.parse({ name: 'A winder', kind: 'gift', variant: 'NOBODY', quantity: 1 });
    const draft = await keep({ gift, late: offer({ name: 'Winter', when: ENDS_FIRST }) });
    expect(draft.lane.offers['late']!.when).to.include(ENDS_FIRST);
    const told = draft.lint
      .filter(({ level }) => level === 'error')
      .map((finding) => wordFinding(finding, draft.lane, definitions));
    expect(told).to.deep.equal([
      'The offer “A winder” gives “NOBODY”, which is not sold any more. Choose another gift.',
      'The offer “Winter” ends before it begins. Choose a later end.',
    ]);
    const refused = await publishLane(shop.app, { edit: draft.edit, note: '', accountId: null });
    expect(refused.ok || refused.problems[0]!.code).to.equal('lint-blocks');

    const { sku } = (await shop.app.catalogue.findProduct('hoop-winder'))!.variants[0]!;
    const mended = await keep({ gift: { ...gift, variant: sku } as Offer, late: offer({ when: {} }) });
    expect(mended.lint.filter(({ level }) => level === 'error')).to.deep.equal([]);
    expect((await publishLane(shop.app, { edit: mended.edit, note: '', accountId: null })).ok).to.equal(true);
  });
});
