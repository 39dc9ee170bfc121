import { expect } from 'chai';
import { applyLanePatch, type Lane, type LanePatch } from '~/core/lane';
import { definitions } from '~/pieces/definitions';
import { useDraft } from '~/studio/data/draft-store';
import type { DraftView } from '~/contract/studio/draft';
import { fakeServer, settled, until, withPage } from '../../support/page';
import { draftData } from '../../support/studio';

const width = (lane: Lane) => lane.pieces['quick-view']!.settings['width'];
const setWidth = (to: number) => (lane: Lane) => void (lane.pieces['quick-view']!.settings['width'] = to);
const turn = (piece: string, on: boolean) => (lane: Lane) => void (lane.pieces[piece]!.on = on);
const say = (text: string) => (lane: Lane) => void (lane.pieces['quick-view']!.words['en'] = { open: text });

describe('the draft in a window of the studio', () => {
  withPage('https://shop.example/studio/bench/quick-view');
  let server: ReturnType<typeof fakeServer>;
  /** What the server has: the draft, and each patch it took. */
  let stored: DraftView;
  let sent: { readonly edit: number; readonly patch: LanePatch }[];
  const draft = () => useDraft.getState();

  beforeEach(() => {
    server = fakeServer();
    sent = [];
    stored = draftData();
    draft().start(stored);
    server.answers((_, init) => {
      const asked = JSON.parse(String(init.body)) as (typeof sent)[number];
      sent.push(asked);
      if (asked.edit !== stored.edit)
        return Response.json({ problems: [{ message: 'Changed elsewhere.' }], draft: stored }, { status: 409 });
      const next = applyLanePatch(stored.lane, asked.patch, definitions);
      if (!next.ok) return Response.json({ problems: [{ message: 'It does not fit.' }] }, { status: 422 });
      stored = { ...stored, lane: next.value, edit: stored.edit + 1 };
      return Response.json({ edit: stored.edit });
    });
  });
  afterEach(async () => {
    if (draft().theirs) draft().settle('theirs');
    await draft().flush();
    draft().say(null);
    server.restore();
  });

  it('is stored a moment after a change, in one go', async () => {
    draft().change(setWidth(500), 'width');
    draft().change(setWidth(510), 'width');
    expect(draft().saving).to.equal('saving');
    expect(sent).to.deep.equal([]);

    await until(() => draft().saving === 'saved');

    expect(sent).to.have.length(1);
    expect(draft()).to.include({ saving: 'saved', edit: 5 });
    expect(width(stored.lane)).to.equal(510);
  });

  it('is stored at once when the page is left, by a request that outlives it', async () => {
    draft().change(setWidth(520));
    window.dispatchEvent(new Event('pagehide'));
    await settled(20);

    expect(sent).to.have.length(1);
    expect(server.asked.at(-1)!.init.keepalive).to.equal(true);
    await until(() => draft().saving === 'saved');
    expect(width(stored.lane)).to.equal(520);
    window.dispatchEvent(new Event('pagehide'));
    expect(sent).to.have.length(1);
  });

  it('sends nothing where nothing changed', async () => {
    draft().change(setWidth(Number(width(stored.lane))));
    expect(draft().past).to.deep.equal([]);

    expect(await draft().flush()).to.equal(true);

    expect(sent).to.deep.equal([]);
  });

  it('sends each change once, however many wait for the one under way', async () => {
    draft().change(setWidth(500));
    const first = draft().flush();
    draft().change(turn('quick-view', false));
    const waiting = [draft().flush(), draft().flush(), draft().flush()];

    expect(await Promise.all([first, ...waiting])).to.deep.equal([true, true, true, true]);

    expect(sent.map(({ edit }) => edit)).to.deep.equal([4, 5]);
    expect(draft().theirs).to.equal(null);
    expect(stored.lane).to.deep.equal(draft().lane);
  });

  it('has nothing left to be sent after that', async () => {
    draft().change(setWidth(500));
    const first = draft().flush();
    draft().change(turn('quick-view', false));
    await Promise.all([first, draft().flush()]);
    let later = 0;
    const stop = useDraft.subscribe(() => (later += 1));

    await settled(500);
    stop();

    expect(later).to.equal(0);
  });

  it('goes back step by step and forth again, and says so to the server', async () => {
    const before = width(stored.lane);
    draft().change(setWidth(500));
    draft().change(turn('quick-view', false));
    draft().undo();
    draft().undo();
    expect(width(draft().lane)).to.equal(before);
    draft().redo();

    await draft().flush();

    expect([width(stored.lane), stored.lane.pieces['quick-view']!.on]).to.deep.equal([500, true]);
    expect([draft().past.length, draft().future.length]).to.deep.equal([1, 1]);
    draft().change(setWidth(600));
    expect(draft().future).to.deep.equal([]);
  });

  it('takes what belongs together for one step, and other things for others', () => {
    for (const to of [500, 510, 520]) draft().change(setWidth(to), 'width');
    draft().change(say('Look'), 'word');
    expect(draft().past).to.have.length(2);

    draft().undo();
    draft().undo();

    expect(draft().lane).to.deep.equal(draftData().lane);
  });

  it('undoes on a screen what was done there, and leaves alone what was done elsewhere', async () => {
    const { hasSteps } = await import('~/studio/data/draft-store');
    const [before, path] = [width(stored.lane), location.pathname];
    const go = (to: string) => history.pushState(null, '', to);
    draft().change(setWidth(500));
    go('/studio/shop');
    expect(hasSteps(draft().past)).to.equal(false);
    draft().undo();
    expect(width(draft().lane)).to.equal(500);
    draft().change(turn('quick-view', false));
    go(path);
    draft().undo();
    expect([width(draft().lane), draft().lane.pieces['quick-view']!.on]).to.deep.equal([before, false]);
    expect(hasSteps(draft().past)).to.equal(false);
    draft().redo();
    go('/studio/shop');
    draft().undo();
    expect([width(draft().lane), draft().lane.pieces['quick-view']!.on]).to.deep.equal([500, true]);
    go(path);
  });

  it('keeps its steps when the window is loaded again, as long as they fit', async () => {
    draft().change(setWidth(500));
    await draft().flush();

    draft().start(stored);
    expect(draft().past).to.have.length(1);
    draft().undo();
    expect(width(draft().lane)).to.equal(width(draftData().lane));

    draft().start({ ...stored, edit: 99 });
    expect(draft().past).to.deep.equal([]);
  });

  it('takes in what another window changed at other places', async () => {
    stored = { ...draftData(say('Peek')), edit: 5 };
    draft().change(setWidth(500));

    expect(await draft().flush()).to.equal(true);
    expect(draft().message).to.match(/another window/);
    await draft().flush();

    expect(stored.lane.pieces['quick-view']!.words['en']).to.deep.equal({ open: 'Peek' });
    expect(width(stored.lane)).to.equal(500);
    expect(stored.lane).to.deep.equal(draft().lane);
  });

  describe('changed at the same place in another window', () => {
    beforeEach(async () => {
      stored = { ...draftData(setWidth(700)), edit: 5 };
      draft().change(setWidth(500));
      draft().change(say('Mine'));
      expect(await draft().flush()).to.equal(false);
    });

    it('asks, and sends nothing until it is told', async () => {
      expect(width(draft().theirs!.lane)).to.equal(700);
      expect(draft().saving).to.equal('failed');
      draft().change(turn('quick-view', false));

      expect(await draft().flush()).to.equal(false);

      expect(sent).to.have.length(1);
    });

    it('becomes mine', async () => {
      draft().settle('mine');
      expect(await draft().flush()).to.equal(true);

      expect(width(stored.lane)).to.equal(500);
      expect(stored.lane.pieces['quick-view']!.words['en']).to.deep.equal({ open: 'Mine' });
    });

    it('becomes theirs, with no way back to what is no longer there', async () => {
      draft().settle('theirs');
      expect(await draft().flush()).to.equal(true);

      expect(width(draft().lane)).to.equal(700);
      expect(draft().past).to.deep.equal([]);
      expect(sent).to.have.length(1);
    });
  });

  it('says so when it cannot be stored, keeps what was changed, and stores it later', async () => {
    const { fetch } = globalThis;
    globalThis.fetch = () => Promise.reject(new TypeError('no connection'));
    draft().change(setWidth(500));
    expect(await draft().flush()).to.equal(false);
    expect(draft().message).to.match(/cannot be reached.*kept in this window/);
    expect(width(draft().lane)).to.equal(500);

    globalThis.fetch = fetch;
    expect(await draft().flush()).to.equal(true);

    expect(width(stored.lane)).to.equal(500);
    expect(draft().saving).to.equal('saved');
  });

  it('does not take back what another window has taken away', async () => {
    draft().change((lane) => void (lane.pieces['quick-view']!.words['de'] = { open: 'Näher' }));
    await draft().flush();
    draft().change((lane) => void (lane.pieces['quick-view']!.words['de']!['open'] = 'Nah'));
    await draft().flush();
    const { past } = draft();
    draft().start({ ...draftData(), edit: stored.edit });
    stored = { ...draftData(), edit: stored.edit };
    useDraft.setState({ past });

    draft().undo();

    expect(draft().message).to.match(/cannot be taken back/);
    expect(draft().past).to.have.length(1);
    expect(draft().lane).to.deep.equal(draftData().lane);
  });
});
