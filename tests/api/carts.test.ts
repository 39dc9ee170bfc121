import { cartRequestSchema, keptFormSchema } from '~/contract/shop/cart';
import { expect } from 'chai';
import { randomUUID } from 'node:crypto';
import { readdir } from 'node:fs/promises';
import path from 'node:path';
import type { OptionRule } from '~/core/options';
import { createApp } from '~/services/app';
import { changeCartOf } from '~/services/cart/change-cart';
import { saveOptions } from '~/services/catalogue/edit-options';
import { orderAgain } from '~/services/orders/next-time';
import { promiseDelivery } from '~/services/orders/promise-delivery';
import { sendOrderMails } from '~/services/orders/order-mails';
import { releaseAbandoned, showOrder } from '~/services/orders/place-order';
import { quickPay, showQuickPay } from '~/services/orders/quick-pay';
import { keepForm, quoteCheckout, readKeptForm } from '~/services/cart/show-checkout';
import { suggestNear } from '~/services/catalogue/suggest';
import { keepUpload, openUpload, sweepUploads } from '~/services/files/uploads';
import { viewCart } from '~/services/cart/show-cart';
import { ORDER_FORM } from '../support/checkout';
import { orderNow } from '../support/order-now';
import { picture } from '../support/picture';
import { openTestShop, type TestShop } from '../support/shop';

/** Whose name must not be read as markup, wherever it is shown. */
const form = { ...ORDER_FORM, name: 'Ada <b>Lund</b>' };
/** Answers that make the kite sewn to order complete, without artwork of one's own. */
const PLAIN = { printing: 'none', tail: 'no' };

