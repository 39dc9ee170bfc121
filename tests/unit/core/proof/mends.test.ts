import { expect } from 'chai';
import {
  mendsFor,
  proofSituations,
  readLane,
  wordProofProblem,
  type Lane,
  type Mend,
  type Situation,
} from '~/core/lane';
import { contrastRatio, type PlaceInPiece, type ProofProblem } from '~/core/proof';
import { definitionOf, definitions, situationsOf } from '~/pieces/definitions';
import { liveDemoLane } from '../../../../demo/lane';
import { placeIn } from '../../../support/measured';

const BOX = { x: 0, y: 0, width: 10, height: 10 };
const everyday: Situation = { key: 'plain', label: 'Everyday', width: 1280 };
const faintAt = (at: PlaceInPiece): ProofProblem => ({
  check: 'faint',
  at,
  box: BOX,
  count: 1,
  colour: '#ffffff',
  ground: '#8fb3bd',
  ratio: 2.2,
  wanted: 4.5,
});

function mends(lane: Lane, problem: ProofProblem, situation = everyday): Mend[] {
  return mendsFor({ problem, situation, lane, definitions }, 'quick-view');
}

/** The lane after a mend. */
function after(lane: Lane, mend: Mend): Lane {
  const changed = structuredClone(lane);
  mend.change(changed);
  return changed;
}

describe('mends', () => {
  it('of a faint text are the nearest passing colours, in the state it was found in; first of what the owner set', () => {
    const lane = liveDemoLane();
    lane.pieces['quick-view']!.look.slots = { add: { hover: { background: '#8fb3bd' } } };
    const found = mends(lane, faintAt(placeIn('quick-view', { slot: 'add', part: 'buy' })), {
      ...everyday,
      state: 'hover',
    });

    expect(found[0]!.setting).to.equal('Add button, under the pointer: background');
    const look = after(lane, found[0]!).pieces['quick-view']!.look.slots['add']!['hover']!;
    expect(contrastRatio('#ffffff', String(look['background']))).to.be.at.least(4.5);
    expect(found[1]!.setting).to.equal('Add button, under the pointer: text');
    // Then what the owner changed is taken back.
    const undone = after(lane, found[2]!).pieces['quick-view']!.look.slots['add']!['hover']!;
    expect(undone).to.deep.equal({});
  });

  it('take each of the owner’s style rules back by itself', () => {
    const lane = liveDemoLane();
    const { look } = lane.pieces['quick-view']!;
    look.css = '[data-slot=add] {\n  color: #8fb3bd;\n  width: 40px\n}';
    const found = mends(lane, faintAt(placeIn('quick-view', { slot: 'add', part: 'buy' })));
    const rules = found.filter(({ setting }) => setting.startsWith('Own style rules'));
    expect(rules.map(({ setting, label }) => [setting, label])).to.deep.equal([
      ['Own style rules, line 2', 'Remove “color: #8fb3bd”'],
      ['Own style rules, line 3', 'Remove “width: 40px”'],
    ]);
    expect(after(lane, rules[0]!).pieces['quick-view']!.look.css.replace(/\s+/g, '')).to.equal(
      '[data-slot=add]{width:40px}',
    );
    expect(after(lane, rules[1]!).pieces['quick-view']!.look.css.replace(/\s+/g, '')).to.equal(
      '[data-slot=add]{color:#8fb3bd;}',
    );
  });

  it('of what lies over something move what can be moved, on the device it was found on', () => {
    const lane = liveDemoLane();
    const opener = Object.keys(lane.pieces).find((id) => lane.pieces[id]!.kind === 'cart-opener')!;
    const problem: ProofProblem = { check: 'covered', at: placeIn(''), by: placeIn(opener), box: BOX, count: 1 };
    const [first] = mends(lane, problem, { ...everyday, width: 390 });
    expect(first).to.include({ pieceId: opener, setting: 'Place on phones', label: 'Move it to the lower left' });
    expect(after(lane, first!).pieces[opener]!.settings['placePhone']).to.equal('bottom 0');
  });

  it('hide a part last, and never one that nobody can order without', () => {
    const lane = liveDemoLane();
    const cut = (part: string): ProofProblem => ({
      check: 'cut',
      at: placeIn('quick-view', { part }),
      box: BOX,
      count: 1,
      hiddenPx: 20,
    });
    const [hide] = mends(lane, cut('rating')).slice(-1);
    expect(hide).to.include({ task: 'parts', label: 'Hide it on desktops' });
    expect(after(lane, hide!).pieces['quick-view']!.parts.find(({ key }) => key === 'rating')!.hideOn).to.deep.equal([
      'desktop',
    ]);
    const needed = Object.keys(definitionOf('checkout')!.needs?.[0]?.oneOf ?? {})[0]!;
    const ofCheckout = mends(lane, { ...cut(needed), at: placeIn('checkout', { part: needed }) });
    expect(ofCheckout.some(({ label }) => label.startsWith('Hide'))).to.equal(false);
  });

  it('leave a lane that its own schema takes, whatever was found where', () => {
    const lane = liveDemoLane();
    for (const [pieceId, piece] of Object.entries(lane.pieces))
      for (const [slot, { part }] of Object.entries(definitionOf(piece.kind)!.looks)) {
        const found = mends(lane, faintAt(placeIn(pieceId, { slot, part: part ?? null })));
        for (const mend of found)
          expect(readLane(after(lane, mend), definitions).ok, `${mend.setting}: ${mend.label}`).to.equal(true);
      }
  });
});

