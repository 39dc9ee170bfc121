import { expect } from 'chai';
import { checkMessage } from '~/core/words/check-message';
import { fill } from '~/core/words/fill';
import { SHOP_WORDS } from '~/core/words';
import { definitions } from '~/pieces/definitions';

describe('texts with braces', () => {
  it('can be read, all that ship, in every language with the names of the English one', () => {
    const specs = [...Object.values(SHOP_WORDS), ...definitions.flatMap(({ words }) => Object.values(words))];
    expect(specs.length).to.be.greaterThan(150);
    for (const { default: texts } of specs) {
      const usual = checkMessage(texts.en);
      for (const [language, text] of Object.entries(texts)) {
        const read = checkMessage(text!);
        expect(read.ok, `${language}: ${text}`).to.equal(true);
        expect(usual.ok && read.ok && usual.placeholders, text).to.include.members(read.ok ? read.placeholders : []);
      }
    }
  });

  for (const [text, expected] of [
    ['Plain, with 100 % and “quotes”', []],
    ['Don’t, don’t {amount}', ['amount']],
    ['{count, plural, =0 {none} one {# item} other {# items}} of {name}', ['count', 'name']],
    ['a {', 'a brace is not closed'],
    ['{}', 'nothing between two braces'],
    ['{count, plural, one {# item}}', 'a plural needs the form “other”'],
    ['{count, plural, one {{name}} other {#}}', 'no braces of its own'],
    ['{day, date, short}', 'only {name} and {count, plural, …}'],
    ['{n, selectordinal, one {#st} other {#th}}', 'only {name} and {count, plural, …}'],
  ] as const)
    it(`are judged: ${text}`, () => {
      const read = checkMessage(text);
      if (typeof expected === 'string') {
        expect(!read.ok && read.because).to.include(expected);
      } else {
        expect(read).to.deep.equal({ ok: true, placeholders: expected });
        const facts = Object.fromEntries(expected.map((name) => [name, 7]));
        expect(fill(text, facts)).not.to.match(/[{}]/);
      }
    });
});
