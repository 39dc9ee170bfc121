import { expect } from 'chai';
import { renamedSentences } from '~/core/lane';
import { cartRename, CALLED_CART, type CartNaming } from '~/core/words';
import { definitions } from '~/pieces/definitions';
import { liveDemoLane } from '../../../demo/lane';

const own = (language: string, word: string, gender: 'm' | 'f' | 'n' = 'm'): CartNaming => ({
  kind: 'own',
  own: { [language]: { word, gender } },
});
const bag: CartNaming = { kind: 'bag', own: {} };

describe('another name for the cart', () => {
  it('is put in with its capital, its plural and its article in English', () => {
    const rename = cartRename(bag, 'en');
    expect(rename('Your cart is empty. Cart, carts. A cart.')).to.equal('Your bag is empty. Bag, bags. A bag.');
    expect(cartRename(own('en', 'order list'), 'en')('Fill a cart. A cart!')).to.equal(
      'Fill an order list. An order list!',
    );
  });

  it('leaves other words and placeholders as they are', () => {
    const rename = cartRename(bag, 'en');
    for (const text of ['go-cart', 'cartoon', '{cart}', '{cart, plural, other {#}}', 'descartes'])
      expect(rename(text)).to.equal(text);
  });

  it('takes the articles with it in German', () => {
    const rename = cartRename(bag, 'de');
    for (const [from, to] of [
      ['In den Warenkorb', 'In die Tasche'],
      ['Zum Warenkorb', 'Zur Tasche'],
      ['{count} im Warenkorb: {amount}', '{count} in der Tasche: {amount}'],
      ['Im Warenkorb.', 'In der Tasche.'],
      ['Dein Warenkorb ist leer.', 'Deine Tasche ist leer.'],
      ['nicht mehr in deinem Warenkorb', 'nicht mehr in deiner Tasche'],
      ['Diesen Warenkorb hast du schon bestellt.', 'Diese Tasche hast du schon bestellt.'],
      ['Eine Änderung am Warenkorb', 'Eine Änderung an der Tasche'],
      ['Warenkorb ansehen', 'Tasche ansehen'],
      ['der Inhalt des Warenkorbs', 'der Inhalt der Tasche'],
    ] as const)
      expect(rename(from)).to.equal(to);
    expect(cartRename({ kind: 'basket', own: {} }, 'de')('In den Warenkorb')).to.equal('In den Einkaufskorb');
    expect(cartRename(own('de', 'Netz', 'n'), 'de')('In den Warenkorb, im Warenkorb')).to.equal('In das Netz, im Netz');
  });

  it('takes the article and the suffix with it in Arabic, and hits no other word', () => {
    const rename = cartRename(bag, 'ar');
    expect(rename('أضف إلى السلة')).to.equal('أضف إلى الحقيبة');
    expect(rename('سلتك فارغة.')).to.equal('حقيبتك فارغة.');
    expect(rename('راسلنا، أُرسلت')).to.equal('راسلنا، أُرسلت');
  });

  it('speaks English where a language has no words of its own yet, and changes nothing as a cart', () => {
    expect(cartRename(bag, 'fr')('Your cart')).to.equal('Your bag');
    expect(cartRename(own('fr', 'panier'), 'fr')('Your cart')).to.equal('Your panier');
    expect(cartRename(CALLED_CART, 'en')('Your cart')).to.equal('Your cart');
    expect(cartRename(own('de', 'Netz'), 'en')('Your cart')).to.equal('Your cart');
  });

  it('leaves no shipped text of any language that speaks of a cart', () => {
    const lane = liveDemoLane();
    const said = { en: /\bcarts?\b/i, de: /warenkorb/i, ar: /سلة|سلتك/ } as const;
    for (const [language, word] of Object.entries(said)) {
      const sentences = renamedSentences(lane, definitions, language, bag);
      expect(sentences.length, language).to.be.greaterThan(15);
      for (const { from, to } of sentences) {
        expect(from).to.match(word);
        expect(to, from).not.to.match(word);
      }
    }
  });
});
