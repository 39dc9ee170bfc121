import type { act, RenderResult } from '@testing-library/react';
import type { UserEvent } from '@testing-library/user-event';
import { expect } from 'chai';
import type { ReactNode } from 'react';
import type { Lane } from '~/core/lane';
import type { DraftView } from '~/contract/studio/draft';
import type { ShellData } from '~/studio/data/studio-data';
import { draftDemoLane, liveDemoLane } from '../../demo/lane';
import { fakeServer, withPage } from './page';
import type { PieceProof } from '~/contract/studio/proofs';

/** The draft as the server would answer it: the demo's live lane, and what `change` makes of it. */
export function draftData(change: (lane: Lane) => void = () => undefined, over: Partial<DraftView> = {}): DraftView {
  const lane = liveDemoLane();
  change(lane);
  return {
    edit: 4,
    token: 'walk-me',
    lane,
    live: { revision: 2, lane: liveDemoLane() },
    changes: [],
    lint: [],
    cautions: [],
    proofs: [],
    plans: [],
    names: { product: {}, category: {}, variant: {} },
    categoryTexts: {},
    ...over,
  };
}

/** A funnel in which each stretch is reached by half of those before. */
export function shellData(over: Partial<ShellData> = {}): ShellData {
  const funnel = { sessions: 0, orders: 0, revenueMinor: 0, stretches: [] } as unknown as ShellData['funnel'];
  return {
    steps: null,
    draft: draftData(undefined, { lane: draftDemoLane() }),
    funnel,
    before: funnel,
    account: { name: 'Maud Fell', role: 'owner' },
    ...over,
  };
}

/** A server that tells of proofs by itself, whatever a test makes it answer. */
function serverWith(proofs: () => readonly PieceProof[]): ReturnType<typeof fakeServer> {
  const server = fakeServer();
  const { answers } = server;
  server.answers = (next) =>
    answers((url, init) => (url.endsWith('/api/studio/proofs') ? Response.json(proofs()) : next(url, init)));
  server.answers(() => Response.json({}));
  return server;
}

/**
 * A page of the studio for the tests of a `describe`, with a server in place of ours. React looks for a page when it is
 * loaded, so everything that needs it is loaded by `load`, after the page is there. A test fails on what React complains of.
 */
export function withStudio<Loaded>(load: () => Promise<Loaded>) {
  withPage('https://shop.example/studio/bench/quick-view');
  const studio = {} as {
    loaded: Loaded;
    user: UserEvent;
    server: ReturnType<typeof fakeServer>;
    /** What the proof sheets found, as the server tells every screen that asks. */
    proofs: readonly PieceProof[];
    show(node: ReactNode): RenderResult;
    /** Around what changes a screen from outside of it. */
    act: typeof act;
    /** What React has complained of so far; a test that means it to takes it out. */
    complaints: string[];
  };
  const { error } = console;
  let cleanup: () => void;

  beforeEach(async () => {
    process.env['RTL_SKIP_AUTO_CLEANUP'] = 'true';
    studio.complaints = [];
    console.error = (...what: unknown[]) => {
      const text = what.map(String).join(' ');
      // What is stored by itself after a while is stored when it likes.
      if (!text.includes('act(')) studio.complaints.push(text);
    };
    Object.assign(globalThis, { IS_REACT_ACT_ENVIRONMENT: true });
    const library = await import('@testing-library/react');
    const { default: userEvent } = await import('@testing-library/user-event');
    cleanup = library.cleanup;
    Object.assign(studio, {
      loaded: await load(),
      act: library.act,
      user: userEvent.setup({ document }),
      server: serverWith(() => studio.proofs),
      proofs: [],
      plans: [],
      show: (node: ReactNode) => library.render(node, { baseElement: document.body }),
    });
  });
  afterEach(async () => {
    // What a test changed must not be stored in the next.
    const { useDraft } = await import('~/studio/data/draft-store');
    studio.server.answers(() => Response.json({ edit: 1 }));
    await studio.act(async () => {
      if (useDraft.getState().theirs) useDraft.getState().settle('theirs');
      if (useDraft.getState().lane) await useDraft.getState().flush();
      useDraft.getState().say(null);
    });
    cleanup();
    studio.server.restore();
    console.error = error;
    expect(studio.complaints, 'what React complains of').to.deep.equal([]);
  });
  return studio;
}
