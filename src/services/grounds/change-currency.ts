import type { CurrencyWish } from '~/contract/studio/grounds';
import { convertLane, convertSums, readLane, type CurrencyPlan, type Lane } from '~/core/lane';
import { convertFactor, convertSum, MOST_MINOR, type CurrencyChange } from '~/core/money';
import { fail, ok, type Result } from '~/core/problems';
import { definitions } from '~/pieces/definitions';
import type { App } from '~/services/app';
import { forgetLiveLane, liveLane } from '~/services/lane/live-lane';
import { changingPrices } from '~/services/prices/record-shown';
import { replaceLanes } from './replace-lanes';

const EXAMPLES = 5;
const NAMED = 3;

/** Says what a change of the shop's currency would do; changes nothing. Refused where a price would be lost or too large. */
export async function planCurrency(app: App, { to, rate }: CurrencyWish): Promise<Result<CurrencyPlan>> {
  const { shop, offers } = await draftOf(app);
  const change: CurrencyChange = { from: shop.currency, to, rate };
  if (shop.currency === to) return fail('to', 'currency-same');
  const [prices, lost, orders] = await Promise.all([
    app.grounds.summarisePrices(EXAMPLES),
    app.grounds.listLost(convertFactor(change), NAMED),
    app.grounds.countOrders(),
  ]);
  if (lost.length > 0) return fail('rate', 'currency-lost', { names: new Intl.ListFormat('en').format(lost) });
  if (convertSum(prices.mostMinor, change) > MOST_MINOR) return fail('rate', 'currency-large');
  return ok({
    from: shop.currency,
    to,
    products: prices.products,
    offers: Object.keys(offers).length,
    orders,
    zones: shop.delivery.by === 'carrier' ? 0 : Object.keys(shop.delivery.zones).length,
    examples: prices.examples.map(({ name, priceMinor }) => ({
      name,
      fromMinor: priceMinor,
      toMinor: convertSum(priceMinor, change),
    })),
  });
}

/** Changes the currency of everything the shop asks for, at once. What was paid stays in the currency it was paid in. */
export async function changeCurrency(
  app: App,
  wish: CurrencyWish & { readonly edit: number },
  accountId: number,
): Promise<Result<{ edit: number }>> {
  const planned = await planCurrency(app, wish);
  if (!planned.ok) return planned;
  const { from, to } = planned.value;
  const change: CurrencyChange = { from, to, rate: wish.rate };
  const running = await app.imports.findLatest();
  if (running?.state === 'running') return fail('', 'currency-import');
  const store = () =>
    app.db.inTransaction(async (): Promise<Result<{ edit: number }>> => {
      const request = { edit: wish.edit, note: `Currency: ${from} to ${to}`, accountId };
      const replaced = await replaceLanes(app, request, (lane) => convertLane(lane, change));
      if (!replaced.ok) return replaced;
      await app.grounds.convertCatalogue(convertFactor(change));
      const options = await app.grounds.listOptions();
      await app.grounds.writeOptions(
        options.map((row) => [row.id, JSON.stringify(convertSums(JSON.parse(row.options) as unknown, change))]),
      );
      await app.catalogue.refreshFigures();
      await app.grounds.noteCurrency(change, app.now(), replaced.value.revision);
      const facts = { from, to, rate: wish.rate };
      await app.audit.write({ at: app.now(), accountId, action: 'change-currency', facts });
      return ok({ edit: replaced.value.edit });
    });
  const forgetting = async () => {
    const stored = await store();
    forgetLiveLane(app);
    return stored;
  };
  return changingPrices(app, forgetting, ({ ok: isDone }) => (isDone ? null : []));
}

async function draftOf(app: App): Promise<Lane> {
  const read = readLane((await app.lanes.readDraft())?.document, definitions);
  return read.ok ? read.value : (await liveLane(app)).lane;
}