describe('carts', () => {
  let shop: TestShop;
  before(async () => {
    shop = await openTestShop();
  });
  after(() => shop.close());

  const change = (token: string, request: object, changeId?: string) =>
    changeCartOf(shop.app, token, cartRequestSchema.parse(request), changeId ? { changeId } : {});
  const add = (token: string, product: string, choices: object, more: object = {}) =>
    change(token, { kind: 'add', product, choices, ...more });
  const sewn = (token: string, answers: object, more: object = {}) =>
    add(token, 'sail-your-own', { Size: 'Small' }, { answers, ...more });
  const code = (answer: { ok: boolean; problems?: readonly { code: string; path: string }[] }) =>
    answer.problems?.[0]?.code ?? 'ok';

  it('take a product with its choices, and refuse one that is not made', async () => {
    const token = randomUUID();

    const added = await add(token, 'wagtail', { Sail: 'Lagoon' }, { quantity: 2 });
    const unmade = await add(token, 'wagtail', { Sail: 'Slate' });

    expect(added.ok && added.value.view).to.include({ count: 2, subtotalMinor: 7800, version: 1 });
    expect(added.ok && added.value.view.freeDelivery?.missingMinor).to.equal(0);
    expect(code(unmade)).to.equal('no-such-variant');
    expect((await viewCart(shop.app, token)).count).to.equal(2);
  });

  it('tell of what is made to order when it leaves, and add that to the way, up to the mail', async () => {
    const token = randomUUID();
    await add(token, 'hoop-winder', {});
    const atOnce = await change(token, { kind: 'destination', country: 'DE', postcode: '10115' });
    await sewn(token, PLAIN);

    const { lines, estimate } = await viewCart(shop.app, token);

    expect(atOnce.ok && atOnce.value.view.estimate!.ways[0]!.days).to.equal('2–3 working days');
    expect(lines.map(({ arrival }) => arrival)).to.deep.equal([null, 'Made to order: leaves us in about 12 days']);
    expect(estimate!.ways.map(({ days }) => days)).to.deep.equal([
      'about 12 days to make, then 2–3 working days',
      'about 12 days to make, then 1–2 working days',
    ]);
    const placed = await orderNow(shop.app, { cartToken: token, form });
    await sendOrderMails(shop.app);
    const [mail] = await shop.app.mailbox.list(1);
    expect(mail!.text).to.include('about 12 days to make, then 2–3 working days');
    const order = await showOrder(shop.app, placed.ok ? placed.value.token : '');
    expect(order!.deliveryDays).to.equal('about 12 days to make, then 2–3 working days');
  });

  it('tell where and when an event is: in the cart, the order and its mail, and on its page', async () => {
    const token = randomUUID();
    await add(token, 'half-day-building-workshop', { Date: 'Third Saturday' });

    const [line] = (await viewCart(shop.app, token)).lines;
    expect([line!.choices, line!.arrival]).to.deep.equal(['Third Saturday', 'In person: Hollowtarn loft.']);
    const workshop = (await shop.app.catalogue.findProduct('half-day-building-workshop'))!;
    const promised = await promiseDelivery(shop.app, { product: workshop, variant: workshop.variants[0] }, null, 'en');
    expect(promised).to.deep.equal({ kind: 'event', place: 'Hollowtarn loft' });
    const placed = await orderNow(shop.app, { cartToken: token, form });
    await sendOrderMails(shop.app);
    const [mail] = await shop.app.mailbox.list(1);
    expect(mail!.text).to.include('Third Saturday').and.include('Where: Hollowtarn loft');
    const order = (await showOrder(shop.app, placed.ok ? placed.value.token : ''))!;
    expect(await orderAgain(shop.app, order, randomUUID(), null)).to.deep.equal([]);
  });

  it('stay right when two tabs change them at once', async () => {
    const token = randomUUID();

    await Promise.all(Array.from({ length: 8 }, () => add(token, 'wagtail', { Sail: 'Poppy' })));

    const cart = await viewCart(shop.app, token);
    expect(cart.lines).to.have.length(1);
    expect(cart.count).to.equal(8);
    expect(cart.version).to.equal(8);
  });

  it('are not overwritten by what was read before somebody else wrote', async () => {
    const token = randomUUID();
    await add(token, 'wagtail', { Sail: 'Poppy' });
    const { carts } = shop.app;
    const mine = await carts.read(token);
    await change(token, { kind: 'note', note: 'Ring twice' });

    const isWritten = await carts.write(token, mine, { ...mine, note: 'Ring once' }, { now: 1 });

    expect(isWritten).to.equal(false);
    expect((await carts.read(token)).note).to.equal('Ring twice');
  });

  it('make a change once, however often it is sent', async () => {
    const token = randomUUID();
    const changeId = randomUUID();
    const request = { kind: 'add', product: 'wagtail', choices: { Sail: 'Poppy' } };

    await Promise.all([change(token, request, changeId), change(token, request, changeId)]);
    await change(token, request, changeId);

    expect((await viewCart(shop.app, token)).count).to.equal(1);
  });

  it('survive a restart, answers, code, note and all', async () => {
    const token = randomUUID();
    await sewn(token, { ...PLAIN, name: 'Ada', lettering: 'night' });
    await change(token, { kind: 'coupon', code: 'WIND10' });
    await change(token, { kind: 'note', note: 'Ring twice' });
    await change(token, { kind: 'destination', country: 'NO', postcode: '0150' });
    const before = await viewCart(shop.app, token);

    const again = await createApp({ dataDir: shop.app.db.dataDir, logLevel: 'silent' });
    const after = await viewCart(again, token);
    await again.db.close();

    expect(after).to.deep.equal(before);
    expect(after).to.include({ version: 4, note: 'Ring twice' });
    expect(after.codes[0]?.takenMinor).to.equal(1050);
  });

  it('mark a line that can no longer be had', async () => {
    const token = randomUUID();
    const added = await add(token, 'heron', { Sail: 'Slate' }, { quantity: 2 });
    await shop.app.db.run('UPDATE stock_levels SET quantity = 1 WHERE variant_id = $id', {
      id: added.ok ? added.value.view.lines[0]!.variantId : 0,
    });

    const cart = await viewCart(shop.app, token);

    expect(cart.lines[0]!.problem).to.equal('Only 1 of Heron, Slate left. Choose 1 or fewer.');
  });

  it('estimate delivery by zone, weight and postcode, and not where nothing is sent', async () => {
    const amounts = async (slug: string, quantity: number, country: string, postcode: string) => {
      const token = randomUUID();
      const product = await shop.app.catalogue.findProduct(slug);
      await change(token, { kind: 'add', variantId: product!.variants[0]!.id, quantity });
      const asked = await change(token, { kind: 'destination', country, postcode });
      return asked.ok ? asked.value.view.estimate!.ways.map((way) => way.amountMinor) : code(asked);
    };

    expect(await amounts('plover-delta', 1, 'DE', '12345')).to.deep.equal([490, 1290]);
    expect(await amounts('plover-delta', 1, 'DE', '25996')).to.deep.equal([1090]); // by boat
    expect(await amounts('plover-delta', 1, 'NO', '0150')).to.deep.equal([1690, 2490]);
    expect(await amounts('plan-lapwing-delta', 1, 'DE', '12345')).to.deep.equal([]);
    expect(await amounts('plover-delta', 1, 'XX', '1')).to.equal('country-unserved');
    expect(await amounts('plover-delta', 1, 'DE', '1')).to.equal('postcode-invalid');
  });

  it('take a code that counts, say what it takes, and refuse one that does not with the reason', async () => {
    const token = randomUUID();
    await add(token, 'hoop-winder', {});

    const early = await change(token, { kind: 'coupon', code: 'wind10' });
    const unknown = await change(token, { kind: 'coupon', code: 'nothing' });
    await add(token, 'wagtail', { Sail: 'Lagoon' });
    const good = await change(token, { kind: 'coupon', code: ' wind10 ' });
    await change(token, { kind: 'remove', lineId: good.ok ? good.value.view.lines[1]!.id : '' });
    const after = await viewCart(shop.app, token);

    expect(early.ok || early.problems[0]?.facts?.['message']).to.equal(
      'This code needs an order of €30.00. Add €22.10.',
    );
    expect(unknown.ok || unknown.problems[0]?.facts?.['message']).to.include('There is no code “nothing”.');
    expect(good.ok && good.value.view.codes).to.deep.equal([
      { code: 'WIND10', takenMinor: 469, problem: null, isWaiting: false },
    ]);
    expect(good.ok && good.value.view.totalMinor).to.equal(4221); // 46.90 − 0.79 − 3.90
    expect(after.codes[0]?.problem).to.include('needs an order of');
    expect(after.discountMinor).to.equal(0);
  });

  it('charge what options say, drop what is hidden, and weigh it', async () => {
    const token = randomUUID();

    const added = await sewn(
      token,
      { ...PLAIN, name: 'Ada', lettering: 'copper', printing: 'one-colour', 'tail-length': '5', artwork: 'upload-1' },
      { quantity: 2 },
    );

    const line = added.ok ? added.value.view.lines[0]! : null;
    expect(code(added)).to.equal('ok');
    expect(line!.answerTexts.map((answer) => answer.text)).to.deep.equal(['Ada', 'Copper', 'One colour', 'No tail']);
    expect(line!.totalMinor).to.equal(2 * (9600 + 900 + 250 + 1200));
    expect(Object.keys(line!.answers)).not.to.include('tail-length');
  });

  it('refuse answers that are missing or wrong, at the option, and change nothing', async () => {
    const token = randomUUID();

    const open = await sewn(token, { name: 'Ada', printing: 'none', tail: 'no' });
    const wrong = await sewn(token, { ...PLAIN, name: 'x'.repeat(19) });

    expect(open.ok || open.problems.map((problem) => problem.path)).to.deep.equal(['option:lettering']);
    expect(code(wrong)).to.equal('option-too-long');
    expect((await viewCart(shop.app, token)).lines).to.deep.equal([]);
  });

  it('change what a line holds: the same line, priced anew, and back again', async () => {
    const token = randomUUID();
    const added = await sewn(token, PLAIN);
    const before = added.ok ? added.value.view.lines[0]! : null;
    const large = (await shop.app.catalogue.findProduct('sail-your-own'))!.variants[1]!;

    const changed = await change(token, {
      kind: 'reshape',
      lineId: before!.id,
      variantId: large.id,
      answers: { ...PLAIN, tail: 'yes', 'tail-length': '3' },
    });
    const back = await change(token, {
      kind: 'reshape',
      lineId: before!.id,
      variantId: before!.variantId,
      answers: before!.answers,
    });

    expect(changed.ok && changed.value.lineId).to.equal(before!.id);
    expect(changed.ok && changed.value.view.lines[0]!.totalMinor).to.equal(9600 + 1800 + 400 + 3 * 150);
    expect(back.ok && back.value.view.lines[0]).to.deep.equal(before);
  });

  it('offer the better one of a line, at what the cart costs more with it, and put it in its place', async () => {
    const token = randomUUID();
    const kestrel = (await shop.app.catalogue.findProduct('kestrel'))!;
    await change(token, { kind: 'add', variantId: kestrel.variants[0]!.id, quantity: 2 });
    const before = await viewCart(shop.app, token);
    const better = before.lines[0]!.better!;
    const { variantId, answers, moreMinor, changes } = better;
    const swapped = await change(token, { kind: 'reshape', lineId: before.lines[0]!.id, variantId, answers });
    const after = await viewCart(shop.app, token);

    expect(swapped.ok).to.equal(true);
    expect([after.lines[0]!.slug, after.lines[0]!.quantity]).to.deep.equal(['kestrel-plus', 2]);
    expect(after.totalMinor - before.totalMinor)
      .to.equal(moreMinor)
      .and.to.be.greaterThan(0);
    expect(changes.some((text) => text.includes('→'))).to.equal(true);
    expect(after.lines[0]!.better).to.equal(null);
    expect(swapped.ok && swapped.value.view.lines[0]!.better).to.equal(null);
  });

  it('sell a better one for its own price where it was swapped in, and nowhere else', async () => {
    const token = randomUUID();
    const merlin = (await shop.app.catalogue.findProduct('merlin'))!;
    const ultralight = (await shop.app.catalogue.findProduct('merlin-ultralight'))!.variants[0]!;
    await change(token, { kind: 'add', variantId: merlin.variants[0]!.id, quantity: 2 });
    const { id: lineId, better } = (await viewCart(shop.app, token)).lines[0]!;
    const { variantId, answers, moreMinor } = better!;
    await change(token, { kind: 'reshape', lineId, variantId, answers });
    await change(token, { kind: 'add', variantId: ultralight.id, quantity: 1 });
    const both = (await viewCart(shop.app, token)).lines;
    const near = (
      await suggestNear(shop.app, ['merlin-ultralight'], { cartToken: token, most: 8, language: 'en' })
    ).map(({ slug }) => slug);
    const nearOthers = (
      await suggestNear(shop.app, ['merlin-ultralight'], { cartToken: null, most: 8, language: 'en' })
    ).map(({ slug }) => slug);
    await change(token, { kind: 'remove', lineId });
    await change(token, { kind: 'put-back', lineId });
    const back = (await viewCart(shop.app, token)).lines;
    await shop.app.db.run("UPDATE products SET better_price_minor = 50000 WHERE slug = 'merlin'");
    const dearer = (await viewCart(shop.app, token)).lines;
    await shop.app.db.run("UPDATE products SET better_price_minor = 19900, better = NULL WHERE slug = 'merlin'");
    const gone = (await viewCart(shop.app, token)).lines;
    await shop.app.db.run("UPDATE products SET better = 'merlin-ultralight' WHERE slug = 'merlin'");

    // What was swapped away is not suggested.
    expect([near.includes('merlin'), nearOthers.includes('merlin')]).to.deep.equal([false, true]);
    expect(moreMinor).to.equal(2 * (19900 - 16900));
    expect(both.map(({ unitMinor, fullMinor }) => [unitMinor, fullMinor])).to.deep.equal([
      [19900, 39800],
      [21900, 21900],
    ]);
    expect(both.map(({ instead }) => instead)).to.deep.equal([{ of: 'merlin', unitMinor: 19900 }, null]);
    expect(back).to.deep.equal(both);
    for (const lines of [dearer, gone]) expect(lines.map(({ unitMinor }) => unitMinor)).to.deep.equal([21900, 21900]);
  });

  it('put a line that was taken out back as the same line in the same place', async () => {
    const token = randomUUID();
    await add(token, 'hoop-winder', {});
    const two = await add(token, 'wagtail', { Sail: 'Lagoon' });
    const first = two.ok ? two.value.view.lines[0]! : null;
    await change(token, { kind: 'remove', lineId: first!.id });

    const back = await change(token, { kind: 'put-back', lineId: first!.id });

    expect(back.ok && back.value.view.lines.map((line) => line.id)[0]).to.equal(first!.id);
  });

  it('leave the line of another cart alone, whatever is put back', async () => {
    const [one, other] = [randomUUID(), randomUUID()];
    const added = await add(one, 'hoop-winder', {});
    const lineId = added.ok ? added.value.lineId! : '';
    await change(one, { kind: 'remove', lineId });

    const stolen = await change(other, { kind: 'put-back', lineId });
    const back = await change(one, { kind: 'put-back', lineId });

    expect(code(stolen)).to.equal('line-gone');
    expect(back.ok && back.value.view.lines).to.deep.equal(added.ok && added.value.view.lines);
  });

  it('sell nothing for the price of a swap that was only claimed', async () => {
    const ultralight = (await shop.app.catalogue.findProduct('merlin-ultralight'))!.variants[0]!;
    const claimed = { kind: 'add', variantId: ultralight.id, insteadOf: 'merlin' };

    const answer = cartRequestSchema.safeParse(claimed);

    expect(answer.error?.issues.map(({ code: why }) => why)).to.deep.equal(['unrecognized_keys']);
  });

  it('suggest what is near, and never what is in the cart or sold out', async () => {
    const token = randomUUID();
    await add(token, 'plover-delta', { Sail: 'Harbour' });

    const near = await suggestNear(shop.app, ['lapwing-delta'], { cartToken: token, most: 8, language: 'en' });

    expect(near.length).to.be.greaterThan(2);
    expect(near.map((card) => card.slug)).not.to.include.members(['plover-delta']);
    expect(near.map((card) => card.slug)).not.to.include('lapwing-delta');
    expect(near.every((card) => card.inStock)).to.equal(true);
    expect(
      await suggestNear(shop.app, ['nothing-like-it'], { cartToken: token, most: 4, language: 'en' }),
    ).to.deep.equal([]);
  });

  describe('with uploads', () => {
    const give = (token: string, bytes: Uint8Array, name = 'lake.jpg') =>
      keepUpload(shop.app, {
        cartToken: token,
        product: 'sail-your-own',
        option: 'artwork',
        name,
        bytes,
        from: randomUUID(),
      });

    it('keep a file for its owner and the shop, and for nobody else', async () => {
      const token = randomUUID();
      const kept = await give(token, await picture(), '../../lake"<.jpg');
      const id = kept.ok ? kept.value.id : '';

      const own = await openUpload(shop.app, id, { cartToken: token, isShop: false });
      const forShop = await openUpload(shop.app, id, { cartToken: null, isShop: true });
      const other = await openUpload(shop.app, id, { cartToken: randomUUID(), isShop: false });
      const nobody = await openUpload(shop.app, '../../paved-lane.sqlite', { cartToken: token, isShop: true });

      expect(own?.upload).to.include({ type: 'image/jpeg', name: '....lake.jpg' });
      expect(forShop).not.to.equal(null);
      expect([other, nobody]).to.deep.equal([null, null]);
      expect(await readdir(path.join(shop.app.db.dataDir, 'media'))).not.to.include(id);
    });

    it('order with the file’s name, and refuse a file of somebody else', async () => {
      const token = randomUUID();
      const kept = await give(token, await picture());
      const artwork = kept.ok ? kept.value.id : '';

      const own = await sewn(token, { ...PLAIN, printing: 'own', artwork });
      const stolen = await sewn(randomUUID(), { ...PLAIN, printing: 'own', artwork });
      const none = await sewn(token, { ...PLAIN, printing: 'own', artwork: 'no-such-upload' });

      const line = own.ok ? own.value.view.lines[0]! : null;
      expect(line!.answerTexts.find((answer) => answer.uploadId)?.text).to.equal('lake.jpg');
      expect(line!.totalMinor).to.equal(9600 + 2500);
      expect([code(stolen), code(none)]).to.deep.equal(['option-upload-gone', 'option-upload-gone']);
    });

    it('refuse what is too large, of another kind, or none of the product’s', async () => {
      const token = randomUUID();
      const elsewhere = await keepUpload(shop.app, {
        cartToken: token,
        product: 'heron',
        option: 'artwork',
        name: 'x',
        from: 'y',
        bytes: await picture(),
      });

      expect(code(await give(token, new Uint8Array(4 * 1024 * 1024 + 1)))).to.equal('body-too-large');
      expect(code(await give(token, Buffer.from('MZ plain words')))).to.equal('upload-type');
      expect(code(await give(token, Buffer.from('%PDF-1.4 a form')))).to.equal('upload-type');
      expect(code(elsewhere)).to.equal('not-found');
    });

    it('slow down whoever sends too many', async () => {
      const token = randomUUID();
      const answers = [];
      for (let i = 0; i < 22; i += 1) answers.push(code(await give(token, Buffer.from('no'))));

      expect(answers.slice(0, 20)).to.deep.equal(Array(20).fill('upload-type'));
      expect(answers.slice(20)).to.deep.equal(['upload-too-many', 'upload-too-many']);
    });

    it('sweep away after a week what no cart and no order speaks of', async () => {
      const token = randomUUID();
      const [used, unused] = [await give(token, await picture()), await give(token, await picture())];
      await sewn(token, { ...PLAIN, printing: 'own', artwork: used.ok ? used.value.id : '' });
      await shop.app.db.run('UPDATE uploads SET created_at = created_at - 8 * 86400000 WHERE cart_token = $token', {
        token,
      });

      await sweepUploads(shop.app);

      const files = await readdir(path.join(shop.app.db.dataDir, 'uploads'));
      expect(files).to.include(used.ok ? used.value.id : '');
      expect(files).not.to.include(unused.ok ? unused.value.id : '');
    });
  });

  describe('become orders', () => {
    const order = (cartToken: string, over: object = {}) => orderNow(shop.app, { cartToken, form, ...over });
    const stockOf = async (variantId: number) =>
      (await shop.app.catalogue.variantFacts([variantId])).get(variantId)!.stock!;

    it('with answers, code, note and add-ons, and what each sum is made of', async () => {
      const token = randomUUID();
      const winder = (await shop.app.catalogue.findProduct('hoop-winder'))!.variants[0]!;
      const before = await stockOf(winder.id);
      await sewn(token, { ...PLAIN, name: 'Ada', lettering: 'night', winder: 'yes' }, { quantity: 2 });
      await change(token, { kind: 'coupon', code: 'WIND10' });
      await change(token, { kind: 'note', note: 'Ring twice' });
      const seen = await quoteCheckout(shop.app, await shop.app.carts.read(token), form);

      const placed = await order(token, { seenTotalMinor: seen.cart.totalMinor });

      const stored = placed.ok ? await showOrder(shop.app, placed.value.token) : null;
      const full = 2 * (9600 + 900 + 790);
      expect(stored).to.include({
        coupon: 'WIND10',
        note: 'Ring twice',
        subtotalMinor: full,
        discountMinor: full / 10,
      });
      expect(stored!.lines[0]!.answers.map((answer) => answer.text)).to.include.members(['Ada', 'Hoop Winder']);
      expect(stored!.lines[0]!.steps.map((step) => step.code)).to.deep.equal([
        'list-price',
        'option',
        'option',
        'offer',
      ]);
      expect(await stockOf(winder.id)).to.equal(before - 2);
      const after = await shop.app.carts.read(token);
      expect(after).to.deep.include({ lines: [], codes: [], note: '' });
    });

    it('give add-ons back, too, when the payment fails', async () => {
      const token = randomUUID();
      const winder = (await shop.app.catalogue.findProduct('hoop-winder'))!.variants[0]!;
      const before = await stockOf(winder.id);
      await sewn(token, { ...PLAIN, winder: 'yes' });

      const failed = await order(token, { form: { ...form, cardNumber: '5000000000000002' } });

      expect(code(failed)).to.equal('payment-declined');
      expect(await stockOf(winder.id)).to.equal(before);
      expect(await releaseAbandoned(shop.app)).to.equal(0);
    });

    it('not while an option is open that the owner has since added', async () => {
      const token = randomUUID();
      await sewn(token, PLAIN);
      const rules = (await shop.app.catalogue.readOptions('sail-your-own'))!;
      const text = rules.find((rule) => rule.kind === 'text') as OptionRule & { kind: 'text' };
      const asked = [...rules, { ...text, key: 'motto', label: 'Motto', required: true, shownWhen: null }];
      await shop.app.catalogue.writeOptions('sail-your-own', asked);

      const refused = await order(token);
      const seen = await viewCart(shop.app, token);
      await shop.app.catalogue.writeOptions('sail-your-own', rules);

      expect(code(refused)).to.equal('option-empty');
      expect(seen.lines[0]!.problem).to.equal('Please fill in “Motto”.');
    });

    it('send one mail each, which says what was ordered and lets nothing run', async () => {
      const token = randomUUID();
      await sewn(token, { ...PLAIN, name: '<img src=x>', lettering: 'night' });
      const placed = await order(token);
      await sendOrderMails(shop.app);

      const mails = await shop.app.mailbox.list(50);
      const own = mails.filter((mail) => mail.id === `order-${placed.ok ? placed.value.token : ''}`);
      expect(own).to.have.length(1);
      expect(own[0]!.to).to.equal('ada@example.com');
      expect(own[0]!.text).to.include('1 × Sail Your Own').and.include('Name on the sail: <img src=x>');
      expect(own[0]!.html).to.include('&lt;img src=x&gt;').and.include('Ada &lt;b&gt;Lund&lt;/b&gt;');
      expect(own[0]!.html).not.to.match(/<(img|script|b)[\s>]/);
    });

    it('are not lost to a mail service that fails: the mail goes out with the next sweep', async () => {
      const { mailbox } = shop.app;
      const failing = { ...shop.app, mailbox: { ...mailbox, send: () => Promise.reject(new Error('no mail today')) } };
      const token = randomUUID();
      await add(token, 'hoop-winder', {});
      const placed = await orderNow(failing, { cartToken: token, form });
      const id = `order-${placed.ok ? placed.value.token : ''}`;

      const before = (await mailbox.list(99)).some((mail) => mail.id === id);
      const sent = await sendOrderMails(shop.app);

      expect([placed.ok, before, sent]).to.deep.equal([true, false, 1]);
      expect((await mailbox.list(99)).some((mail) => mail.id === id)).to.equal(true);
    });

    it('ask nothing twice: what was typed is kept without the card, and gone after the order', async () => {
      const token = randomUUID();
      await add(token, 'hoop-winder', {});
      await change(token, { kind: 'destination', country: 'NO', postcode: '0150' });
      const estimated = await readKeptForm(shop.app, token);
      await keepForm(shop.app, token, keptFormSchema.parse({ email: 'ada@example.com', postcode: '12345' }));
      const kept = await readKeptForm(shop.app, token);
      await order(token);

      expect(estimated).to.include({ country: 'NO', postcode: '0150' });
      expect(kept).to.include({ email: 'ada@example.com', postcode: '12345' });
      expect(kept).not.to.have.property('cardNumber');
      expect((await readKeptForm(shop.app, token)).email).to.equal('');
    });

    it('are paid at once from a wallet, at the price shown, and kept whole when it declines', async () => {
      const token = randomUUID();
      await add(token, 'wagtail', { Sail: 'Lagoon' });
      const { quote } = await showQuickPay(shop.app, token);
      const { version: cartVersion } = quote.cart;
      const pay = (card: string, seenTotalMinor: number) =>
        quickPay(shop.app, {
          cartToken: token,
          cartVersion,
          card,
          key: randomUUID(),
          visitId: null,
          language: 'en',
          seenTotalMinor,
          seenGifts: null,
          from: '127.0.0.1',
        });

      const declined = await pay('declined', quote.cart.totalMinor);
      const changed = await pay('good', quote.cart.totalMinor - 1);
      const paid = await pay('good', quote.cart.totalMinor);

      expect([code(declined), code(changed)]).to.deep.equal(['payment-declined', 'price-changed']);
      const stored = paid.ok ? await showOrder(shop.app, paid.value.token) : null;
      expect(stored).to.include({ totalMinor: 3900 + 490, email: 'ida.brandt@wallet.example' });
    });
  });
});

