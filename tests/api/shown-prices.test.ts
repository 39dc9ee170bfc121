import { expect } from 'chai';
import { randomUUID } from 'node:crypto';
import { offerSchema, offersOf, shownOffers, type Offer } from '~/core/pricing';
import { createApp, type App } from '~/services/app';
import { changeCartOf } from '~/services/cart/change-cart';
import { findProduct, listingParamsSchema, listProducts } from '~/services/catalogue/browse-shop';
import { saveProduct } from '~/services/catalogue/edit-product';
import { publishLane } from '~/services/draft/publish-lane';
import { liveLane } from '~/services/lane/live-lane';
import { settleShownPrices } from '~/services/prices/record-shown';
import type { ProductRecord } from '~/core/catalogue';
import { randomFrom } from '../../demo/random';
import { cartInput, only } from '../support/pricing';
import { sellWith } from '../support/live-offers';
import { orderNow } from '../support/order-now';
import { openTestShop, type TestShop } from '../support/shop';
import { slowPrice } from '../support/slow-pricer';

const HOUR = 3_600_000;
const DAY = 24 * HOUR;
const START = Date.parse('2026-11-30T09:00:00Z');

describe('prices as they were shown', () => {
  let shop: TestShop;
  let app: App;
  let now = START;
  beforeEach(async () => {
    now = START;
    shop = await openTestShop(0, () => now);
    app = shop.app;
    await settleShownPrices(app);
  });
  afterEach(() => shop.close());

  const variantOf = async (slug: string) => (await app.catalogue.findProduct(slug))!.variants[0]!.id;
  async function historyOf(slug: string): Promise<(readonly [at: number, priceMinor: number])[]> {
    await settleShownPrices(app);
    const id = await variantOf(slug);
    const rows = (await app.shownPrices.listHistory([id], 'EUR')).get(id)!;
    return rows.map(({ at, priceMinor }) => [at, priceMinor] as const);
  }
  async function edit(slug: string, change: (record: ProductRecord) => ProductRecord): Promise<void> {
    const stored = (await app.catalogue.readRecord(slug))!;
    const saved = await saveProduct(app, slug, { edit: stored.edit, record: change(stored.record) }, 1);
    expect(saved.ok, JSON.stringify(saved)).to.equal(true);
  }
  const priced =
    (priceMinor: number, wasMinor: number | null = null) =>
    (record: ProductRecord) => ({
      ...record,
      variants: record.variants.map((variant) => ({ ...variant, priceMinor, wasMinor })),
    });
  const percent = (basisPoints: number, over: object = {}) => ({
    kind: 'percentOff',
    target: 'lines',
    basisPoints,
    combine: { group: 'discounts', per: 'item' },
    ...over,
  });
  const iso = (at: number) => new Date(at).toISOString();
  /** What the product page says: now, struck through, and the lowest before. */
  async function pageOf(slug: string) {
    const [variant] = (await findProduct(app, slug))!.variants;
    return [variant!.priceMinor, variant!.wasMinor, variant!.wasMinor === null ? null : variant!.lowMinor];
  }

  it('are kept when the catalogue, what is published or the clock changes them, at that moment', async () => {
    const first = await historyOf('hoop-winder');
    expect(first.map(([, price]) => price)).to.deep.equal([790]);
    now += HOUR;
    await edit('hoop-winder', priced(800));
    now += HOUR;
    const from = now + 3 * HOUR;
    await sellWith(app, { week: percent(1000, { when: { from: iso(from), until: iso(from + DAY) } }) });
    // Nobody looked at the shop while it began and ended.
    now += 3 * DAY;
    await edit('hoop-winder', priced(900));

    expect((await historyOf('hoop-winder')).slice(1)).to.deep.equal([
      [START + HOUR, 800],
      [from, 720],
      [from + DAY, 800],
      [now, 900],
    ]);
  });

  it('are told of a server that was off when it starts again', async () => {
    const from = now + DAY;
    await sellWith(app, {
      week: percent(2500, { selection: only('end-cap'), when: { from: iso(from), until: iso(from + DAY) } }),
    });
    await settleShownPrices(app);
    now += 5 * DAY;
    app = await createApp({ dataDir: shop.app.db.dataDir, now: () => now, logLevel: 'silent' });

    expect((await historyOf('end-cap')).slice(1)).to.deep.equal([
      [from, 67],
      [from + DAY, 90],
    ]);
    expect(await historyOf('hoop-winder')).to.have.length(1);
    await app.db.close();
  });

  it('change when the last use of an offer is gone', async () => {
    await sellWith(app, { few: percent(1000, { selection: only('hoop-winder'), limits: { total: 1 } }) });
    expect((await historyOf('hoop-winder')).at(-1)![1]).to.equal(711);
    now += HOUR;
    const cartToken = randomUUID();
    const add = {
      kind: 'add',
      variantId: await variantOf('hoop-winder'),
      quantity: 1,
      choices: {},
      answers: {},
    } as const;
    await changeCartOf(app, cartToken, add);
    const answer = await orderNow(app, { cartToken });

    expect(answer.ok).to.equal(true);
    expect((await historyOf('hoop-winder')).at(-1)).to.deep.equal([now, 790]);
  });

  it('say what stands beside a lower price: worked out by hand', async () => {
    // A “was” typed on a price that never changed is not struck through.
    await edit('end-cap', priced(90, 120));
    expect(await pageOf('end-cap')).to.deep.equal([90, null, null]);
    // Lowered by the catalogue.
    now += 10 * DAY;
    await edit('end-cap', priced(80, 90));
    expect(await pageOf('end-cap')).to.deep.equal([80, 90, 90]);
    // One that began 25 days ago: its own price is not the lowest before it.
    await edit('hoop-winder', priced(700));
    now += 5 * DAY;
    await edit('hoop-winder', priced(790));
    now += 5 * DAY;
    await sellWith(app, { first: percent(1000, { selection: only('hoop-winder') }) });
    now += 25 * DAY;
    expect(await pageOf('hoop-winder')).to.deep.equal([711, 790, 700]);
    // An offer after an offer, with two days between.
    await sellWith(app, {});
    now += 2 * DAY;
    await sellWith(app, { second: percent(2000, { selection: only('hoop-winder') }) });
    expect(await pageOf('hoop-winder')).to.deep.equal([632, 790, 711]);
    // The card says the same.
    const { cards } = await listProducts(app, listingParamsSchema.parse({ q: 'hoop winder' }), 2);
    const card = cards.find(({ slug }) => slug === 'hoop-winder')!;
    expect([card.fromMinor, card.wasMinor]).to.deep.equal([632, 790]);
  });

  it('are what listings are sorted and narrowed by', async () => {
    await sellWith(app, { half: percent(5000, { selection: only('hoop-winder') }) });
    const list = (over: object) => listProducts(app, listingParamsSchema.parse(over), 2, { pageSize: 200 });
    const up = (await list({ sort: 'price-up' })).cards;
    const cheap = (await list({ sort: 'price-up', from: '3.90', to: '4.00' })).cards;

    expect(up.find(({ slug }) => slug === 'hoop-winder')!.fromMinor).to.equal(395);
    expect(up.map(({ fromMinor }) => fromMinor)).to.deep.equal(
      up.map(({ fromMinor }) => fromMinor).sort((a, b) => a - b),
    );
    expect(cheap.map(({ slug }) => slug)).to.include('hoop-winder');
    expect(cheap.every(({ fromMinor, toMinor }) => toMinor >= 390 && fromMinor <= 400)).to.equal(true);
  });

  it('equal a replay of what was published, the catalogue and the clock: 12 random pasts', async function () {
    this.timeout(120_000);
    let changes = 0;
    for (let seed = 1; seed <= 12; seed += 1) changes += await replayRandom(seed);
    expect(changes).to.be.above(60);
  });

  async function replayRandom(seed: number): Promise<number> {
    const random = randomFrom(seed);
    const slug = seed % 2 === 0 ? 'hoop-winder' : 'end-cap';
    /** What stood from when on, as the test knows it. */
    const log: { at: number; listMinor: number; tags: readonly string[]; offers: Readonly<Record<string, Offer>> }[] =
      [];
    const record = (await app.catalogue.readRecord(slug))!.record;
    let state = {
      listMinor: record.variants[0]!.priceMinor,
      tags: record.tags as readonly string[],
      offers: (await liveLane(app)).lane.offers as Readonly<Record<string, Offer>>,
    };
    const begin = now;
    const before = (await historyOf(slug)).length;
    for (let step = 0; step < 14; step += 1) {
      now += random.whole(1, 60) * HOUR;
      switch (random.whole(0, 3)) {
        case 0:
          state = { ...state, listMinor: random.pick([500, 640, 790]) };
          await edit(slug, priced(state.listMinor));
          break;
        case 1:
          state = { ...state, tags: random.pick([[], ['sale'], ['sale', 'new']]) };
          await edit(slug, (own) => ({ ...own, tags: [...state.tags] }));
          break;
        case 2: {
          const moment = () => random.pick([null, iso(now + random.whole(-50, 90) * HOUR)]);
          const offers = Array.from({ length: random.whole(0, 4) }, (_, i) => {
            const [from, until] = [moment(), moment()];
            const isOrdered = from === null || until === null || from < until;
            return [
              `o${i}`,
              offerSchema.parse({
                ...random.pick<object>([
                  percent(random.pick([1000, 2500])),
                  { kind: 'priceIs', unitMinor: 450 },
                  { kind: 'amountOff', target: 'lines', amountMinor: 75 },
                  percent(4000, { combine: { group: 'discounts', per: 'order' } }),
                ]),
                selection: random.pick([null, { only: { tags: ['sale'] } }, only(slug)]),
                when: isOrdered ? { from, until } : { from },
              }),
            ] as const;
          });
          state = { ...state, offers: Object.fromEntries(offers) };
          const draft = (await app.lanes.readDraft())!;
          const { lane } = await liveLane(app);
          await app.lanes.writeDraft({ ...draft, document: { ...lane, offers: state.offers }, edit: draft.edit + 1 });
          expect((await publishLane(app, { edit: draft.edit + 1, note: '', accountId: null })).ok).to.equal(true);
          break;
        }
        default:
          // Somebody looks at the shop; or nobody does for long.
          if (random.whole(0, 1) === 0) await settleShownPrices(app);
          continue;
      }
      log.push({ at: now, ...state });
    }
    now += 200 * HOUR;
    const found = (await historyOf(slug)).slice(before);

    const moments = log.flatMap(({ at, offers }, i) => {
      const until = log[i + 1]?.at ?? now;
      const own = Object.values(offers).flatMap(({ when }) => [when.from, when.until].flatMap((one) => one ?? []));
      return [at, ...own.map((one) => Date.parse(one)).filter((one) => one > at && one < until)];
    });
    // Of what stood before the first step the offers of the demo may begin and end meanwhile; they are about other goods.
    const expected: [number, number][] = [];
    let last = await priceBefore(slug, begin);
    for (const at of [...new Set(moments)].sort((a, b) => a - b)) {
      const { listMinor, tags, offers } = log.findLast((one) => one.at <= at)!;
      const price = slowShown(slug, { listMinor, tags, offers, categories: await categoriesOf(slug) }, at);
      if (`${price.minor} ${price.by}` === last) continue;
      last = `${price.minor} ${price.by}`;
      expected.push([at, price.minor]);
    }
    expect(found, `seed ${seed}`).to.deep.equal(expected);
    return found.length;
  }

  async function categoriesOf(slug: string): Promise<string[]> {
    const id = await variantOf(slug);
    return [...(await app.catalogue.variantFacts([id])).get(id)!.categories];
  }
  async function priceBefore(slug: string, at: number): Promise<string> {
    const id = await variantOf(slug);
    const last = (await app.shownPrices.listHistory([id], 'EUR')).get(id)!.findLast((one) => one.at <= at)!;
    return `${last.priceMinor} ${last.by}`;
  }
  function slowShown(
    slug: string,
    of: { listMinor: number; tags: readonly string[]; categories: string[]; offers: Readonly<Record<string, Offer>> },
    at: number,
  ): { minor: number; by: string } {
    const offers = shownOffers(offersOf(of.offers), { at, severalCodes: false });
    const line = { product: slug, unit: of.listMinor, tags: of.tags, categories: of.categories };
    const price = slowPrice({ ...cartInput([line], [], { at: iso(at), deliveryMinor: null }), offers });
    return { minor: price.lines[0]!, by: Object.keys(price.taken).sort().join(',') };
  }
});
