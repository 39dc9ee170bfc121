import { expect } from 'chai';
import { minor } from '~/core/money';
import type { CartAnswer, CartChangeRequest } from '~/runtime/cart-change';
import { createCartController } from '~/pieces/_cart/cart-controller';
import type { OpenAbout, PieceHost } from '~/runtime/piece-host';
import { cartView, lineView } from '../../support/cart-view';
import { saidBeside, withPage } from '../../support/page';

const words = { waiting: 'No connection.', removed: '{name} was removed.' };
const good: CartAnswer = { ok: true, lineId: null, waiting: false };
const bad = (message: string): CartAnswer => ({ ok: false, message, problems: [] });

function setUp(over: { isPreview?: boolean; hasEditor?: boolean } = {}) {
  const asked: CartChangeRequest[] = [];
  const answers: CartAnswer[] = [];
  const opened: OpenAbout[] = [];
  let drawings = 0;
  let returns = 0;
  const host = {
    isPreview: over.isPreview ?? false,
    cart: {
      view: cartView([lineView(), lineView({ id: 'b', name: 'Heron', answers: { name: 'Ada' } })]),
      showAheadWith: () => undefined,
      change: (request: CartChangeRequest) => {
        asked.push(request);
        return Promise.resolve(answers.shift() ?? good);
      },
    },
    openRole: (_role: string, about: OpenAbout) => {
      opened.push(about);
      return over.hasEditor ?? true;
    },
  } as unknown as PieceHost;
  const controller = createCartController({
    host: () => host,
    words: () => words,
    redraw: () => (drawings += 1),
    reopen: () => (returns += 1),
  });
  return {
    controller,
    asked,
    answers,
    opened,
    drawings: () => drawings,
    returns: () => returns,
    lines: host.cart.view!.lines,
  };
}
const settled = () => new Promise((resolve) => setTimeout(resolve));

describe('the controller of a cart', () => {
  const { open } = withPage();
  beforeEach(() => void open());

  it('hands a change on, and is quiet when it worked', async () => {
    const { controller, asked, drawings } = setUp();

    await controller.change({ kind: 'set', lineId: 'a', quantity: 3 });

    expect(asked).to.deep.equal([{ kind: 'set', lineId: 'a', quantity: 3 }]);
    expect(controller.said).to.equal(null);
    expect(drawings()).to.equal(1);
  });

  it('says beside what was pressed why a change was refused', async () => {
    const { controller, answers } = setUp();
    answers.push(bad('Only 2 left.'));

    await controller.change({ kind: 'set', lineId: 'a', quantity: 3 });

    expect(await saidBeside()).to.equal('Only 2 left.');
    expect(controller.said).to.equal(null);
  });

  it('says that a change waits for the connection', async () => {
    const { controller, answers } = setUp();
    answers.push({ ok: true, lineId: null, waiting: true });

    await controller.change({ kind: 'note', note: 'x' });

    expect(await saidBeside()).to.equal('No connection.');
  });

  it('says what is wrong with a code or a place where it was typed, not above', async () => {
    const { controller, answers } = setUp();
    answers.push(bad('No such code.'), bad('No such place.'));

    await controller.change({ kind: 'coupon', code: 'X' });
    expect([controller.couponProblem, controller.said]).to.deep.equal(['No such code.', null]);
    await controller.change({ kind: 'destination', country: 'DE', postcode: '1' });

    // What was said of the code was said of another cart.
    expect([controller.couponProblem, controller.placeProblem, controller.said]).to.deep.equal([
      null,
      'No such place.',
      null,
    ]);
    await controller.change({ kind: 'destination', country: 'DE', postcode: '10115' });
    expect(controller.placeProblem).to.equal(null);
    expect(await saidBeside()).to.equal(null);
  });

  it('offers to put back what was taken out: the same line, in the same place', async () => {
    const { controller, asked, lines } = setUp();

    controller.remove({ ...lines[1]!, instead: { of: 'delta', unitMinor: minor(900) } });
    await settled();
    expect(controller.said).to.deep.include({ text: 'Heron was removed.', at: 1 });
    controller.said!.undo();

    expect(asked[1]).to.deep.equal({ kind: 'put-back', lineId: 'b' });
  });

  it('offers nothing when taking out was refused', async () => {
    const { controller, answers, lines } = setUp();
    answers.push(bad('That line is gone.'));

    controller.remove(lines[0]!);
    await settled();

    expect(await saidBeside()).to.equal('That line is gone.');
    expect(controller.said).to.equal(null);
  });

  it('opens the editor of a line, comes back when it is done, and hands on what was done', () => {
    const { controller, opened, lines, returns } = setUp();
    const undo = () => undefined;

    expect(controller.edit(lines[0]!, null, null as unknown as Element)).to.equal(true);
    opened[0]!.onDone!({ said: 'Delta was changed.', undo });

    expect(opened[0]).to.include({ lineId: 'a', product: 'delta' });
    expect(returns()).to.equal(1);
    expect(controller.said).to.deep.equal({ text: 'Delta was changed.', undo, at: 1 });
  });

  it('leaves the link to the browser where there is no editor', () => {
    const { controller, lines } = setUp({ hasEditor: false });

    expect(controller.edit(lines[0]!, null, null as unknown as Element)).to.equal(false);
  });

  it('changes nothing in the bench', async () => {
    const { controller, asked, lines } = setUp({ isPreview: true });

    await controller.change({ kind: 'remove', lineId: 'a' });
    controller.remove(lines[0]!);
    await settled();

    expect(asked).to.deep.equal([]);
    expect(controller.said).to.equal(null);
  });
});
