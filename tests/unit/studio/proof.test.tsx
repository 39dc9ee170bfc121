import { expect } from 'chai';
import type { Lane } from '~/core/lane';
import type { PageMeasure } from '~/core/proof';
import type { FrameDriver, Proved, Shot } from '~/studio/proof/frame-driver';
import type { SheetOf, Stone } from '~/studio/proof/sheet';
import type { Sheet } from '~/studio/proof/use-sheet';
import { cartView, lineView } from '../../support/cart-view';
import { measuredControl, measuredPage, measuredText, placeIn } from '../../support/measured';
import { draftData, withStudio } from '../../support/studio';

const NOW = new AbortController().signal;
const SAMPLES = {
  products: { plain: 'heron', 'sold-out': 'pewit' },
  carts: { one: cartView([lineView({})]) },
};

/** A frame that measures what `look` says of a shot, one shot after the other. */
function driverOf(look: (shot: Shot) => PageMeasure | null) {
  const shots: Shot[] = [];
  const driver: FrameDriver = {
    async measure(shot): Promise<Proved | null> {
      shots.push(shot);
      await Promise.resolve();
      const page = look(shot);
      return page && { page, picture: `<p>${shot.address}</p>` };
    },
    end: () => undefined,
  };
  return { driver, shots };
}

/** How the text of the quick view's button comes out in a manifest. */
const isFaint = ({ manifest }: Shot) =>
  manifest.pieces.some(({ id, css }) => id === 'quick-view' && css.includes('#8fb3bd'));
const ADD = { slot: 'add', part: 'buy', called: 'Add to cart' };
const faint = measuredPage({
  texts: [measuredText({ at: placeIn('quick-view', ADD), colour: '#8fb3bd', text: 'Add to cart' })],
});

