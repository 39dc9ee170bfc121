import { expect } from 'chai';
import fc from 'fast-check';
import { JSDOM } from 'jsdom';
import { newPiece } from '~/core/lane';
import {
  LEADS,
  addLink,
  checkoutLink,
  frameHtml,
  linkAddress,
  linkSpec,
  mailHtml,
  mailTo,
  plainHtml,
  readLink,
  scriptHtml,
} from '~/core/links';
import { buyLink } from '~/pieces/buy-link/definition';
import { liveDemoLane } from '../../../demo/lane';

const ORIGIN = 'https://kites.example';
const facts = { name: 'Hoop Winder, Small', price: '€7.90', shortText: 'Holds 60 m.', picture: '/art/hoop.svg' };

function specOf(settings: object = {}, parts?: readonly string[], over: object = {}) {
  const piece = newPiece(buyLink, true);
  Object.assign(piece.settings, { goods: { sku: 'HOOP-S', quantity: 2, code: 'SPRING' }, ...settings });
  if (parts) for (const part of piece.parts) part.on = parts.includes(part.key);
  const lane = liveDemoLane();
  return linkSpec(lane, buyLink, {
    id: 'buy-link',
    piece,
    facts: { ...facts, ...over },
    origin: ORIGIN,
    language: 'en',
  });
}
const bodyOf = (html: string) => new JSDOM(html).window.document.body;

describe('the address of a buy link', () => {
  it('carries the whole choice, and is read as it was written', () => {
    const goods = fc.record({
      sku: fc.string({ minLength: 1, maxLength: 60 }).map((text) => text.trim()),
      quantity: fc.integer({ min: 1, max: 999 }),
      code: fc.string({ maxLength: 40 }).map((text) => text.trim()),
      leads: fc.constantFrom(...LEADS),
      link: fc.constantFrom('', 'buy-link', 'buy-link-2'),
      answers: fc.dictionary(
        fc.stringMatching(/^[a-z0-9-]{1,40}$/),
        fc.oneof(
          fc.string({ minLength: 1, maxLength: 40 }).filter((text) => text.trim() !== ''),
          fc.uniqueArray(fc.constantFrom('a', 'b', 'c'), { minLength: 2, maxLength: 3 }),
        ),
        { maxKeys: 8, noNullPrototype: true },
      ),
    });
    fc.assert(
      fc.property(goods, (given) => {
        expect(readLink(new URL(linkAddress(ORIGIN, given)).searchParams)).to.deep.equal(given);
      }),
    );
  });

  it('leads to something sensible, whatever was typed into it', () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.constantFrom('sku', 'quantity', 'code', 'to', 'link'), fc.string())),
        (pairs) => {
          const read = readLink(new URLSearchParams(pairs));
          expect(Number.isInteger(read.quantity) && read.quantity >= 1 && read.quantity <= 999).to.equal(true);
          expect(LEADS).to.include(read.leads);
          expect(read.link).to.match(/^[a-z0-9-]*$/);
        },
      ),
    );
    expect(readLink(new URLSearchParams('sku=A&quantity=1e9&to=javascript:alert(1)&link=<b>'))).to.deep.equal({
      sku: 'A',
      quantity: 999,
      code: '',
      leads: 'cart',
      link: '',
      answers: {},
    });
  });

  it('is the link, the link to the checkout, and what a mail says', () => {
    expect(addLink(specOf())).to.equal(`${ORIGIN}/shop/buy?sku=HOOP-S&quantity=2&code=SPRING&link=buy-link`);
    expect(new URL(checkoutLink(specOf())).searchParams.get('to')).to.equal('checkout');
    expect(decodeURIComponent(mailTo(specOf()))).to.include(`Hoop Winder, Small\n${ORIGIN}/shop/buy?`);
  });
});

