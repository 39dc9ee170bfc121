import { expect } from 'chai';
import fc from 'fast-check';
import { readChosen } from '~/core/catalogue';
import { keptFields, listingPlace } from '~/shop/listing-address';
import { withoutKey } from '~/shop/cookies/order-cookie';
import { inLanguage } from '~/shop/shop-context';
import { liveDemoLane } from '../../../demo/lane';

const at = (query: string) => new URL(`https://shop.example/shop/all?${query}`);

describe('where a listing stands in its address', () => {
  it('is a page of its own for each list, and the first where nothing sensible is said', () => {
    expect(listingPlace(at('page=3&listing-2.page=5'), null).page).to.equal(3);
    expect(listingPlace(at('page=3&listing-2.page=5'), 'listing-2').page).to.equal(5);
    for (const wild of ['', 'page=', 'page=-1', 'page=1e3', 'page=abc', 'page=2.5'])
      expect(listingPlace(at(wild), null).page, wild).to.equal(1);
    expect(listingPlace(at('page=0'), null).page).to.equal(1);
    expect(listingPlace(at('page=999999'), null).page).to.equal(10_000);
  });

  it('says whether all pages before it are shown, and so do the addresses it makes', () => {
    const grown = listingPlace(at('shown=4&page=2'), null);
    expect([grown.page, grown.fromFirst]).to.deep.equal([4, true]);
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 10_000 }),
        fc.boolean(),
        fc.constantFrom(null, 'listing-2'),
        (page, all, id) => {
          const href = listingPlace(at('q=kite&page=9&shown=8&draft=secret&shape=x&edit=4'), id).href(page, all);
          const next = listingPlace(at(href.slice(1)), id);
          expect([next.page, next.fromFirst]).to.deep.equal([page, all]);
          const kept = new URLSearchParams(href.slice(1));
          expect(kept.get('q')).to.equal('kite');
          // What is for the bench stays there.
          for (const name of ['draft', 'shape', 'edit']) expect(kept.has(name)).to.equal(false);
        },
      ),
    );
  });

  it('keeps what was chosen where its form does not offer it, and nothing else', () => {
    const search = at(
      'a.Skill=First&v.Size=S&n.Span.from=2&tag=gift&rating=4&q=kite&page=2&lang=de&a.Empty=',
    ).searchParams;
    const kept = keptFields(search);
    expect(kept.map(([name]) => name)).to.deep.equal(['a.Skill', 'v.Size', 'n.Span.from', 'tag', 'rating']);
    expect(readChosen(new URLSearchParams(kept))).to.deep.equal(readChosen(search));
    const many = new URLSearchParams(Array.from({ length: 300 }, (_, i) => [`a.K${i}`, 'x']));
    expect(keptFields(many)).to.have.length(100);
  });
});

describe('an address of the shop', () => {
  it('names every language but the first, behind what it says already', () => {
    const lane = liveDemoLane();
    expect(inLanguage('/shop/all?q=a#top', 'en', lane)).to.equal('/shop/all?q=a#top');
    expect(inLanguage('/shop/all?q=a#top', 'de', lane)).to.equal('/shop/all?q=a&lang=de#top');
    expect(inLanguage('/shop/', 'ar', lane)).to.equal('/shop/?lang=ar');
  });

  it('of an order loses the key that its mail put there', () => {
    const bare = withoutKey(new URL('https://shop.example/shop/thanks/abc?key=secret&lang=de'));
    expect(bare.href).to.equal('https://shop.example/shop/thanks/abc?lang=de');
  });
});
