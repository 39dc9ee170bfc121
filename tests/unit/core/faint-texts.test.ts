import { expect } from 'chai';
import { compileManifest, faintTexts, groundOf, lintLane, wordFinding, type Lane } from '~/core/lane';
import { fixFinding } from '~/core/lane/findings/fix-finding';
import { layered } from '~/core/proof';
import { definitionOf, definitions } from '~/pieces/definitions';
import { liveDemoLane } from '../../../demo/lane';

const NOTHING = { products: new Set<string>(), categories: new Set<string>() };
const faint = (lane: Lane) => lintLane(lane, definitions, NOTHING).filter(({ code }) => code === 'faint');

describe('texts too faint to read', () => {
  it('are none in the demo as it is, whatever is turned on', () => {
    const lane = liveDemoLane();
    for (const piece of Object.values(lane.pieces)) piece.on = true;
    expect(faint(lane)).to.deep.equal([]);
  });

  it('are found in any state, on what they really lie on', () => {
    const lane = liveDemoLane();
    const { look } = lane.pieces['quick-view']!;
    look.slots['add'] = { hover: { background: '#bbbbbb' } };
    look.slots['panel'] = { rest: { background: '#183642' } };

    const found = faintTexts(definitionOf('quick-view')!, lane.pieces['quick-view']!, lane);

    // Names and texts lie on the panel, whose ground was made dark; the opening button has one of its own.
    expect(found.map(({ slot }) => slot)).to.include.members(['name', 'price', 'shortText', 'add', 'panel']);
    expect(found.map(({ slot }) => slot)).to.not.include('opener');
    expect(found.find(({ slot }) => slot === 'add')).to.include({ state: 'hover', ground: '#bbbbbb' });
    expect(found.find(({ slot }) => slot === 'name')).to.include({ state: 'rest', ground: '#183642' });
  });

  it('of cards lie on the card, and those of buttons on their own ground', () => {
    const { looks } = definitionOf('listing')!;
    const set = { card: { rest: { background: '#000000' } } };
    const { theme } = liveDemoLane();
    expect(groundOf({ looks }, set, { key: 'name', state: 'rest' }, theme)).to.equal('#000000');
    expect(groundOf({ looks }, {}, { key: 'name', state: 'rest' }, theme)).to.equal(theme.panel);
    expect(groundOf({ looks }, {}, { key: 'heading', state: 'rest' }, theme)).to.equal(theme.paper);
    expect(groundOf({ looks }, {}, { key: 'buy', state: 'hover' }, theme)).to.equal(theme.accent);
  });

  it('are told when publishing, each with the nearest colour that can be read', () => {
    const lane = liveDemoLane();
    lane.pieces['cart-page']!.look.slots['checkout'] = { rest: { text: '#999999', background: '#ffffff' } };

    const [finding, ...more] = faint(lane);
    expect(more).to.deep.equal([]);
    expect(wordFinding(finding!, lane, definitions)).to.match(
      /^Cart page: “Checkout button” is too faint to read, #999999 on #ffffff: 2\.8 : 1 of 4\.5 : 1\.$/,
    );
    // One state after the other: what is set at rest shows in those that say nothing else.
    let presses = 0;
    for (let next = finding; next && presses < 4; [next] = faint(lane)) {
      fixFinding(next)!.change(lane);
      presses += 1;
    }
    expect(faint(lane)).to.deep.equal([]);
  });
});

describe('a look that an owner sets', () => {
  it('gives its corners to all that lies in it', () => {
    const lane = liveDemoLane();
    lane.pieces['quick-view']!.look.slots['panel'] = { rest: { radius: 3 } };
    const { css } = compileManifest(lane, definitions, 1).pieces.find(({ id }) => id === 'quick-view')!;
    expect(css).to.contain('border-radius:3px;--pl-radius:3px');
  });
});

describe('grounds on each other', () => {
  it('are one colour, the topmost first, on white at last', () => {
    expect(layered(['rgba(0, 0, 0, 0)', 'rgb(18, 52, 86)', '#ffffff'])).to.equal('#123456');
    expect(layered(['rgba(0, 0, 0, 0.5)', 'rgba(0, 0, 0, 0)'])).to.equal('#808080');
    expect(layered([])).to.equal('#ffffff');
  });
});
