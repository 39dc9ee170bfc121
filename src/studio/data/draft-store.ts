import { produce } from 'immer';
import { create } from 'zustand';
import {
  firstLane,
  applyLanePatch,
  describeDifference,
  diffLanes,
  NO_NAMES,
  patchesClash,
  type CategoryTexts,
  type Lane,
  type LanePatch,
  type ShopNames,
} from '~/core/lane';
import { definitions } from '~/pieces/definitions';
import { Refusal, sendPatch } from './api';
import type { DraftView } from '~/contract/studio/draft';
import { wordChange } from './word-change';

export interface Step {
  readonly undo: LanePatch;
  readonly redo: LanePatch;
  /** Steps with the same key, made one after the other, are one to undo. */
  readonly key: string | null;
  readonly at: number;
  /** The screen it was made on, by its path: there it is undone. */
  readonly screen: string;
}

interface DraftState {
  readonly lane: Lane;
  readonly live: DraftView['live'];
  readonly token: string;
  readonly edit: number;
  readonly past: readonly Step[];
  readonly future: readonly Step[];
  readonly saving: 'saved' | 'saving' | 'failed';
  readonly message: string | null;
  /** What undo has just done; it goes by itself. */
  readonly brief: string | null;
  /** What the things are called that the lanes name. */
  readonly names: ShopNames;
  /** Texts of categories that name pieces or facts. */
  readonly categoryTexts: CategoryTexts;
  /** What the proof sheets had found when the screen came, and of which edit. */
  readonly proofs: { readonly edit: number; readonly found: DraftView['proofs'] };
  /** What is planned to go out, and what could not. */
  readonly plans: DraftView['plans'];
  /** The newer draft of another window, when it changed the same places. */
  readonly theirs: DraftView | null;
  start(data: DraftView): void;
  change(recipe: (lane: Lane) => void, key?: string): void;
  undo(): void;
  redo(): void;
  /** Keeps what a product is called that was picked, or looked up, here. */
  learn(products: ShopNames['product']): void;
  /** Settles a conflict: with `mine`, what was changed here is written over theirs. */
  settle(keep: 'mine' | 'theirs'): void;
  /** Waits until everything is stored; false when it could not be. */
  flush(): Promise<boolean>;
  say(message: string | null): void;
}

const SAVE_AFTER_MS = 350;
const ONE_STEP_MS = 900;
const MOST_TRIES = 5;
const KEPT = 'pl-studio-steps';

const screenNow = () => location.pathname;

/** Whether there is something to undo, or to do again, that was done on this screen. */
export const hasSteps = (steps: readonly Step[]): boolean => steps.some(({ screen }) => screen === screenNow());

/** The document as the server has it; what differs from it is still to be sent. */
let saved: Lane;
let timer = 0;
let sending: Promise<void> | null = null;

const joinNames = (a: ShopNames, b: ShopNames): ShopNames => ({
  product: { ...a.product, ...b.product },
  category: { ...a.category, ...b.category },
  variant: { ...a.variant, ...b.variant },
});

const withoutTests = (patch: LanePatch): LanePatch => patch.filter(({ op }) => op !== 'test');

type Set = (part: Partial<DraftState>) => void;

/** Stores the draft on the server, a moment after each change, and joins what another window changed. */
function draftKeeping(set: Set, get: () => DraftState) {
  function keepSteps(): void {
    const { past, future, edit } = get();
    sessionStorage.setItem(KEPT, JSON.stringify({ edit, past: past.slice(-100), future }));
  }

  function schedule(): void {
    clearTimeout(timer);
    set({ saving: 'saving' });
    timer = window.setTimeout(() => void send(), SAVE_AFTER_MS);
  }

  async function send(): Promise<void> {
    // Whoever waited longest goes first; the others find that there is something under way again.
    while (sending) await sending;
    // All there is now goes with this; nothing is left to be sent later.
    clearTimeout(timer);
    if (get().theirs) return;
    const { lane, edit } = get();
    const patch = diffLanes(saved, lane);
    if (patch.length === 0) return set({ saving: 'saved' });
    sending = sendPatch(edit, patch)
      .then(
        (answer) => {
          saved = lane;
          set({ edit: answer.edit, token: answer.token, saving: get().lane === lane ? 'saved' : 'saving' });
          keepSteps();
          if (get().lane !== lane) schedule();
        },
        (error: unknown) => {
          if (!(error instanceof Refusal)) throw error;
          const theirs = (error.body as { draft?: DraftView } | null)?.draft;
          if (error.status === 409 && theirs) merge(theirs);
          else set({ saving: 'failed', message: error.message });
        },
      )
      .finally(() => (sending = null));
    await sending;
  }

  /** Whoever leaves the page before a change is stored loses nothing. */
  function leave(): void {
    if (get().saving === 'saving' && !sending) void send().catch(() => undefined);
  }

  /** Takes in what another window changed; asks only when both changed the same place. */
  function merge(theirs: DraftView): void {
    const mine = diffLanes(saved, get().lane);
    set({ names: joinNames(get().names, theirs.names) });
    if (patchesClash(mine, diffLanes(saved, theirs.lane))) return set({ theirs, saving: 'failed' });
    const merged = applyLanePatch(theirs.lane, mine, definitions);
    if (!merged.ok) return set({ theirs, saving: 'failed' });
    saved = theirs.lane;
    set({
      lane: merged.value,
      edit: theirs.edit,
      token: theirs.token,
      live: theirs.live,
      message: 'Changes made in another window were taken in.',
    });
    schedule();
  }

  function step(from: 'past' | 'future'): void {
    const steps = get()[from];
    const last = steps.findLast(({ screen }) => screen === screenNow());
    if (!last) return;
    const rest = steps.filter((step) => step !== last);
    const moved = applyLanePatch(get().lane, from === 'past' ? last.undo : last.redo, definitions);
    if (!moved.ok)
      return set({
        message: 'This step cannot be taken back any more: the place was changed elsewhere.',
        [from]: rest,
      });
    const other = from === 'past' ? 'future' : 'past';
    const [first, ...more] = describeDifference(get().lane, moved.value, definitions, get().names);
    if (first)
      set({
        brief: `${from === 'past' ? 'Undone' : 'Done again'}: ${first.pieceName}. ${wordChange(first)}${more.length > 0 ? ` And ${more.length} more.` : ''}`,
      });
    set({ lane: moved.value, [from]: rest, [other]: [...get()[other], last] });
    schedule();
  }

  return { schedule, send, leave, step };
}

