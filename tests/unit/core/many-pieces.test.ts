import { expect } from 'chai';
import { produce } from 'immer';
import {
  addPiece,
  canAdd,
  compileManifest,
  copyPiece,
  describeDifference,
  lintLane,
  dropChange,
  pieceName,
  readLane,
  selectionOf,
  type Lane,
} from '~/core/lane';
import { definitionOf, definitions } from '~/pieces/definitions';
import { wordChange } from '~/studio/data/word-change';
import { liveDemoLane } from '../../../demo/lane';

const listing = definitionOf('listing')!;
const sentences = (from: Lane, to: Lane) =>
  describeDifference(from, to, definitions).map((change) => `${change.pieceName}: ${wordChange(change)}`);

describe('many pieces of a kind', () => {
  it('are added off, each under an id and a name of its own, in a valid lane', () => {
    const lane = liveDemoLane();
    const ids = [addPiece(lane, listing), addPiece(lane, listing), addPiece(lane, listing)];

    expect(ids).to.deep.equal(['listing', 'listing-2', 'listing-3']);
    expect(ids.map((id) => pieceName(lane.pieces[id]!, definitions))).to.deep.equal([
      'Product list',
      'Product list 2',
      'Product list 3',
    ]);
    expect(ids.every((id) => !lane.pieces[id]!.on)).to.equal(true);
    expect(readLane(lane, definitions).ok).to.equal(true);
    expect(compileManifest(lane, definitions, 1).pieces.some(({ kind }) => kind === 'listing')).to.equal(false);
  });

  it('can be added where a lane may hold several, else only where there is none', () => {
    const lane = liveDemoLane();
    expect(canAdd(lane, listing)).to.equal(true);
    addPiece(lane, listing);
    expect(canAdd(lane, listing)).to.equal(true);
    const quickView = definitionOf('quick-view')!;
    expect(canAdd(lane, quickView)).to.equal(false);
    delete lane.pieces['quick-view'];
    expect(canAdd(lane, quickView)).to.equal(true);
  });

  it('are copied whole under a name that tells them apart, and changed apart', () => {
    const lane = liveDemoLane();
    const first = addPiece(lane, listing);
    Object.assign(lane.pieces[first]!, { on: true, name: 'Spring row' });
    lane.pieces[first]!.settings['shows'] = selectionOf({ from: 'tag', tag: 'gift' });
    const before = structuredClone(lane);
    const [second, third] = [copyPiece(lane, first, definitions), copyPiece(lane, first, definitions)];

    expect([second, third].map((id) => lane.pieces[id]!.name)).to.deep.equal([
      'Copy of Spring row',
      'Copy of Spring row 2',
    ]);
    (lane.pieces[second]!.settings['shows'] as { tag: string }).tag = 'other';
    lane.pieces[third]!.name = 'Autumn row';
    expect((lane.pieces[first]!.settings['shows'] as { tag: string }).tag).to.equal('gift');
    expect(sentences(before, lane)).to.deep.equal(['Copy of Spring row: Is new.', 'Autumn row: Is new.']);
  });

  it('are copied of a lane that is being changed, too', () => {
    let made = '';
    const changed = produce(liveDemoLane(), (draft) => void (made = copyPiece(draft, 'quick-view', definitions)));

    expect(changed.pieces[made]).to.deep.include({ kind: 'quick-view', name: 'Copy of Quick view', on: false });
    expect(changed.pieces[made]!.parts).to.deep.equal(changed.pieces['quick-view']!.parts);
  });

  it('are told of like offers: what is new, what is changed and what is taken away', () => {
    const before = liveDemoLane();
    const after = structuredClone(before);
    after.offers['spring'] = { ...structuredClone(after.offers['first-wind']!), name: 'Spring' };
    after.offers['winter-power']!.name = 'Winter';
    delete after.offers['free-delivery'];

    const said = describeDifference(before, after, definitions).map(wordChange);

    expect(said).to.have.members([
      'The offer “Spring” is new.',
      'The offer “Winter” was changed.',
      'The offer “Free delivery” is taken away.',
    ]);
  });

  it('are warned of when a selection names what is gone, and of a place there is no more', () => {
    const lane = liveDemoLane();
    lane.pieces = {};
    lane.pages = {};
    const [first, second] = [addPiece(lane, listing), addPiece(lane, listing)];
    for (const id of [first, second]) lane.pieces[id]!.on = true;
    lane.pieces[first]!.settings['shows'] = selectionOf({
      from: 'picked',
      picked: { slugs: ['heron', 'dodo'] },
      without: { slugs: ['moa'] },
    });
    lane.pieces[second]!.settings['shows'] = selectionOf({
      from: 'category',
      category: 'gone',
      picked: { slugs: ['dodo'] },
    });
    lane.pieces[second]!.where.spot = 'attic.left';
    const slugs = { products: new Set(['heron', 'wagtail', 'kestrel']), categories: new Set(['spares']) };
    expect(lintLane(lane, definitions, slugs)).to.deep.equal([
      { level: 'warning', code: 'deleted-product', pieceId: first, slug: 'dodo' },
      { level: 'warning', code: 'deleted-product', pieceId: first, slug: 'moa' },
      { level: 'warning', code: 'spot-gone', pieceId: second, spot: 'attic.left' },
      { level: 'warning', code: 'deleted-category', pieceId: second, slug: 'gone' },
    ]);
  });

  it('tell in a difference what they are called, show and where they stand, and each can be put back', () => {
    const live = liveDemoLane();
    const id = addPiece(live, listing);
    const draft = structuredClone(live);
    const piece = draft.pieces[id]!;
    piece.name = 'Spring row';
    piece.where.spot = 'product.below';
    piece.settings['shows'] = selectionOf({ from: 'picked', picked: { slugs: ['heron', 'kestrel'] }, most: 2 });

    expect(sentences(live, draft)).to.deep.equal([
      'Spring row: Name: Spring row instead of Product list.',
      'Spring row: Stands at: Product pages, below the product instead of Front page, above everything.',
      'Spring row: Which products: heron, kestrel; at most 2 instead of all products; featured, then best selling; at most 8.',
    ]);
    for (const change of describeDifference(live, draft, definitions)) dropChange(draft, live, change);
    expect(draft).to.deep.equal(live);
  });
});
