import { expect } from 'chai';
import { diffLanes, fixFinding, wordFinding, type Lane } from '~/core/lane';
import { patchDraft, showDraft } from '~/services/draft/edit-draft';
import { publishLane } from '~/services/draft/publish-lane';
import { definitions } from '~/pieces/definitions';
import { openTestShop, type TestShop } from '../support/shop';

/** Hidden alone, these leave nobody a way to pay; nothing else of these pieces does. */
const STOPS: Readonly<Record<string, readonly string[]>> = {
  checkout: ['contact', 'address', 'delivery', 'payment', 'button'],
  'cart-page': ['lines'],
  'slide-out-cart': [],
};
/** Emptied alone, these do. The cart page and the cart surface have another way on. */
const STOPPING_WORDS: Readonly<Record<string, readonly string[]>> = {
  checkout: ['email', 'name', 'line1', 'postcode', 'city', 'country', 'card', 'order'],
  'cart-page': [],
  'slide-out-cart': [],
};

describe('publishing a shop in which nobody could pay', () => {
  let shop: TestShop;
  before(async function () {
    this.timeout(60_000);
    shop = await openTestShop();
  });
  after(() => shop.close());

  async function set(change: (lane: Lane) => void): Promise<number> {
    const draft = await showDraft(shop.app);
    const next = structuredClone(draft.lane);
    change(next);
    const patched = await patchDraft(shop.app, draft.edit, diffLanes(draft.lane, next));
    return patched.ok ? patched.value.edit : expect.fail(JSON.stringify(patched.problems));
  }
  const publish = (edit: number) => publishLane(shop.app, { edit, note: '', accountId: null });
  const pieceOf = (lane: Lane, id: string) => lane.pieces[id]!;

  /** Tries a change, and what is offered where it is refused; afterwards the draft is as it was. */
  async function isStopped(change: (lane: Lane) => void): Promise<boolean> {
    const { lane: before } = await showDraft(shop.app);
    const published = await publish(await set(change));
    if (!published.ok) {
      expect(published.problems[0]!.code).to.equal('lint-blocks');
      const draft = await showDraft(shop.app);
      for (const finding of draft.lint.filter(({ level }) => level === 'error')) {
        expect(wordFinding(finding, draft.lane, definitions)).to.match(/^(Checkout|Cart page|Cart).*Without it nobody/);
        const fix = fixFinding(finding);
        await set(fix!.change);
      }
      expect((await publish((await showDraft(shop.app)).edit)).ok, 'after the fix').to.equal(true);
    }
    await set((lane) => Object.assign(lane, structuredClone(before)));
    return !published.ok;
  }

  for (const id of Object.keys(STOPS)) {
    it(`is stopped for every part of ${id} that an order needs, and for no other, with the fix`, async function () {
      this.timeout(60_000);
      const { lane } = await showDraft(shop.app);
      for (const { key } of pieceOf(lane, id).parts) {
        const hidden = (change: (part: { on: boolean; hideOn: string[] }) => void) =>
          isStopped((draft) => change(pieceOf(draft, id).parts.find((part) => part.key === key)!));
        const [off, onPhone] = [
          await hidden((part) => (part.on = false)),
          await hidden((part) => Object.assign(part, { on: true, hideOn: ['phone'] })),
        ];

        const stops = STOPS[id]!.includes(key);
        expect({ key, off, onPhone }).to.deep.equal({ key, off: stops, onPhone: stops });
      }
    });

    it(`is stopped for every text of ${id} that an order needs, in every language, and for no other`, async function () {
      this.timeout(120_000);
      const { lane } = await showDraft(shop.app);
      const definition = definitions.find(({ kind }) => kind === pieceOf(lane, id).kind)!;
      for (const word of Object.keys(definition.words))
        for (const language of STOPPING_WORDS[id]!.includes(word) ? lane.shop.languages : ['en']) {
          const stopped = await isStopped((draft) => {
            const { words } = pieceOf(draft, id);
            words[language] = { ...words[language], [word]: '' };
          });
          expect({ word, language, stopped }).to.deep.equal({
            word,
            language,
            stopped: STOPPING_WORDS[id]!.includes(word),
          });
        }
    });
  }

  it('is stopped when the last of several ways on is taken, and names the devices', async () => {
    const { lane } = await showDraft(shop.app);
    const edit = await set((draft) => {
      for (const part of pieceOf(draft, 'cart-page').parts)
        if (part.key === 'checkout' || part.key === 'quickPay') part.hideOn = ['phone', 'tablet'];
    });
    const refused = await publish(edit);

    expect(refused.ok || refused.problems[0]!.facts?.['message']).to.equal(
      'Cart page: “Checkout button” is hidden on phones and tablets. Without it nobody could get to the checkout.',
    );
    await set((draft) => Object.assign(draft, structuredClone(lane)));
  });

  it('tells of words that would show their braces, and publishes all the same', async () => {
    const edit = await set((draft) => {
      pieceOf(draft, 'cart-page').words['en'] = {
        ...pieceOf(draft, 'cart-page').words['en'],
        removed: '{thing} is out.',
      };
      // Text within a plural is no placeholder; what is within that, is.
      const { words } = pieceOf(draft, 'checkout');
      words['en'] = { ...words['en'], almost: '{count, plural, one {field} other {{count} fields}}' };
    });
    const { lint, lane } = await showDraft(shop.app);
    const [finding, ...more] = lint.filter(({ code }) => code === 'placeholder');
    expect(more).to.deep.equal([]);

    expect(wordFinding(finding!, lane, definitions)).to.include('says {thing}, which stands for nothing here.');
    expect((await publish(edit)).ok).to.equal(true);
  });
});
