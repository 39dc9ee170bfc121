import { expect } from 'chai';
import { mkdtemp, readdir, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { currencyOf } from '~/core/money';
import { standInMailbox, standInPayment, standInRates, standInWallet } from '~/standins';

describe('the mailbox stand-in', () => {
  let folder: string;
  beforeEach(async () => {
    folder = path.join(await mkdtemp(path.join(tmpdir(), 'paved-lane-')), 'mailbox');
  });
  afterEach(() => rm(path.dirname(folder), { recursive: true }));
  const mail = (key: string) => ({ key, to: 'a@b.example', subject: key, text: 't', html: '<p>t</p>' });

  it('is empty before anything came', async () => {
    expect(await standInMailbox(folder).list(9)).to.deep.equal([]);
  });

  it('keeps mails over a restart, the newest first, and no more than asked for', async () => {
    let now = 1000;
    const first = standInMailbox(folder, () => (now += 1));
    await first.send(mail('one'));
    await first.send(mail('two'));

    const later = standInMailbox(folder);

    expect((await later.list(9)).map((item) => item.subject)).to.deep.equal(['two', 'one']);
    expect(await later.list(1)).to.have.length(1);
  });

  it('delivers what is sent twice under one key once, also at the same time', async () => {
    const box = standInMailbox(folder);

    await Promise.all([box.send(mail('one')), box.send(mail('one')), box.send(mail('one'))]);

    expect(await box.list(9)).to.have.length(1);
    expect(await readdir(folder)).to.deep.equal(['one.json']);
  });

  it('writes into its own folder, whatever the key', async () => {
    await standInMailbox(folder).send(mail('../../etc/x'));

    expect(await readdir(folder)).to.deep.equal(['______etc_x.json']);
  });
});

describe('the rates stand-in', () => {
  const quote = (over: object = {}) =>
    standInRates().quote({
      language: 'en',
      zone: 0,
      country: 'DE',
      postcode: '12345',
      weightGrams: 500,
      currency: currencyOf('EUR'),
      ...over,
    });
  const amounts = async (over: object) => (await quote(over)).map((rate) => rate.amountMinor);

  it('goes by zone and weight', async () => {
    expect(await amounts({})).to.deep.equal([490, 1290]);
    expect(await amounts({ weightGrams: 2001 })).to.deep.equal([690, 1490]);
    expect(await amounts({ weightGrams: 10_001 })).to.deep.equal([1290, 2090]);
    expect(await amounts({ zone: 2 })).to.deep.equal([1690, 2490]);
  });

  it('takes the boat where there is no other way, and never in a hurry', async () => {
    const [way, ...others] = await quote({ postcode: '25996' });

    expect(way).to.include({ name: 'Standard, by boat', amountMinor: 1090 });
    expect(others).to.deep.equal([]);
    expect(await amounts({ country: 'GB', zone: 2, postcode: 'ze1 0aa' })).to.deep.equal([2290]);
  });

  it('answers in a currency without cents what posting a parcel costs there', async () => {
    expect(await amounts({ currency: currencyOf('JPY') })).to.deep.equal([809, 2129]);
  });
});

describe('the payment stand-in', () => {
  const payment = standInPayment({ answerMs: 1, timeoutMs: 5 });
  const charge = (cardEnd: string, key = 'k') =>
    payment.charge({ key, amountMinor: 100, currency: 'EUR', cardNumber: `500000000000${cardEnd}` });

  it('approves, declines and times out by the card', async () => {
    expect((await charge('0001')).status).to.equal('approved');
    expect((await charge('0002')).status).to.equal('declined');
    expect((await charge('0003')).status).to.equal('timed-out');
  });

  it('charges a key once', async () => {
    expect(await charge('0001', 'same')).to.deep.equal(await charge('0001', 'same'));
  });

  it('holds in the wallet a card for each of these', async () => {
    const { cards } = await standInWallet().open();
    const answers = await Promise.all(cards.map((card) => charge(card.cardNumber.slice(-4), card.key)));

    expect(answers.map((answer) => answer.status)).to.deep.equal(['approved', 'declined', 'timed-out']);
  });
});