describe('what is pasted elsewhere', () => {
  it('is a form that needs no script, with the whole choice', () => {
    const form = bodyOf(plainHtml(specOf({ shape: 'card', leads: 'checkout' }))).querySelector('form')!;
    expect([form.method, form.action]).to.deep.equal(['get', `${ORIGIN}/shop/buy`]);
    const sent = Object.fromEntries([...form.querySelectorAll('input')].map(({ name, value }) => [name, value]));
    expect(sent).to.deep.equal({ sku: 'HOOP-S', quantity: '2', code: 'SPRING', to: 'checkout', link: 'buy-link' });
    expect(form.querySelector('button')!.textContent).to.equal('Buy it');
    expect(form.textContent).to.include('Hoop Winder, Small').and.include('€7.90');
  });

  it('holds what was chosen and nothing else', () => {
    const all = plainHtml(specOf({ shape: 'card' }, ['picture', 'name', 'price', 'shortText', 'button']));
    expect(all).to.include('Holds 60 m.').and.include(`${ORIGIN}/art/hoop.svg`);
    const few = plainHtml(specOf({ shape: 'card' }, ['name', 'button']));
    expect(few).to.not.match(/<img|€|Holds/);
    const text = plainHtml(specOf({ shape: 'text' }, ['picture', 'name', 'button']));
    expect(bodyOf(text).innerHTML).to.match(/^<a [^>]*>Buy it<\/a>\n<style>[^<]*<\/style>$/);
    expect(plainHtml(specOf({ shape: 'card' }, ['picture', 'button'], { picture: null }))).to.not.include('<img');
  });

  it('lets the variant be chosen where it stands, each with its price; where no form can be, on our page', () => {
    const variants = [
      { sku: 'HOOP-S', label: 'Small, €15.80', totalMinor: 1580, isGone: false },
      { sku: 'HOOP-L', label: 'Large, €19.80', totalMinor: 1980, isGone: false },
      { sku: 'HOOP-X', label: 'Huge, €29.80, sold out', totalMinor: 2980, isGone: true },
    ];
    const parts = ['name', 'price', 'variants', 'button'];
    const made = (settings: object, over: object = {}) =>
      specOf(settings, parts, { productName: '2 × Hoop Winder', variants, ...over });
    for (const shape of ['card', 'page', 'button']) {
      const form = bodyOf(plainHtml(made({ shape }))).querySelector('form')!;
      const sent = new (form.ownerDocument.defaultView as unknown as typeof globalThis).FormData(form);
      expect(sent.getAll('sku'), shape).to.deep.equal(['HOOP-S']);
      const select = form.querySelector('select')!;
      expect([...select.options].map(({ value, disabled }) => [value, disabled])).to.deep.equal([
        ['HOOP-S', false],
        ['HOOP-L', false],
        ['HOOP-X', true],
      ]);
      select.value = 'HOOP-L';
      const again = new (form.ownerDocument.defaultView as unknown as typeof globalThis).FormData(form);
      const query = new URLSearchParams([...again] as [string, string][]);
      expect(readLink(query)).to.include({ sku: 'HOOP-L', quantity: 2, code: 'SPRING' });
    }
    // Where its own is gone, the first that can be had is chosen; where all are, nothing is.
    const gone = bodyOf(
      plainHtml(specOf({ shape: 'card', goods: { sku: 'HOOP-X', quantity: 2, code: '' } }, parts, { variants })),
    );
    expect(gone.querySelector('select')!.value).to.equal('HOOP-S');
    const none = variants.map((one) => ({ ...one, isGone: true }));
    expect(plainHtml(made({ shape: 'card' }, { variants: none }))).not.to.include('<select');
    // Of several prices none stands for all.
    const card = bodyOf(plainHtml(made({ shape: 'card' })));
    expect(card.textContent)
      .to.include('2 × Hoop Winder')
      .and.not.to.include('€7.90')
      .and.not.to.include('Winder, Small');
    const alike = variants.map((one) => ({ ...one, totalMinor: 790 }));
    expect(bodyOf(plainHtml(made({ shape: 'card' }, { variants: alike }))).textContent).to.include('€7.90');
    // In a mail and in a sentence there is no form: it is chosen on the page they lead to.
    expect(mailHtml(made({ shape: 'card' })))
      .to.include('Hoop Winder, Small')
      .and.not.to.include('<select');
    expect(plainHtml(made({ shape: 'text' }))).not.to.include('<select');
    expect(plainHtml(made({ shape: 'card' }, { variants: variants.slice(0, 1) }))).not.to.include('<select');
  });

  it('gives its button room, and is passed on by what the device has, or by mail', () => {
    const room = (size: string) => bodyOf(plainHtml(specOf({ size }))).querySelector('button')!.style.padding;
    expect(['small', 'usual', 'large'].map(room)).to.deep.equal(['7px 13px', '11px 20px', '15px 30px']);
    const spec = specOf({ shape: 'card' }, ['button', 'share']);
    const shared = (html: string) => bodyOf(html).querySelector<HTMLAnchorElement>('a[href^="mailto:"]')!;
    expect(shared(plainHtml(spec)).textContent).to.equal('Tell a friend');
    expect(decodeURIComponent(shared(plainHtml(spec)).href)).to.include(addLink(spec));
    expect(shared(plainHtml(spec)).hasAttribute('onclick')).to.equal(false);
    expect(shared(scriptHtml(spec)).getAttribute('onclick')).to.include('navigator.share');
    expect(shared(scriptHtml(spec)).dataset['address']).to.equal(addLink(spec));
    // The letters are as large as Look says.
    const large = specOf();
    expect(bodyOf(plainHtml(large)).querySelector('button')!.style.fontSize).to.equal('16px');
  });

  it('keeps the room of its picture, and shows one that mail programs draw in mails', () => {
    const spec = specOf({ shape: 'card', width: 320 }, ['picture', 'button'], {
      pictureRatio: 0.75,
      mailPicture: '/media/mail/a.png',
    });
    for (const html of [plainHtml(spec), mailHtml(spec)]) expect(html).to.include('width="320" height="240"');
    expect(plainHtml(spec)).to.include('/art/hoop.svg');
    expect(mailHtml(spec)).to.include(`src="${ORIGIN}/media/mail/a.png"`).and.not.to.include('.svg');
    expect(frameHtml(spec)).to.include('height="322"');
  });

  it('takes its colours from the shop, or leaves them to the page', () => {
    const card = (colours: string) =>
      (bodyOf(plainHtml(specOf({ shape: 'card', colours }))).querySelector('form > div') as HTMLElement).style;
    expect(card('own').backgroundColor).to.not.equal('');
    expect(card('host').backgroundColor).to.equal('');
    expect(card('host').maxWidth).to.equal('320px');
  });

  it('is a whole page, with the picture beside the words', () => {
    const page = bodyOf(plainHtml(specOf({ shape: 'page', width: 400 }))).querySelector<HTMLElement>('form > div')!;
    expect(page.style.minHeight).to.equal('100vh');
    const [picture, words] = page.children as unknown as HTMLElement[];
    expect(picture!.querySelector('img')!.width).to.equal(400);
    expect(words!.querySelector('button')!.textContent).to.equal('Buy it');
    const plain = bodyOf(plainHtml(specOf({ shape: 'page' }, undefined, { picture: null })));
    expect(plain.querySelector('form > div')!.children).to.have.length(1);
  });

  it('says what changes under the pointer, where anything does', () => {
    const styleOf = (hover: object, shape = 'card', colours = 'own') => {
      const piece = newPiece(buyLink, true);
      Object.assign(piece.settings, { shape, colours });
      piece.look.slots['button'] = { hover };
      piece.look.slots['card'] = { hover: { border: '#ff0000' } };
      const lane = liveDemoLane();
      const spec = linkSpec(lane, buyLink, { id: 'a-link', piece, facts, origin: ORIGIN, language: 'en' });
      return { body: bodyOf(plainHtml(spec)), mail: mailHtml(spec) };
    };
    const card = styleOf({ background: '#00ff00' });
    expect(card.body.querySelector('style')!.textContent).to.equal(
      '.pl-a-link-card:hover{border-color:#ff0000!important}.pl-a-link-button:hover{background-color:#00ff00!important}',
    );
    expect(card.body.querySelectorAll('.pl-a-link-card button.pl-a-link-button')).to.have.length(1);
    expect(card.mail).not.to.include('<style');
    // As it is at rest: nothing to say of it.
    expect(styleOf({ background: 'token:accent' }, 'button').body.querySelector('style')).to.equal(null);
    const text = styleOf({ background: '#00ff00' }, 'text');
    expect(text.body.querySelector('style')!.textContent).to.equal('.pl-a-link-button:hover{color:#00ff00!important}');
    expect(text.body.querySelectorAll('a.pl-a-link-button')).to.have.length(1);
    expect(text.mail).not.to.match(/<style|class=/);
    const bare = styleOf({ background: '#00ff00' }, 'text', 'host').body;
    expect(bare.querySelectorAll('style,[class]')).to.have.length(0);
  });

  it('is a table for mail, whose picture is absolute and whose words are there without it', () => {
    const table = bodyOf(mailHtml(specOf({ shape: 'card' }))).querySelector('table')!;
    expect(table.querySelectorAll('form,button,script,style')).to.have.length(0);
    expect(table.querySelector('img')!.getAttribute('src')).to.equal(`${ORIGIN}/art/hoop.svg`);
    expect(table.querySelector('img')!.alt).to.equal('Hoop Winder, Small');
    expect([...table.querySelectorAll('a')].every(({ href }) => href.startsWith(`${ORIGIN}/shop/buy?`))).to.equal(true);
  });

  it('is a frame of the shop’s own page of it', () => {
    const frame = bodyOf(frameHtml(specOf({ shape: 'card' }))).querySelector('iframe')!;
    expect(frame.src).to.equal(`${ORIGIN}/shop/embed?piece=buy-link`);
    expect(frame.title).to.equal('Hoop Winder, Small');
  });

  it('runs nothing of what products and codes are called', () => {
    for (const bad of [
      '<script>alert(1)</script>',
      '"><img src=x onerror=alert(1)>',
      "' onclick='alert(1)",
      '&lt;script&gt;',
      '</table></form>',
    ]) {
      const variants = [1, 2].map((i) => ({ sku: `${bad}${i}`, label: bad, totalMinor: i, isGone: false }));
      const parts = ['picture', 'name', 'price', 'shortText', 'variants', 'button', 'share'];
      const spec = specOf({ shape: 'card', goods: { sku: bad, quantity: 1, code: bad } }, parts, {
        name: bad,
        shortText: bad,
        price: bad,
        picture: `/${bad}`,
        productName: bad,
        variants,
      });
      for (const html of [plainHtml(spec), mailHtml(spec), frameHtml(spec)]) {
        const body = bodyOf(html);
        expect(body.querySelectorAll('script,[onerror],[onclick]'), html).to.have.length(0);
        expect(body.children, html).to.have.length(1);
      }
    }
  });
});
