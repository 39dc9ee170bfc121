import { expect } from 'chai';
import { currencyOf, formatMoney } from '~/core/money';
import { readText } from '~/core/texts/read-text';
import { drawText, plainText } from '~/shop/rich-text';
import type { ShopContext } from '~/shop/shop-context';

/** The shop as far as texts need it, with nothing in its catalogue. */
function emptyShop(): ShopContext {
  return {
    app: { texts: { read: readText }, catalogue: {} },
    money: (amount: number) => formatMoney(amount, currencyOf('EUR'), 'en-IE'),
    locale: 'en-IE',
    say: (word: string) => word,
    priceNote: null,
  } as unknown as ShopContext;
}

describe('a text of the owner’s, drawn', () => {
  const shop = emptyShop();

  it('names pieces where they stand, in no paragraph, and at most twelve of them', async () => {
    const asked: string[] = [];
    const draw = (name: string) => {
      asked.push(name);
      return Promise.resolve(name === 'gone' ? null : `<section>${name}</section>`);
    };
    const piece = (name: string) => `<pl-piece name="${name}"></pl-piece>`;
    const html = await drawText(`Before ${piece('a')} after\n\n${piece('gone')}`, shop, draw);
    expect(html).to.include('<pl-piece name="a"><section>a</section></pl-piece>');
    expect(html).not.to.match(/<p>[^<]*<pl-piece/);
    expect(html).to.include('<pl-piece name="gone"></pl-piece>');
    asked.length = 0;
    await drawText(Array.from({ length: 20 }, (_, i) => piece(`p${i}`)).join('\n\n'), shop, draw);
    expect(asked).to.have.length(12);
    expect(await drawText(piece('a'), shop)).to.equal('<div><pl-piece name="a"></pl-piece></div>');
  });

  it('is one line of plain text for search engines, without its pieces', async () => {
    const text = '## Spars\n\nThey **break**.\n\n- one\n- two & three\n\n<pl-piece name="table"></pl-piece>';
    expect(await plainText(text, shop)).to.equal('Spars They break. one two & three');
    expect(await plainText('', shop)).to.equal('');
  });

  it('lets nothing run, and leads nowhere but to addresses', async () => {
    const html = await drawText(
      '<script>run()</script><b onclick="run()">bold</b> <iframe src="/"></iframe><img src=x onerror=run()>\n\nSee [x](javascript:run()).',
      shop,
    );
    expect(html).not.to.match(/<script|onclick|<iframe|<img|onerror|href="javascript/);
    expect(html).to.include('bold').and.include('<a>x</a>');
  });
});