export const useDraft = create<DraftState>((set, get) => {
  const { schedule, send, leave, step } = draftKeeping(set, get);
  const nothing = firstLane(definitions, 'UTC');
  return {
    // Until the screen's own is put in, before anything is drawn.
    lane: nothing,
    live: { revision: 0, lane: nothing },
    token: '',
    edit: 0,
    past: [],
    future: [],
    saving: 'saved',
    message: null,
    brief: null,
    names: NO_NAMES,
    categoryTexts: {},
    proofs: { edit: 0, found: [] },
    plans: [],
    theirs: null,
    start(data) {
      // On the server there is no window to leave.
      if (typeof window !== 'undefined') window.addEventListener('pagehide', leave);
      saved = data.lane;
      const kept = JSON.parse(
        (typeof sessionStorage === 'undefined' ? null : sessionStorage.getItem(KEPT)) ?? 'null',
      ) as { edit: number; past: Step[]; future: Step[] } | null;
      const fits = kept?.edit === data.edit;
      set({
        lane: data.lane,
        live: data.live,
        names: joinNames(get().names, data.names),
        categoryTexts: data.categoryTexts,
        proofs: { edit: data.edit, found: data.proofs },
        plans: data.plans,
        token: data.token,
        edit: data.edit,
        theirs: null,
        saving: 'saved',
        past: fits ? kept.past : [],
        future: fits ? kept.future : [],
      });
    },
    change(recipe, key) {
      const { lane, past } = get();
      const next = produce(lane, recipe);
      const redo = diffLanes(lane, next);
      if (redo.length === 0) return;
      const now = Date.now();
      const last = past.at(-1);
      const joins = key !== undefined && last?.key === key && now - last.at < ONE_STEP_MS;
      const before = joins ? applyLanePatch(lane, last.undo, definitions) : null;
      const base = before?.ok ? before.value : lane;
      const made: Step = {
        undo: diffLanes(next, base),
        redo: diffLanes(base, next),
        key: key ?? null,
        at: now,
        screen: screenNow(),
      };
      set({ lane: next, past: [...(joins ? past.slice(0, -1) : past), made], future: [] });
      schedule();
    },
    learn: (product) => set({ names: joinNames(get().names, { ...NO_NAMES, product }) }),
    undo: () => step('past'),
    redo: () => step('future'),
    settle(keep) {
      const { theirs, lane } = get();
      if (!theirs) return;
      const mine = diffLanes(saved, lane);
      const merged = keep === 'mine' ? applyLanePatch(theirs.lane, withoutTests(mine), definitions) : null;
      // Where my steps no longer fit the newer draft, the whole of mine stands.
      const next = keep === 'theirs' ? theirs.lane : merged?.ok ? merged.value : lane;
      saved = theirs.lane;
      set({
        lane: next,
        edit: theirs.edit,
        token: theirs.token,
        live: theirs.live,
        theirs: null,
        message: null,
        ...(keep === 'theirs' && { past: [], future: [] }),
      });
      schedule();
    },
    async flush() {
      // What another window changed is taken in first, and ours goes on top of it.
      for (let tries = 0; tries < MOST_TRIES; tries += 1) {
        await send();
        if (get().saving !== 'saving') break;
      }
      return get().saving === 'saved' && !get().theirs;
    },
    say: (message) => set({ message }),
  };
});
