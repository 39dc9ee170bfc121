import { CALLED_CART } from '~/core/words';
import { expect } from 'chai';
import { randomUUID } from 'node:crypto';
import { orderNumber, receiptOf } from '~/core/orders';
import { sayIn } from '~/core/words';
import { changeCartOf } from '~/services/cart/change-cart';
import { fetchDownload } from '~/services/orders/downloads';
import { promiseDelivery } from '~/services/orders/promise-delivery';
import { readCartForm } from '~/shop/read-cart-form';
import { orderNow } from '../support/order-now';
import { openTestShop, type TestShop } from '../support/shop';

describe('what a buyer gets', () => {
  let shop: TestShop;
  before(async function () {
    this.timeout(60_000);
    shop = await openTestShop();
  });
  after(() => shop.close());

  const productOf = async (slug: string) => (await shop.app.catalogue.findProduct(slug))!;
  const download = async () => {
    const [row] = await shop.app.db.select<{ slug: string }>(
      `SELECT slug FROM products WHERE fulfilment = 'download' ORDER BY id LIMIT 1`,
    );
    return productOf(row!.slug);
  };
  async function buy(slugs: readonly string[], coupon?: string): Promise<string> {
    const cartToken = randomUUID();
    for (const slug of slugs) {
      const variantId = (await productOf(slug)).variants.find((variant) => variant.stock !== 0)!.id;
      await changeCartOf(shop.app, cartToken, { kind: 'add', variantId, quantity: 2, choices: {}, answers: {} });
    }
    if (coupon) await changeCartOf(shop.app, cartToken, { kind: 'coupon', code: coupon });
    const ordered = await orderNow(shop.app, { cartToken });
    expect(ordered.ok, JSON.stringify(ordered)).to.equal(true);
    return ordered.ok ? ordered.value.token : '';
  }
  const text = async (stream: NodeJS.ReadableStream) => {
    const parts: Buffer[] = [];
    for await (const part of stream) parts.push(part as Buffer);
    return Buffer.concat(parts);
  };

  it('is a file behind a link of their own, so many times and no more', async () => {
    const plan = await download();
    const token = await buy([plan.slug]);
    const order = (await shop.app.orders.find(token))!;
    const [link] = await shop.app.orders.listDownloads(order.token);

    const first = await fetchDownload(shop.app, link!.token);
    expect(first.ok && (await text(first.value.content)).subarray(0, 5).toString()).to.equal('%PDF-');
    for (let left = link!.usesLeft - 1; left > 0; left -= 1) {
      const again = await fetchDownload(shop.app, link!.token);
      expect(again.ok).to.equal(true);
      if (again.ok) again.value.content.destroy();
    }
    const over = await fetchDownload(shop.app, link!.token);
    expect(over.ok || over.problems[0]!.code).to.equal('download-over');
    const strange = await fetchDownload(shop.app, randomUUID());
    expect(strange.ok || strange.problems[0]!.code).to.equal('not-found');
  });

  it('is nothing after the day that was told, and nothing outside the shop’s downloads', async () => {
    const plan = await download();
    const order = (await shop.app.orders.find(await buy([plan.slug])))!;
    const [link] = await shop.app.orders.listDownloads(order.token);
    await shop.app.db.run('UPDATE downloads SET file = $file WHERE token = $token', {
      file: '../paved-lane.sqlite',
      token: link!.token,
    });
    const outside = await fetchDownload(shop.app, link!.token);
    expect(outside.ok || outside.problems[0]!.code).to.equal('our-fault');
    await shop.app.db.run('UPDATE downloads SET until = 1, file = $file WHERE token = $token', {
      file: `${plan.slug}.pdf`,
      token: link!.token,
    });
    const late = await fetchDownload(shop.app, link!.token);
    expect(late.ok || late.problems[0]!.code).to.equal('download-over');
  });

  it('is a receipt that adds up line by line, with a code too', async () => {
    for (const coupon of [undefined, 'WIND10']) {
      const token = await buy(['heron', 'hoop-winder'], coupon);
      const order = (await shop.app.orders.find(token))!;
      const { lines, sums } = receiptOf(order, sayIn({ shopWords: {}, shop: { cart: CALLED_CART } }, 'en'));
      const of = (kind: string) => sums.find((sum) => sum.kind === kind)?.amountMinor ?? 0;

      expect(lines.reduce((sum, line) => sum + (line.wasMinor ?? line.amountMinor), 0)).to.equal(of('subtotal'));
      expect(of('subtotal') + of('discount') + of('delivery') + of('tax')).to.equal(of('total'));
      expect(of('total')).to.equal(order.totalMinor);
      expect(of('discount') < 0).to.equal(coupon !== undefined);
      const [mail] = (await shop.app.mailbox.list(200)).filter((one) => one.id === `order-${token}`);
      expect(mail!.subject).to.include(orderNumber(order));
      for (const part of ['Germany', 'Standard', `/shop/thanks/${token}`]) expect(mail!.text, part).to.include(part);
    }
  });

  it('is told what delivery costs and how long it takes, only where that can be kept', async () => {
    const promise = async (slug: string, country = 'DE') => {
      const product = await productOf(slug);
      return promiseDelivery(shop.app, { product, variant: product.variants[0] }, { country, postcode: '' }, 'en');
    };
    const usual = await promise('hoop-winder');
    expect(usual).to.include({ kind: 'parcel', country: 'Germany', amountMinor: 490, freeFromMinor: 6000 });
    expect(await promise('heron')).to.include({ kind: 'parcel', amountMinor: 0, freeFromMinor: null });
    expect(await promise('hoop-winder', 'NO')).to.include({ country: 'Norway', amountMinor: 1690 });
    expect(await promise('sail-your-own')).to.deep.equal({ kind: 'made-to-order', days: 12 });
    expect(await promise((await download()).slug)).to.deep.equal({ kind: 'download' });
    const product = await productOf('heron');
    const soldOut = { ...product, variants: product.variants.map((variant) => ({ ...variant, stock: 0 })) };
    expect(await promiseDelivery(shop.app, { product: soldOut, variant: soldOut.variants[0] }, null, 'en')).to.equal(
      null,
    );
  });

  it('keeps every other answer when one is missing, without script', async () => {
    const form = new FormData();
    for (const [name, value] of Object.entries({
      kind: 'add',
      product: 'sail-your-own',
      'choice:Size': 'Small',
      'option:name': 'Ada',
      quantity: '2',
    }))
      form.set(name, value);
    const read = await readCartForm(shop.app, form, { cartToken: randomUUID(), from: '127.0.0.1' });

    expect([...read.answers]).to.deep.equal([['name', 'Ada']]);
    expect(read.request.ok && read.request.value).to.deep.include({ kind: 'add', quantity: 2 });
  });

  it('takes a step for the number in the field and one more, without script', async () => {
    const step = async (quantity: string, by: string) => {
      const form = new FormData();
      for (const [name, value] of Object.entries({ kind: 'set', lineId: 'a', quantity, step: by }))
        form.set(name, value);
      const { request } = await readCartForm(shop.app, form, { cartToken: randomUUID(), from: '127.0.0.1' });
      return request.ok && request.value.kind === 'set' && request.value.quantity;
    };

    expect([await step('4', '1'), await step('4', '-1'), await step('0', '-1')]).to.deep.equal([5, 3, 0]);
  });
});