describe('saveOptions', () => {
  let shop: TestShop;
  before(async () => {
    shop = await openTestShop();
  });
  after(() => shop.close());
  const save = (rules: unknown) => saveOptions(shop.app, 'heron', rules, 1);
  const text = {
    kind: 'text',
    help: '',
    required: false,
    least: 0,
    most: 9,
    effect: { amountMinor: 0, per: 'unit', weightGrams: 0 },
  };

  it('keeps rules that make sense, and shows them to buyers', async () => {
    const saved = await save([{ ...text, key: 'name', label: 'Name', shownWhen: null }]);

    expect(saved.ok).to.equal(true);
    expect((await shop.app.catalogue.findProduct('heron'))!.options.map((option) => option.label)).to.deep.equal([
      'Name',
    ]);
  });

  it('refuses a circle with the names in it, a SKU nobody has, and a rule that is none, and keeps what was', async () => {
    const before = await shop.app.catalogue.readOptions('heron');
    const circle = await save([
      { ...text, key: 'a', label: 'First', shownWhen: { op: 'isSet', option: 'b' } },
      { ...text, key: 'b', label: 'Second', shownWhen: { op: 'isSet', option: 'a' } },
    ]);
    const sku = await save([
      { kind: 'addOn', key: 'x', label: 'X', help: '', required: false, shownWhen: null, sku: 'NONE' },
    ]);
    const none = await save([{ ...text, key: 'Not a key', label: 'Bad', shownWhen: null }]);

    expect(circle.ok || circle.problems[0]?.facts).to.deep.equal({ names: 'First → Second → First' });
    expect(sku.ok || sku.problems[0]?.code).to.equal('option-sku-unknown');
    expect(none.ok || none.problems[0]?.facts?.['message']).to.include('“Bad”, key');
    expect(await shop.app.catalogue.readOptions('heron')).to.deep.equal(before);
  });
});