describe('situations of the proof', () => {
  it('are those of the kind, then widths, languages, large text and states, each once', () => {
    const own = situationsOf('quick-view');
    const all = proofSituations(definitionOf('quick-view')!, own, ['en', 'de', 'ar']);
    expect(all.slice(0, own.length)).to.deep.equal(own);
    expect(all.slice(own.length).map(({ key }) => key)).to.deep.equal([
      'width-320',
      'width-768',
      'language-de',
      'language-ar',
      'large-text-390',
      'large-text-1280',
      'hover',
      'focus',
      'pressed',
      'calm',
      'forced-colours',
    ]);
    expect(all.find(({ key }) => key === 'language-ar')).to.include({ rightToLeft: true, language: 'ar' });
    expect(new Set(all.map(({ key }) => key)).size).to.equal(all.length);
  });

  it('are those of carts for what shows a full one, and of counts for what suggests', () => {
    const keys = (kind: string) =>
      proofSituations(definitionOf(kind)!, situationsOf(kind), ['en']).map(({ key }) => key);
    expect(keys('cart-surface')).to.include.members(['nine-lines', 'code-taken', 'code-refused', 'at-threshold']);
    expect(keys('quick-view')).not.to.include('nine-lines');
    expect(keys('related')).to.include.members(['suggestions-0', 'suggestions-1', 'suggestions-4']);
  });

  it('are some of every kind there is', () => {
    for (const { kind } of definitions)
      expect(proofSituations(definitionOf(kind)!, situationsOf(kind), ['en']).length, kind).to.be.at.least(4);
  });
});

describe('style rules that may have caused a problem', () => {
  it('are taken back first where they do what was found, then where they name its place', () => {
    const lane = liveDemoLane();
    lane.pieces['quick-view']!.look.css =
      '[data-slot=name]{margin:0;opacity:.5}\n[data-slot=close]{color:#fff}\n[data-slot=add]{width:9px}';
    const labels = mends(lane, {
      check: 'dead',
      at: placeIn('quick-view', { slot: 'add' }),
      box: BOX,
      count: 1,
      why: 'takes-no-press',
    });
    expect(labels[0]!.label).to.equal('Remove “width:9px”');
    const faint = mends(lane, faintAt(placeIn('quick-view', { slot: 'name' }))).filter(({ label }) =>
      /^Remove/.test(label),
    );
    expect(faint.map(({ label }) => label)).to.deep.equal([
      'Remove “opacity:.5”',
      'Remove “color:#fff”',
      'Remove “margin:0”',
      'Remove “width:9px”',
    ]);
  });
});

describe('a problem in words', () => {
  it('says what it is, and what was measured', () => {
    const lane = liveDemoLane();
    const words = wordProofProblem(faintAt(placeIn('quick-view', { called: 'Add to cart' })), lane, definitions);
    expect(words).to.deep.equal({
      heading: '“Add to cart” is hard to read',
      sentence: '#ffffff on #8fb3bd is 2.2 : 1. It takes 4.5 : 1.',
    });
  });
});
