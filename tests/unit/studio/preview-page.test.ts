import { expect } from 'chai';
import { addPiece, type Lane } from '~/core/lane';
import type { Where } from '~/core/where';
import { definitionOf } from '~/pieces/definitions';
import { previewPage, whyUnseen } from '~/studio/preview/preview-page';
import { liveDemoLane } from '../../../demo/lane';

const categories = [{ slug: 'kites' }, { slug: 'spares' }];

function asked(kind: string, where: Partial<Where>, change?: (lane: Lane) => void) {
  const lane = liveDemoLane();
  const definition = definitionOf(kind)!;
  const pieceId = definition.isMany
    ? addPiece(lane, definition)
    : Object.keys(lane.pieces).find((id) => lane.pieces[id]!.kind === kind)!;
  const piece = lane.pieces[pieceId]!;
  Object.assign(piece, { on: true, where: { ...piece.where, ...where } });
  change?.(lane);
  return { lane, pieceId, definition, product: 'heron', categories, categoryTexts: {} };
}
const standsOn = (kind: string, where: Partial<Where>, change?: (lane: Lane) => void) => {
  const one = asked(kind, where, change);
  const page = previewPage(one, one.definition.preview.path, 'desktop');
  return { path: page.path, unseen: whyUnseen(one, page, 'desktop') };
};
const scope = (mode: 'only' | 'except', ...slugs: string[]) => ({ mode, slugs });

describe('the page a preview stands on', () => {
  it('is one on which shoppers see the piece', () => {
    const cases: [Partial<Where>, string][] = [
      [{ spot: 'listing.main', categories: scope('only', 'spares') }, '/shop/c/spares'],
      [{ spot: 'listing.above', categories: scope('only', 'tag:first\u00a0kite') }, '/shop/t/first%20kite'],
      [{ spot: 'listing.above', categories: scope('only', 'list:search') }, '/shop/search?q=a'],
      [{ spot: 'listing.above', categories: scope('only', 'list:category') }, '/shop/c/kites'],
      [{ spot: 'listing.above', categories: scope('except', 'list:all', 'kites') }, '/shop/c/spares'],
      [{ spot: 'home.below' }, '/shop/'],
      [{ spot: 'product.below', products: scope('only', 'wren') }, '/shop/p/wren'],
      [{ spot: 'cart.below' }, '/shop/cart'],
    ];
    for (const [where, path] of cases) expect(standsOn('listing', where), path).to.deep.equal({ path, unseen: null });
  });

  it('is the page of the owner’s that names it', () => {
    const named = standsOn('listing', { spot: 'text' }, (lane) => {
      lane.pages['sizes'] = {
        on: true,
        inFooter: false,
        formerly: [],
        title: { en: 'Sizes' },
        text: { en: 'See\n\n<pl-piece name="listing"></pl-piece>' },
      };
    });
    expect(named).to.deep.equal({ path: '/shop/pages/sizes', unseen: null });
    const inCategory = {
      ...asked('listing', { spot: 'text' }),
      categoryTexts: { spares: { name: 'Spares', text: '<pl-piece name="listing"></pl-piece>' } },
    };
    const page = previewPage(inCategory, '/shop/', 'desktop');
    expect(page.path).to.equal('/shop/c/spares');
    expect(whyUnseen(inCategory, page, 'desktop')).to.equal(null);
  });

  it('stays where pieces of its kind are looked at, while they are seen there', () => {
    expect(standsOn('quick-view', {}).path).to.equal('/shop/all');
    expect(standsOn('quick-view', { categories: scope('only', 'spares') })).to.deep.equal({
      path: '/shop/c/spares',
      unseen: null,
    });
    expect(standsOn('buy-link', { spot: 'elsewhere' }).path).to.equal('/shop/embed');
  });

  it('says why nobody would see it there', () => {
    expect(standsOn('quick-view', { devices: ['phone'] }).unseen).to.equal('Where leaves it out on desktops.');
    expect(
      standsOn('listing', { spot: 'home.below' }, (lane) => void (lane.pieces['listing']!.on = false)).unseen,
    ).to.equal('It is off.');
    expect(standsOn('quick-view', { pages: [] }).unseen).to.match(/nobody would see it/);
  });
});
