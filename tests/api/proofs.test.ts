import { expect } from 'chai';
import { visitRoutes } from '~/contract/shop/visits';
import type { KeptProblem, KeptProof } from '~/contract/studio/proofs';
import { patchDraft, showDraft, tryPatch } from '~/services/draft/edit-draft';
import { keepProof, showStoredProofs } from '~/services/draft/keep-proofs';
import { publishLane } from '~/services/draft/publish-lane';
import { draftLane } from '~/services/lane/live-lane';
import { openTestShop, type TestShop } from '../support/shop';

const PIECE = 'quick-view';
const problem = (over: Partial<KeptProblem> = {}): KeptProblem => ({
  key: 'faint add',
  check: 'faint',
  situation: 'plain',
  label: 'Everyday',
  heading: '“Add to cart” is hard to read',
  sentence: '#8fb3bd on #ffffff is 2.2 : 1. It takes 4.5 : 1.',
  setting: null,
  ...over,
});

describe('what proof sheets found', () => {
  let shop: TestShop;
  let edit = 0;
  before(async () => {
    shop = await openTestShop();
    ({ edit } = await showDraft(shop.app));
  });
  after(() => shop.close());

  const found = async (id = PIECE) => (await showStoredProofs(shop.app)).find(({ pieceId }) => pieceId === id)!;
  const keys = (proof: KeptProof | null) => proof?.problems.map(({ key }) => key) ?? null;
  const setCss = (css: string) => ({ op: 'replace' as const, path: `/pieces/${PIECE}/look/css`, value: css });
  async function change(css: string): Promise<void> {
    const patched = await patchDraft(shop.app, edit, [setCss(css)]);
    if (!patched.ok) throw new Error(JSON.stringify(patched.problems));
    ({ edit } = patched.value);
  }
  const keep = (over: Partial<Parameters<typeof keepProof>[2]> = {}, id = PIECE) =>
    keepProof(shop.app, id, { of: 'draft', number: edit, situations: 18, problems: [problem()], ...over });

  it('stands as long as nothing changes that the piece is drawn from, and again when the change is undone', async () => {
    expect((await found()).draft).to.equal(null);
    await keep();
    expect(keys((await found()).draft)).to.deep.equal(['faint add']);
    expect((await found()).draft).to.deep.include({ situations: 18 });

    await change('[data-slot=name]{color:#9fb8bd}');
    expect(await found()).to.deep.include({ draft: null, isChanged: true });
    await keep({ problems: [problem(), problem({ key: 'faint name' })] });
    expect(keys((await found()).draft)).to.deep.equal(['faint add', 'faint name']);

    await change('');
    expect(keys((await found()).draft)).to.deep.equal(['faint add']);
  });

  it('of one piece says nothing of another, and what all pieces share is in every one', async () => {
    await keep({ problems: [] }, 'buy-bar');
    await change('[data-slot=name]{color:#000000}');
    expect(keys((await found('buy-bar')).draft)).to.deep.equal([]);

    const patched = await patchDraft(shop.app, edit, [{ op: 'replace', path: '/theme/ink', value: '#101010' }]);
    edit = patched.ok ? patched.value.edit : 0;
    expect((await found('buy-bar')).draft).to.equal(null);
  });

  it('is kept of what is live by its revision, and of a published draft as well', async () => {
    const { revision } = (await showDraft(shop.app)).live;
    await keep({ of: 'live', number: revision, problems: [] });
    expect(keys((await found()).live)).to.deep.equal([]);
    await keep();
    expect(await found()).to.deep.include({ isChanged: true });
    await publishLane(shop.app, { edit, note: '', accountId: null });
    expect(keys((await found()).live)).to.deep.equal(['faint add']);
    expect(await found()).to.deep.include({ isChanged: false });
  });

  it('is told of a piece that is live and no longer in the draft', async () => {
    const patched = await patchDraft(shop.app, edit, [{ op: 'remove', path: '/pieces/loft-note' }]);
    edit = patched.ok ? patched.value.edit : 0;
    const { revision } = (await showDraft(shop.app)).live;
    await keep({ of: 'live', number: revision, problems: [problem()] }, 'loft-note');
    expect(keys((await found('loft-note')).live)).to.deep.equal(['faint add']);
    expect(await found('loft-note')).to.deep.include({ draft: null, isChanged: true });
  });

  it('is refused of a draft that has changed, a revision that is not live, and a piece there is not', async () => {
    const code = async (kept: ReturnType<typeof keep>) => {
      const done = await kept;
      return done.ok ? 'ok' : done.problems[0]!.code;
    };
    expect(await code(keep({ number: edit - 1 }))).to.equal('stale-draft');
    expect(await code(keep({ of: 'live', number: 1 }))).to.equal('stale-draft');
    expect(await code(keep({}, 'no-piece'))).to.equal('not-found');
    expect(await code(keep({}, '__proto__'))).to.equal('not-found');
  });

  it('is forgotten of what has long been changed', async () => {
    for (let i = 0; i < 20; i += 1) {
      await change(`[data-slot=name]{color:#0000${10 + i}}`);
      await keep({ problems: [] });
    }
    expect((await shop.app.proofs.list()).filter(({ pieceId }) => pieceId === PIECE)).to.have.length(12);
    expect(keys((await found()).draft)).to.deep.equal([]);
  });

  it('comes from changes that are tried and stored nowhere', async () => {
    const { token } = await showDraft(shop.app);
    const tried = await tryPatch(shop.app, edit, [setCss('[data-slot=name]{color:#123456}')]);
    const cssOf = async (asked: string) =>
      (await draftLane(shop.app, asked))?.lane.pieces[PIECE]?.look.css.replace(/.*color:/, '');

    const asked = `${token}.t${tried.ok && tried.value.key}`;
    expect(await cssOf(asked)).to.equal('#123456}');
    // The runtime of a page that is drawn by it asks for its manifest with the same token.
    expect(visitRoutes['GET /api/manifest'].query.safeParse({ draft: asked }).success).to.equal(true);
    expect(await cssOf(token)).to.equal('#000029}');
    expect(await cssOf(`${token}.tunknown`)).to.equal(undefined);
    expect(await cssOf(`other.t${tried.ok && tried.value.key}`)).to.equal(undefined);
    const refusals = [
      await tryPatch(shop.app, edit - 1, []),
      await tryPatch(shop.app, edit, [{ op: 'replace', path: '/theme/ink', value: 'ink' }]),
    ];
    expect(refusals.map(({ ok }) => ok)).to.deep.equal([false, false]);
    // Only the last are kept.
    for (let i = 0; i < 16; i += 1) await tryPatch(shop.app, edit, [setCss('')]);
    expect(await cssOf(`${token}.t${tried.ok && tried.value.key}`)).to.equal(undefined);
  });
});
