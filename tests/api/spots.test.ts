import { expect } from 'chai';
import { addPiece, selectionOf, type Lane, type Selection, type Spot } from '~/core/lane';
import { definitionOf } from '~/pieces/definitions';
import { unpackRows } from '~/pieces/order-form/rows';
import { signInOwner, type Owner } from '../support/owner';
import { startServer, type TestServer } from '../support/server';

interface Wanted {
  readonly spot: Spot;
  readonly shows?: Partial<Selection>;
  readonly settings?: Readonly<Record<string, string | number | boolean>>;
  readonly heading?: string;
  readonly change?: (piece: Lane['pieces'][string]) => void;
}

/** Puts a listing into a lane and turns it on. */
function put(lane: Lane, { spot, shows = {}, settings = {}, heading = '', change }: Wanted): string {
  const id = addPiece(lane, definitionOf('listing')!);
  const piece = lane.pieces[id]!;
  piece.on = true;
  piece.where.spot = spot;
  Object.assign(piece.settings, settings, { shows: selectionOf(shows) });
  if (heading) piece.words['en'] = { heading };
  change?.(piece);
  return id;
}

describe('product lists in places of the shop’s pages', () => {
  let server: TestServer;
  let owner: Owner;
  before(async function () {
    this.timeout(60_000);
    server = await startServer(0);
    owner = await signInOwner(server);
  });
  after(() => server.stop());

  let asked = 0;
  /** A page as it is now: one that was drawn before may be told for another second. */
  const page = async (path: string) => {
    const response = await fetch(`${server.origin}${path}${path.includes('?') ? '&' : '?'}now=${(asked += 1)}`);
    expect(response.status, path).to.equal(200);
    return response.text();
  };
  /** What a piece draws on a page; null where it is not there. */
  const part = (html: string, id: string) =>
    new RegExp(`data-pl-piece="${id}".*?</section>`, 's').exec(html)?.[0] ?? null;
  const slugs = (html: string | null) =>
    [...(html ?? '').matchAll(/data-pl-product="([\w-]+)"/g)].map(([, slug]) => slug);
  const only = (wanted: Wanted) =>
    owner.publish((lane) => {
      for (const id of Object.keys(lane.pieces)) if (lane.pieces[id]!.kind === 'listing') delete lane.pieces[id];
      put(lane, wanted);
    });

  it('show what was chosen: picked in their order, a category, a tag, a search, without some', async () => {
    const shown = async (shows: Partial<Selection>) => {
      await only({ spot: 'home.below', shows });
      return slugs(part(await page('/shop/'), 'listing'));
    };
    expect(await shown({ from: 'picked', picked: { slugs: ['kestrel', 'gone', 'heron'] } })).to.deep.equal([
      'kestrel',
      'heron',
    ]);
    const winders = await shown({ from: 'category', category: 'spares', order: 'name' });
    expect(winders.length).to.be.greaterThan(3);
    expect(await shown({ from: 'category', category: 'spares', order: 'name', most: 2 })).to.deep.equal(
      winders.slice(0, 2),
    );
    expect(
      await shown({
        from: 'category',
        category: 'spares',
        order: 'name',
        without: { slugs: [winders[0]!] },
      }),
    ).to.deep.equal(winders.slice(1));
    expect(await shown({ from: 'search', search: 'heron' })).to.include('heron');
    const tagged = await shown({ from: 'tag', tag: 'light wind' });
    expect(tagged.length).to.be.greaterThan(0);
    expect(await shown({ from: 'tag', tag: '' })).to.deep.equal([]);
    expect(part(await page('/shop/'), 'listing')).to.include('Nothing here at the moment.');
    expect(await shown({ from: 'category', category: 'gone' })).to.deep.equal([]);
  });

  it('stand only where Where says: on pages of a category, for a product, hidden on a device by the first paint', async () => {
    await only({
      spot: 'product.below',
      change: (piece) => {
        piece.where.products = { mode: 'only', slugs: ['heron'] };
        piece.where.devices = ['desktop', 'tablet'];
      },
    });
    const heron = part(await page('/shop/p/heron'), 'listing');
    expect(heron).to.match(/@media \(max-width:639\.98px\)\{:scope\{display:none\}\}/);
    expect(part(await page('/shop/p/kestrel'), 'listing')).to.equal(null);

    await only({
      spot: 'listing.above',
      change: (piece) => void (piece.where.categories = { mode: 'only', slugs: ['power'] }),
    });
    expect(part(await page('/shop/c/power'), 'listing')).not.to.equal(null);
    expect(part(await page('/shop/all'), 'listing')).to.equal(null);
    expect(part(await page('/shop/'), 'listing')).to.equal(null);
  });

  it('work apart, two on a page, each under addresses of its own; wild ones show the nearest page', async () => {
    await owner.publish((lane) => {
      const { listing: _old, ...others } = lane.pieces;
      lane.pieces = others;
      const shape = { settings: { more: 'button', pageSize: 4 }, shows: { order: 'name' as const, most: 18 } };
      put(lane, { spot: 'home.below', ...shape });
      put(lane, {
        spot: 'home.below',
        settings: { more: 'pages', pageSize: 5 },
        shows: { order: 'price-up', most: 12 },
      });
    });
    const counts = async (query: string) => {
      const html = await page(`/shop/${query}`);
      return ['listing', 'listing-2'].map((id) => slugs(part(html, id)).length);
    };
    expect(await counts('')).to.deep.equal([4, 5]);
    expect(await counts('?listing.shown=3')).to.deep.equal([12, 5]);
    expect(await counts('?listing.shown=3&listing-2.page=3')).to.deep.equal([12, 2]);
    expect(await counts('?listing.shown=99999999&listing-2.page=-4')).to.deep.equal([4, 5]);
    expect(await counts('?listing.shown=9999&listing-2.page=9999')).to.deep.equal([18, 2]);
    expect(await counts('?listing.shown=x&listing-2.page=1e9')).to.deep.equal([4, 5]);
    const html = await page('/shop/?listing.shown=2&listing-2.page=2');
    expect(part(html, 'listing')).to.match(/href="\?listing-2\.page=2&(amp;)?now=\d+&(amp;)?listing\.shown=3"/);
    expect(part(await page('/shop/?listing.shown=9'), 'listing')).to.include('That is everything.');
  });

  it('stand in no place their kind cannot: the page stays whole', async () => {
    await owner.publish((lane) => {
      const { listing: _old, 'listing-2': _other, ...others } = lane.pieces;
      lane.pieces = others;
      const id = addPiece(lane, definitionOf('order-form')!);
      lane.pieces[id]!.on = true;
      lane.pieces[id]!.where.spot = 'listing.main';
    });
    expect(part(await page('/shop/all'), 'order-form')).to.equal(null);
    await owner.publish((lane) => void delete lane.pieces['order-form']);
  });

  it('take the place of a listing’s own products, filters and all', async () => {
    await only({
      spot: 'listing.main',
      settings: { as: 'table', more: 'button', pageSize: 6, nameLinks: false },
      shows: { from: 'picked', picked: { slugs: ['heron'] }, order: 'name' },
    });
    const html = await page('/shop/all?shown=2');
    expect(html).to.include('data-as="table"');
    const names = slugs(html.slice(html.indexOf('data-as="table"')));
    expect(names).to.have.length(12);
    const cheap = await page('/shop/all?from=50&shown=1');
    expect(cheap).to.include('data-as="table"');
    const priced = slugs(cheap.slice(cheap.indexOf('data-as="table"')));
    expect(priced.length).to.be.greaterThan(0).and.lessThan(7);
  });

  describe('an order form', () => {
    interface Row {
      readonly choices: string;
      readonly slug: string;
      readonly priceMinor: number;
      readonly attributes: Readonly<Record<string, string>>;
    }
    const rowsOn = async (path: string): Promise<Row[]> => {
      const [, text] = /<script type="application\/json" data-rows[^>]*>(.*?)<\/script>/s.exec(await page(path)) ?? [];
      return text ? unpackRows(text) : [];
    };
    const stands = (spot: Spot, shows: Partial<Selection>, parts: readonly string[] = []) =>
      owner.publish((lane) => {
        for (const [id, piece] of Object.entries(lane.pieces))
          if (['order-form', 'listing'].includes(piece.kind)) delete lane.pieces[id];
        const form = lane.pieces[addPiece(lane, definitionOf('order-form')!)]!;
        Object.assign(form, { on: true, where: { ...form.where, spot } });
        form.settings['shows'] = selectionOf(shows);
        for (const own of form.parts) if (parts.includes(own.key)) own.on = true;
      });

    it('in place of a listing has all that its page is about, whatever page of it is asked for', async () => {
      await stands('listing.main', { from: 'page', most: 5 });
      const all = await rowsOn('/shop/all');

      expect(new Set(all.map(({ slug }) => slug)).size).to.be.greaterThan(40);
      expect(await rowsOn('/shop/all?page=2')).to.deep.equal(all);
    });

    it('is narrowed row by row: to the variants that were chosen, and to their own prices', async () => {
      const large = await rowsOn('/shop/all?v.Size=Large');
      expect(large.length).to.be.greaterThan(2);
      for (const { choices } of large) expect(choices.split(', ')).to.include('Large');
      const cheap = await rowsOn('/shop/c/single-line?to=60');
      expect(cheap.length).to.be.greaterThan(2);
      for (const { priceMinor } of cheap) expect(priceMinor).to.be.at.most(6000);
    });

    it('on a product page has the variants of its product, and nothing else', async () => {
      await stands('product.below', { from: 'page', most: 50 }, ['attributes']);
      const rows = await rowsOn('/shop/p/heron');

      expect(new Set(rows.map(({ slug }) => slug))).to.deep.equal(new Set(['heron']));
      expect(rows.length).to.be.greaterThan(1);
      expect(Object.keys(rows[0]!.attributes).length).to.be.greaterThan(0);
      await owner.publish((lane) => void delete lane.pieces['order-form']);
    });
  });

  it('say what more of a product is asked for, and buy at once', async () => {
    await only({
      spot: 'home.above',
      shows: { from: 'picked', picked: { slugs: ['hoop-winder'] } },
      settings: { buys: 'now', pictureLinks: false },
      change: (piece) => piece.parts.forEach((item) => void (item.on = true)),
    });
    const html = part(await page('/shop/'), 'listing')!;
    expect(html).to.match(/data-part="stock"[^>]*>\d+ in stock/);
    expect(html).to.include('data-part="attributes"').and.to.include('name="quantity"');
    expect(html).to.include('name="return" value="/shop/checkout"').and.to.include('Buy now');
    const variantId = /name="variantId" value="(\d+)"/.exec(html)![1]!;
    const bought = await fetch(`${server.origin}/shop/cart`, {
      method: 'POST',
      body: new URLSearchParams({ kind: 'add', variantId, quantity: '2', return: '/shop/checkout' }),
      redirect: 'manual',
      headers: { origin: server.origin },
    });
    expect(bought.headers.get('location')).to.equal('/shop/checkout');
  });

  it('are shown in the bench though off, to nobody else, and drawn by the draft', async () => {
    await only({ spot: 'home.above', change: (piece) => void (piece.on = false) });
    expect(part(await page('/shop/'), 'listing')).to.equal(null);
    expect(part(await page('/shop/?shape=listing'), 'listing')).to.equal(null);
    const token = await owner.change(
      (lane) => void (lane.pieces['listing']!.words['en'] = { heading: 'By the draft' }),
    );
    expect(part(await page(`/shop/?draft=${token}`), 'listing')).to.equal(null);
    const shaped = part(await page(`/shop/?draft=${token}&shape=listing`), 'listing');
    expect(shaped).to.include('By the draft');
    expect(part(await page(`/shop/?draft=${token}&shape=constructor`), 'listing')).to.equal(null);
  });
});
