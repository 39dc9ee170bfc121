import { expect } from 'chai';
import {
  findProblems,
  textsByPlace,
  type MeasuredControl,
  type MeasuredSurface,
  type MeasuredText,
} from '~/core/proof';
import { measuredControl, measuredPage, measuredSurface, measuredText, placeIn } from '../../../support/measured';

const ofText = (more: Partial<MeasuredText>) => findProblems(measuredPage({ texts: [measuredText(more)] }));
const ofControls = (...controls: readonly Partial<MeasuredControl>[]) =>
  findProblems(measuredPage({ controls: controls.map(measuredControl) }));

describe('problems found in what was measured', () => {
  it('are none where nothing is wrong', () => {
    expect(findProblems(measuredPage({ texts: [measuredText()], controls: [measuredControl()] }))).to.deep.equal([]);
  });

  describe('of contrast', () => {
    it('are judged at 4.5 : 1, and at 3 : 1 where the text is large', () => {
      // #949494 on white is 3.03 : 1.
      const [small] = ofText({ colour: '#949494' });
      expect(small).to.include({ check: 'faint', wanted: 4.5, ground: '#ffffff' });
      expect(small?.check === 'faint' && small.ratio).to.be.closeTo(3.03, 0.01);
      expect(ofText({ colour: '#949494', sizePx: 24 })).to.deep.equal([]);
      expect(ofText({ colour: '#949494', sizePx: 18, isBold: true })).to.have.length(1);
      expect(ofText({ colour: '#949494', sizePx: 19, isBold: true })).to.deep.equal([]);
    });

    it('are those of the hardest part of a picture, but for specks', () => {
      const mostly = (dark: number) => [
        ...Array<string>(20 - dark).fill('#ffffff'),
        ...Array<string>(dark).fill('#222222'),
      ];
      expect(ofText({ grounds: mostly(2) })).to.deep.equal([]);
      expect(ofText({ grounds: mostly(3) })).to.have.length(1);
    });

    it('are none of what cannot be used now, nor where the ground is not known', () => {
      expect(ofText({ colour: '#eeeeee', isDisabled: true })).to.deep.equal([]);
      expect(ofText({ colour: '#eeeeee', grounds: [] })).to.deep.equal([]);
    });
  });

  it('of room are texts cut, larger than their button, or broken into letters', () => {
    expect(ofText({ hiddenPx: { across: 0, down: 14.4 } })[0]).to.include({ check: 'cut', hiddenPx: 14 });
    expect(ofText({ hiddenPx: { across: 1.5, down: 0 } })).to.deep.equal([]);
    expect(ofText({ sticksOutPx: 9 })[0]).to.include({ check: 'sticks-out', byPx: 9 });
    expect(ofText({ text: 'Warenkorb', lines: 9 })[0]).to.include({ check: 'narrow', lines: 9, letters: 9 });
    // Numbers one below the other are meant.
    expect(ofText({ text: '1 2 3 4', lines: 4 })).to.deep.equal([]);
  });

  it('of targets are those under 24 px that have no room around them', () => {
    const small = { box: { x: 100, y: 100, width: 16, height: 16 } };
    const near = { box: { x: 118, y: 100, width: 16, height: 16 }, at: placeIn('quick-view', { called: 'Next' }) };
    expect(ofControls(small)).to.deep.equal([]);
    expect(ofControls(small, near).map(({ check }) => check)).to.deep.equal(['small', 'small']);
    expect(ofControls(small, { ...near, box: { ...near.box, x: 130 } })).to.deep.equal([]);
    expect(ofControls({ ...small, isInText: true }, { ...near, isInText: true })).to.deep.equal([]);
  });

  it('of what lies over something are told where it keeps from ordering', () => {
    const by = placeIn('cart-opener');
    expect(ofControls({ use: 'order', coveredBy: by })[0]).to.deep.include({ check: 'covered', by });
    expect(ofControls({ use: null, coveredBy: by })).to.deep.equal([]);
    // What can be closed is out of the way with a press.
    const surface = measuredSurface({ at: by, isModal: false });
    const covered = measuredControl({ use: 'order', coveredBy: by });
    const close = measuredControl({ use: 'close', at: by });
    expect(findProblems(measuredPage({ controls: [covered, close], surfaces: [surface] }))).to.deep.equal([]);
    expect(findProblems(measuredPage({ controls: [covered], surfaces: [surface] }))).to.have.length(1);
  });

  it('of surfaces are those without a way out in sight, and several at once', () => {
    const surface = measuredSurface();
    const close = measuredControl({ use: 'close' });
    const checks = (controls: MeasuredControl[], surfaces = [surface]) =>
      findProblems(measuredPage({ controls, surfaces })).map(({ check }) => check);
    expect(checks([close])).to.deep.equal([]);
    expect(checks([])).to.deep.equal(['no-close']);
    expect(checks([{ ...close, box: { ...close.box, y: -60 } }])).to.deep.equal(['no-close']);
    expect(checks([{ ...close, coveredBy: placeIn('buy-bar') }])).to.deep.equal(['no-close']);
    expect(checks([{ ...close, at: placeIn('cart') }])).to.deep.equal(['no-close']);
    expect(checks([], [{ ...surface, isClosedBeside: true }])).to.deep.equal([]);
    expect(checks([], [{ ...surface, isModal: false }])).to.deep.equal([]);
    expect(checks([close], [surface, { ...surface, at: placeIn('added'), isModal: false }])).to.deep.equal(['several']);
  });

  it('are a page wider than its window, and what has no name', () => {
    expect(findProblems(measuredPage({ widerByPx: 40 }))[0]).to.include({ check: 'sideways', byPx: 40 });
    const panel = measuredSurface({ at: placeIn('cart'), isModal: false, widerByPx: 31 });
    expect(findProblems(measuredPage({ surfaces: [panel] }), 'cart')[0]).to.include({ check: 'sideways', byPx: 31 });
    expect(findProblems(measuredPage({ surfaces: [panel] }), 'quick-view')).to.deep.equal([]);
    expect(ofControls({ name: '' })[0]).to.include({ check: 'unnamed' });
  });

  it('of marks and focus are those under 3 : 1', () => {
    const mark = { what: 'edge', colour: '#c8c8c8', ground: '#ffffff' } as const;
    expect(ofControls({ mark: { ...mark, ratio: 2.99 } })[0]).to.include({
      check: 'unmarked',
      what: 'edge',
      wanted: 3,
    });
    expect(ofControls({ mark: { ...mark, ratio: 3 } })).to.deep.equal([]);
    expect(ofControls({ focusRatio: 1 })[0]).to.include({ check: 'unseen-focus', ratio: 1, wanted: 3 });
    expect(ofControls({ focusRatio: 3 })).to.deep.equal([]);
  });

  it('of the keyboard and the ear are what takes no press, holds Tab, or opens unsaid', () => {
    expect(ofControls({ dead: 'leads-nowhere' })[0]).to.include({ check: 'dead', why: 'leads-nowhere' });
    const aside = measuredSurface({ isModal: false });
    const checks = (more: Partial<MeasuredSurface>) =>
      findProblems(measuredPage({ surfaces: [{ ...aside, ...more }] })).map(({ check }) => check);
    expect(checks({})).to.deep.equal([]);
    expect(checks({ isAnnounced: false })).to.deep.equal(['unannounced']);
    expect(checks({ holdsTab: true })).to.deep.equal(['holds-tab']);
  });

  it('of stillness are what jumps, what moves, and a sum told as two', () => {
    const at = placeIn('quick-view');
    const box = { x: 0, y: 0, width: 10, height: 10 };
    expect(findProblems(measuredPage({ shifts: [{ at, box, byPx: 8 }] }))).to.deep.equal([]);
    expect(findProblems(measuredPage({ shifts: [{ at, box, byPx: 8.6 }] }))[0]).to.include({
      check: 'shifts',
      byPx: 9,
    });
    expect(findProblems(measuredPage({ moving: [{ at, box }] }))[0]).to.include({ check: 'moves' });
    const sums = [
      { at: placeIn('cart-opener'), box, of: 'goods', text: '£12.00' },
      { at: placeIn('cart'), box, of: 'goods', text: '£12.00' },
      { at: placeIn('cart'), box, of: 'total', text: '£15.00' },
    ];
    expect(findProblems(measuredPage({ sums }))).to.deep.equal([]);
    const other = findProblems(
      measuredPage({ sums: [...sums, { at, box, of: 'goods', text: '£13.00' }] }),
      'cart-opener',
    );
    expect(other[0]).to.include({ check: 'differs', text: '£13.00', other: '£12.00' });
  });

  it('of language are sentences that read as in the shop’s own', () => {
    const text = (word: string | null, said: string) =>
      measuredText({ text: said, language: 'de', at: placeIn('quick-view', { word, part: 'text' }) });
    const own = [
      text('add', 'Add to cart'),
      text('close', 'Close'),
      text(null, 'A kite that flies in the lightest wind there is'),
    ];
    const compared = { source: textsByPlace([{ texts: own }]) };
    const found = (texts: MeasuredText[]) =>
      findProblems(measuredPage({ language: 'de', texts }), null, compared).map(({ check, at }) => [check, at.word]);
    // One word may be the same in both, and a text in another place is another text.
    expect(found([text('add', 'In den Korb'), text('close', 'Close'), text('message', 'Add to cart')])).to.deep.equal(
      [],
    );
    expect(found(own)).to.deep.equal([
      ['untranslated', 'add'],
      ['untranslated', null],
    ]);
    expect(findProblems(measuredPage({ language: 'de', texts: own }))).to.deep.equal([]);
    expect(found(own.map((one) => ({ ...one, language: 'en' })))).to.deep.equal([]);
  });

  it('are told once for what is drawn many times, and only of the piece that is asked for', () => {
    const faint = { colour: '#cccccc' };
    const card = (called: string, slot: string | null) =>
      measuredText({ ...faint, at: placeIn('listing', { slot, called }) });
    const page = measuredPage({
      texts: [card('Heron', 'name'), card('Kestrel', 'name'), card('Pewit', null), card('Merlin', null)],
    });
    expect(findProblems(page).map(({ count }) => count)).to.deep.equal([2, 1, 1]);
    expect(findProblems(page, 'quick-view')).to.deep.equal([]);
    const covered = measuredPage({
      controls: [measuredControl({ use: 'order', at: placeIn(''), coveredBy: placeIn('cart-opener') })],
    });
    expect(findProblems(covered, 'cart-opener')).to.have.length(1);
    expect(findProblems(covered, 'buy-bar')).to.deep.equal([]);
  });
});
