import { useEffect, useRef, useState, type RefObject } from 'react';
import { pieceName, type Lane } from '~/core/lane';
import { definitionOf, definitions } from '~/pieces/definitions';
import { useDraft } from '~/studio/data/draft-store';
import type { Samples } from '~/studio/preview/samples';
import { createFrameDriver, type FrameDriver } from '~/studio/proof/frame-driver';
import { keepSheet, problemsOf } from '~/studio/proof/keep-sheet';
import { laySheet, situationsFor, tryMends, type SheetOf, type Stone } from '~/studio/proof/sheet';

export type Proved = 'draft' | 'live';

interface Asked {
  readonly samples: Samples;
  readonly categories: readonly { readonly slug: string }[];
  readonly frames: RefObject<readonly (HTMLIFrameElement | null)[]>;
  /** Told after each piece that was kept. */
  readonly onKept: () => void;
}

export interface LaneProof {
  /** From 0 to 1 while it runs; null when nothing does. */
  readonly done: number | null;
  /** The piece that is being drawn. */
  readonly piece: string | null;
  /** Why it stopped before its end. */
  readonly problem: string | null;
  /** The picture of each problem met, by piece and key. */
  readonly pictures: ReadonlyMap<string, Stone>;
  start(proved: Proved, only: string | null): void;
  stop(): void;
}

export const pictureKey = (pieceId: string, problem: string): string => `${pieceId} ${problem}`;

/** The pieces that shoppers can meet. */
export const provedPieces = (lane: Lane): string[] =>
  Object.entries(lane.pieces)
    .filter(([, piece]) => piece.on || definitionOf(piece.kind)?.isAlwaysOn)
    .map(([id]) => id);

/** Proves every piece of the lane one after the other, and looks for what mends each problem of the draft. */
export function useLaneProof({ samples, categories, frames, onKept }: Asked): LaneProof {
  const [done, setDone] = useState<number | null>(null);
  const [piece, setPiece] = useState<string | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const [late, setLate] = useState<readonly string[]>([]);
  const [pictures, setPictures] = useState<ReadonlyMap<string, Stone>>(new Map());
  const drivers = useRef<FrameDriver[]>([]);
  const running = useRef<AbortController | null>(null);

  useEffect(() => {
    drivers.current = frames.current.flatMap((frame) => (frame ? [createFrameDriver(frame)] : []));
    return () => {
      running.current?.abort();
      for (const driver of drivers.current) driver.end();
    };
  }, [frames]);

  async function provePiece(sheetOf: SheetOf, signal: AbortSignal): Promise<void> {
    const { pieceId, lane, edit, revision } = sheetOf;
    const stones = await laySheet(drivers.current, sheetOf, () => undefined, signal);
    const settings = new Map<string, string>();
    const met = problemsOf(stones);
    for (const [key, { problem: found, stone }] of met) {
      setPictures((before) => new Map(before).set(pictureKey(pieceId, key), stone));
      const [driver] = drivers.current;
      const asked = { problem: found, stone, stones };
      const mend = driver && edit !== null ? await tryMends(driver, sheetOf, asked, signal) : null;
      if (mend) settings.set(key, `${mend.mend.setting}. ${mend.mend.label}`);
    }
    if (signal.aborted) return;
    const missing = situationsFor(sheetOf).length - stones.length;
    // What was not drawn was not proved: nothing is kept of the piece.
    if (missing > 0) {
      const situations = missing === 1 ? '1 situation' : `${missing} situations`;
      return setLate((before) => [...before, `${situations} of ${nameIn(lane, pieceId)}`]);
    }
    const of = edit === null ? ({ of: 'live', number: revision } as const) : ({ of: 'draft', number: edit } as const);
    await keepSheet({ ...of, pieceId, lane, stones, settings });
    onKept();
  }

  async function run(proved: Proved, only: string | null, signal: AbortSignal): Promise<void> {
    if (!(await useDraft.getState().flush())) throw new Error('The draft is not stored yet. Settle that first.');
    const { lane: draft, live, token, edit, categoryTexts } = useDraft.getState();
    const lane = proved === 'live' ? live.lane : draft;
    const shared = { lane, samples, categories, categoryTexts, revision: live.revision };
    const ofProved = proved === 'live' ? { token: `${token}.r${live.revision}`, edit: null } : { token, edit };
    const pieces = provedPieces(lane).filter((id) => only === null || id === only);
    if (pieces.length === 0) throw new Error('There is no such piece, or it is off.');
    for (const [i, pieceId] of pieces.entries()) {
      setPiece(nameIn(lane, pieceId));
      setDone(i / pieces.length);
      await provePiece({ ...shared, ...ofProved, pieceId }, signal);
      if (signal.aborted) return;
    }
  }

  function stop(): void {
    running.current?.abort();
    running.current = null;
    setDone(null);
  }

  return {
    done,
    piece,
    problem:
      problem ??
      (late.length > 0 && done === null ? `Could not be drawn in time: ${late.join(', ')}. Prove them again.` : null),
    pictures,
    start(proved, only) {
      running.current?.abort();
      const mine = new AbortController();
      running.current = mine;
      setDone(0);
      setProblem(null);
      setLate([]);
      setPictures(new Map());
      void run(proved, only, mine.signal)
        .catch((error: unknown) => {
          if (!mine.signal.aborted) setProblem((error as Error).message);
        })
        .finally(() => {
          if (running.current === mine) stop();
        });
    },
    stop,
  };
}

const nameIn = (lane: Lane, pieceId: string) => pieceName(lane.pieces[pieceId]!, definitions);
