import { useCallback, useEffect, useRef, useState, type RefObject } from 'react';
import type { Situation } from '~/core/lane';
import type { ProofProblem } from '~/core/proof';
import { useDraft } from '~/studio/data/draft-store';
import type { Samples } from '~/studio/preview/samples';
import { createFrameDriver, type FrameDriver } from './frame-driver';
import { keepSheet } from './keep-sheet';
import { laySheet, situationsFor, tryMends, type SheetOf, type Stone, type TriedMend } from './sheet';

/** An edit is proved when nothing more has been changed for as long, in ms. */
const REST_MS = 600;

export interface Sheet {
  /** Stones that have been laid, by the key of their situation. */
  readonly stones: ReadonlyMap<string, Stone>;
  /** How many of them show the draft as it is now. */
  readonly laid: number;
  /** Situations there are, those not drawn yet among them. */
  readonly situations: readonly Situation[];
  /** How long it took in ms; null while it is being drawn. */
  readonly tookMs: number | null;
  /** Waits for the sheet; null where no change of one setting mends it. */
  readonly mendFor: (stone: Stone, problem: ProofProblem, signal: AbortSignal) => Promise<TriedMend | null | 'stopped'>;
}

interface Asked {
  readonly pieceId: string;
  readonly samples: Samples;
  readonly categories: readonly { readonly slug: string }[];
  /** The frames the shop is played in. */
  readonly frames: RefObject<readonly (HTMLIFrameElement | null)[]>;
}

/** The proof sheet of a piece, drawn anew with every change of the draft. */
export function useSheet({ pieceId, samples, categories, frames }: Asked): Sheet {
  const { lane, token, edit, live, categoryTexts, flush } = useDraft();
  const [stones, setStones] = useState<ReadonlyMap<string, Stone>>(new Map());
  const [tookMs, setTookMs] = useState<number | null>(null);
  const [laid, setLaid] = useState(0);
  const drivers = useRef<FrameDriver[]>([]);
  /** Ended with every change of the draft: what was tried was tried on another. */
  const search = useRef(new AbortController());
  /** One thing is drawn at a time: mends wait for the sheet. */
  const busy = useRef<Promise<unknown>>(Promise.resolve());
  const sheetOf: SheetOf = { pieceId, lane, token, edit, revision: live.revision, samples, categories, categoryTexts };
  const latest = useRef(sheetOf);
  latest.current = sheetOf;
  const shown = useRef(stones);
  shown.current = stones;

  useEffect(() => {
    drivers.current = frames.current.flatMap((frame) => (frame ? [createFrameDriver(frame)] : []));
    return () => {
      for (const driver of drivers.current) driver.end();
    };
  }, [frames]);

  useEffect(() => {
    const stop = new AbortController();
    setTookMs(null);
    setLaid(0);
    search.current = new AbortController();
    const draw = async () => {
      // What the server draws it draws by the draft as it is stored.
      if (stop.signal.aborted || !(await flush())) return;
      const { edit: number } = useDraft.getState();
      const { lane: drawnLane } = latest.current;
      const began = performance.now();
      let count = 0;
      const judged = await laySheet(
        drivers.current,
        latest.current,
        (stone) => {
          count += 1;
          setStones((before) => new Map(before).set(stone.situation.key, stone));
          setLaid(count);
        },
        stop.signal,
      );
      if (stop.signal.aborted) return;
      // What could not be drawn again was drawn of another draft.
      setStones(new Map(judged.map((stone) => [stone.situation.key, stone])));
      setTookMs(performance.now() - began);
      if (judged.length < situationsFor(latest.current).length) return;
      // A viewer's is not kept; of a draft that another window has changed meanwhile, neither.
      const sheet = { pieceId, of: 'draft', number, lane: drawnLane, stones: judged } as const;
      await keepSheet(sheet).catch(() => undefined);
    };
    const timer = setTimeout(
      () => (busy.current = busy.current.catch(() => undefined).then(draw)),
      stones.size === 0 ? 0 : REST_MS,
    );
    return () => {
      clearTimeout(timer);
      stop.abort();
      search.current.abort();
    };
  }, [lane, pieceId, samples]);

  const mendFor = useCallback(async (stone: Stone, problem: ProofProblem, signal: AbortSignal) => {
    const ends = AbortSignal.any([signal, search.current.signal]);
    const trying = busy.current
      .catch(() => undefined)
      .then(() => {
        const [driver] = drivers.current;
        return driver && !ends.aborted
          ? tryMends(driver, latest.current, { problem, stone, stones: shown.current.values() }, ends)
          : null;
      });
    busy.current = trying;
    const found = await trying;
    return ends.aborted ? 'stopped' : found;
  }, []);

  return { stones, laid, situations: situationsFor(sheetOf), tookMs, mendFor };
}
