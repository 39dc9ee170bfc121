import { expect } from 'chai';
import {
  addPiece,
  compileManifest,
  lintLane,
  moveInSpot,
  piecesOfSpot,
  whyNeverSeen,
  type CategoryTexts,
  type Lane,
} from '~/core/lane';
import type { Where } from '~/core/where';
import { definitionOf, definitions } from '~/pieces/definitions';
import { liveDemoLane } from '../../../demo/lane';

const ALL_SLUGS = { products: new Set<string>(), categories: new Set(['kites', 'spares']) };

/** A lane with pieces in one place, in the order they are told. */
function laneWith(...pieces: { kind: string; where?: Partial<Where> }[]): { lane: Lane; ids: string[] } {
  const lane = liveDemoLane();
  const ids = pieces.map(({ kind, where }) => {
    const id = addPiece(lane, definitionOf(kind)!);
    const piece = lane.pieces[id]!;
    Object.assign(piece, { on: true, where: { ...piece.where, spot: 'listing.main', ...where } });
    return id;
  });
  return { lane, ids };
}
const only = (...slugs: string[]) => ({ mode: 'only' as const, slugs });
const except = (...slugs: string[]) => ({ mode: 'except' as const, slugs });
const why = ({ lane, ids }: { lane: Lane; ids: string[] }, i: number, texts: CategoryTexts = {}) =>
  whyNeverSeen(lane, ids[i]!, definitions, texts);

describe('a piece nobody ever sees', () => {
  it('is one behind others that stand wherever it could', () => {
    const all = laneWith({ kind: 'listing' }, { kind: 'order-form' });
    expect(why(all, 0)).to.equal(null);
    expect(why(all, 1)).to.deep.equal({ because: 'behind', others: ['listing'] });

    const together = laneWith(
      { kind: 'listing', where: { categories: only('kites') } },
      { kind: 'listing', where: { categories: except('kites') } },
      { kind: 'order-form', where: { categories: only('kites', 'spares', 'list:search') } },
    );
    expect(why(together, 2)).to.deep.equal({ because: 'behind', others: ['listing', 'listing-2'] });
  });

  it('is none that has a page, a device or a kind of listing left', () => {
    for (const where of [
      { categories: except('list:search') },
      { devices: ['phone' as const, 'tablet' as const] },
      { categories: only('kites') },
    ])
      expect(why(laneWith({ kind: 'listing', where }, { kind: 'order-form' }), 1)).to.equal(null);
    const off = laneWith({ kind: 'listing' }, { kind: 'order-form' });
    off.lane.pieces[off.ids[0]!]!.on = false;
    expect(why(off, 1)).to.equal(null);
    // Where several stand below each other nobody is behind anybody.
    expect(
      why(
        laneWith(
          { kind: 'listing', where: { spot: 'home.below' } },
          { kind: 'order-form', where: { spot: 'home.below' } },
        ),
        1,
      ),
    ).to.equal(null);
  });

  it('is one whose rules leave no page of its place, and one that no text names', () => {
    expect(why(laneWith({ kind: 'listing', where: { categories: only('page:about') } }), 0)).to.deep.equal({
      because: 'nowhere',
    });
    const named = laneWith({ kind: 'listing', where: { spot: 'text' } });
    expect(why(named, 0)).to.deep.equal({ because: 'unnamed' });
    const kites = { name: 'Kites', text: 'See <pl-piece name="listing"></pl-piece>' };
    expect(why(named, 0, { kites })).to.equal(null);
    named.lane.pages['about'] = {
      on: true,
      inFooter: false,
      formerly: [],
      title: { en: 'About' },
      text: { en: '<pl-piece name="listing"></pl-piece>' },
    };
    expect(why(named, 0)).to.equal(null);
  });

  it('is told when publishing, with who comes first', () => {
    const { lane } = laneWith({ kind: 'listing' }, { kind: 'order-form' });
    const found = lintLane(lane, definitions, ALL_SLUGS).filter(({ code }) => code === 'nobody-sees');
    expect(found.map(({ pieceId }) => pieceId)).to.deep.equal(['order-form']);
  });

  it('is told of rules that name a page or a tag that is gone', () => {
    const { lane } = laneWith({ kind: 'listing', where: { categories: except('page:gone', 'tag:old', 'kites') } });
    const found = lintLane(lane, definitions, { ...ALL_SLUGS, tags: new Set<string>() });
    expect(found.flatMap((one) => (one.code === 'deleted-about' ? [one.name] : []))).to.deep.equal(['gone', 'old']);
  });
});

describe('pieces of one place', () => {
  const inOrder = (lane: Lane) => piecesOfSpot(lane, 'listing.main').map(([id]) => id);

  it('are moved by hand, and stand so for shoppers; nothing but the moved one changes', () => {
    const { lane, ids } = laneWith({ kind: 'listing' }, { kind: 'listing' }, { kind: 'listing' });
    const [a, b, c] = ids as [string, string, string];
    const orders = () => Object.fromEntries(ids.map((id) => [id, lane.pieces[id]!.where.order]));
    const before = orders();

    moveInSpot(lane, c, -1);
    expect(inOrder(lane)).to.deep.equal([a, c, b]);
    expect(orders()).to.include({ [a]: before[a], [b]: before[b] });
    moveInSpot(lane, c, -1);
    moveInSpot(lane, c, -1);
    expect(inOrder(lane)).to.deep.equal([c, a, b]);
    moveInSpot(lane, a, 1);
    expect(inOrder(lane)).to.deep.equal([c, b, a]);
    const compiled = compileManifest(lane, definitions, 1).pieces.map(({ id }) => id);
    expect(compiled.filter((id) => ids.includes(id))).to.deep.equal([c, b, a]);
  });

  it('of older lanes, which had no order, are moved all the same', () => {
    const { lane, ids } = laneWith({ kind: 'listing' }, { kind: 'listing' }, { kind: 'listing' });
    for (const id of ids) lane.pieces[id]!.where.order = 0;

    moveInSpot(lane, ids[2]!, -1);

    expect(inOrder(lane)).to.deep.equal([ids[0], ids[2], ids[1]]);
  });
});