describe('the proof sheet', () => {
  const studio = withStudio(async () => ({
    ...(await import('~/studio/proof/sheet')),
    ...(await import('~/studio/proof/board')),
    ...(await import('~/studio/proof/problem-panel')),
    ...(await import('~/studio/data/draft-store')),
  }));

  function sheetOf(change: (lane: Lane) => void = () => undefined): SheetOf {
    const { lane } = draftData(change);
    lane.shop.languages = ['en', 'de', 'ar'];
    return {
      pieceId: 'quick-view',
      lane,
      token: 't',
      edit: 4,
      revision: 2,
      samples: SAMPLES,
      categories: [],
      categoryTexts: {},
    };
  }
  async function lay(of: SheetOf, drivers: readonly FrameDriver[], signal = NOW): Promise<Stone[]> {
    const stones: Stone[] = [];
    await studio.loaded.laySheet(drivers, of, (stone) => stones.push(stone), signal);
    return stones;
  }

  it('draws every situation the shop has goods for once, each page one after the other', async () => {
    const of = sheetOf();
    const [one, two] = [driverOf(() => measuredPage()), driverOf(() => measuredPage())];

    const stones = await lay(of, [one.driver, two.driver]);

    const keys = stones.map(({ situation }) => situation.key);
    expect(keys).to.have.members(studio.loaded.situationsFor(of).map(({ key }) => key));
    expect(keys).to.include.members(['plain', 'sold-out', 'language-de', 'large-text-390', 'hover']);
    expect(keys).to.not.include('long-name');
    const shots = [...one.shots, ...two.shots];
    expect(shots).to.have.length(stones.length);
    expect(two.shots).to.not.have.length(0);
    for (const { shots: its } of [one, two]) {
      const pages = its.map(({ address }) => address);
      // A page that was left is not loaded again, but where the last of them is shared.
      expect(pages.filter((page, i) => i > 0 && page !== pages[i - 1]).length).to.be.at.most(new Set(pages).size);
    }
  });

  it('shows each as its situation says: language, direction, width, text and state', async () => {
    const { driver, shots } = driverOf(() => measuredPage());
    await lay(sheetOf(), [driver]);
    const shot = (fits: (shot: Shot) => boolean) => shots.find(fits)!;
    expect(shot(({ textPercent }) => textPercent === 200)).to.include({ width: 390, height: 844 });
    expect(shot(({ address }) => address.includes('lang=ar')).manifest.language).to.equal('ar');
    expect(shots.map(({ state }) => state)).to.include.members(['rest', 'hover', 'focus', 'pressed']);
    expect(
      shot(({ situation }) => situation.product === 'pewit').manifest.pieces.some(({ id }) => id === 'quick-view'),
    ).to.equal(true);
  });

  it('ends where it is stopped, and goes on where the shop does not answer', async () => {
    const stop = new AbortController();
    const { driver, shots } = driverOf((shot) => (shot.width === 768 ? null : measuredPage()));
    const stones: Stone[] = [];
    await studio.loaded.laySheet(
      [driver],
      sheetOf(),
      (stone) => {
        stones.push(stone);
        if (stones.length === 2) stop.abort();
      },
      stop.signal,
    );
    expect(stones).to.have.length(2);
    expect(shots.length).to.be.at.most(4);
    expect((await lay(sheetOf(), [driver])).some(({ situation }) => situation.width === 768)).to.equal(false);
  });

  describe('finds a mend', () => {
    const withRule = (lane: Lane) => void (lane.pieces['quick-view']!.look.css = '[data-slot=add]{color:#8fb3bd}');
    const stoneOf = async (of: SheetOf, driver: FrameDriver) =>
      (await lay(of, [driver])).find(({ problems }) => problems.length > 0)!;

    it('by drawing what could help, the likeliest first', async () => {
      const of = sheetOf(withRule);
      const { driver } = driverOf((shot) => (isFaint(shot) ? faint : measuredPage()));
      const stone = await stoneOf(of, driver);
      const [problem] = stone.problems;

      const tried = await studio.loaded.tryMends(driver, of, { problem: problem!, stone, stones: [stone] }, NOW);

      // Colours that are set do not help against a style rule: the rule has to go.
      expect(tried!.mend.setting).to.equal('Own style rules, line 1');
      expect(tried!.after.problems).to.deep.equal([]);
    });

    it('only where it brings no problem of its own', async () => {
      const of = sheetOf(withRule);
      const small = (y: number) =>
        measuredControl({ at: placeIn('quick-view', ADD), box: { x: 0, y, width: 9, height: 9 } });
      const worse = measuredPage({ controls: [small(0), small(10)] });
      const { driver } = driverOf((shot) => (isFaint(shot) ? faint : worse));
      const stone = await stoneOf(of, driver);

      const tried = await studio.loaded.tryMends(
        driver,
        of,
        { problem: stone.problems[0]!, stone, stones: [stone] },
        NOW,
      );

      expect(tried).to.equal(null);
    });

    it('of what the server draws by handing it the change first, stored nowhere', async () => {
      const of = { ...sheetOf(), pieceId: 'loft-note' };
      of.lane.pieces['loft-note']!.look.css = '[data-slot=text]{color:#8fb3bd}';
      const pale = measuredPage({ texts: [measuredText({ at: placeIn('loft-note'), colour: '#8fb3bd' })] });
      const { driver, shots } = driverOf(({ address }) => (address.includes('.tKEY') ? measuredPage() : pale));
      const [stone] = await lay(of, [driver]);
      studio.server.answers(() => Response.json({ key: 'KEY' }));

      const tried = await studio.loaded.tryMends(
        driver,
        of,
        { problem: stone!.problems[0]!, stone: stone!, stones: [] },
        NOW,
      );

      expect(tried?.mend.setting).to.equal('Own style rules, line 1');
      expect(shots.at(-1)!.address).to.contain('draft=t.tKEY');
      expect(studio.server.asked.at(-1)!.init.body).to.contain('/pieces/loft-note/look/css');
    });
  });

  describe('on the screen', () => {
    async function sheet(change: (lane: Lane) => void, look: (shot: Shot) => PageMeasure): Promise<Sheet> {
      const of = sheetOf(change);
      studio.loaded.useDraft.getState().start(draftData(change));
      const { driver } = driverOf(look);
      const stones = await lay(of, [driver]);
      return {
        stones: new Map(stones.map((stone) => [stone.situation.key, stone])),
        situations: studio.loaded.situationsFor(of),
        laid: stones.length,
        tookMs: 2140,
        mendFor: (stone, problem, signal) =>
          studio.loaded.tryMends(driver, of, { problem, stone, stones: [stone] }, signal),
      };
    }

    it('says in one line that all of it holds, or how much does not', async () => {
      const { Board } = studio.loaded;
      const level = await sheet(
        () => undefined,
        () => measuredPage(),
      );
      const show = (of: Sheet) =>
        studio.show(<Board name="quick view" sheet={of} chosen={null} onChoose={() => undefined} />);
      let view = show(level);
      view.getByText(`The board is level: quick view holds in all ${level.stones.size} situations`);
      view.getByText(`${level.stones.size} situations, drawn by the shop itself in 2.1 s.`);
      view.unmount();

      const lifted = await sheet(
        () => undefined,
        (shot) => (shot.state === 'hover' ? faint : measuredPage()),
      );
      view = show(lifted);
      view.getByText(`Proof of quick view: 1 of ${lifted.stones.size} do not hold`);
      expect(view.getByTitle('“Add to cart” is hard to read').textContent).to.equal('Under the pointer1 problem');
    });

    it('does not call level what could not all be drawn', async () => {
      const { Board } = studio.loaded;
      const all = await sheet(
        () => undefined,
        () => measuredPage(),
      );
      const stones = new Map(all.stones);
      stones.delete('plain');
      const view = studio.show(
        <Board name="quick view" sheet={{ ...all, stones }} chosen={null} onChoose={() => undefined} />,
      );
      view.getByText(`Proof of quick view: ${stones.size} of ${all.stones.size} were drawn`);
      view.getByText(/1 more could not be drawn in time/);
    });

    it('mends with one press, which can be undone', async () => {
      const { ProblemPanel, useDraft } = studio.loaded;
      const rule = (lane: Lane) => void (lane.pieces['quick-view']!.look.css = '[data-slot=add]{color:#8fb3bd}');
      const of = await sheet(rule, (shot) => (isFaint(shot) ? faint : measuredPage()));
      const view = studio.show(<ProblemPanel stone={of.stones.get('plain')!} sheet={of} />);
      view.getByText('“Add to cart” is hard to read');
      view.getByText('#8fb3bd on #ffffff is 2.2 : 1. It takes 4.5 : 1.');
      await view.findByText('Own style rules, line 1');

      await studio.user.click(view.getByText('Mend it'));

      const css = () => useDraft.getState().lane.pieces['quick-view']!.look.css;
      expect(css()).to.equal('[data-slot=add]{}');
      await studio.act(() => Promise.resolve(useDraft.getState().undo()));
      expect(css()).to.equal('[data-slot=add]{color:#8fb3bd}');
    });
  });
});
