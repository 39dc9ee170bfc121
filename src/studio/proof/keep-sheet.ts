import type { KeptProblem } from '~/contract/studio/proofs';
import { wordProofProblem, type Lane } from '~/core/lane';
import { problemKey, type ProofProblem } from '~/core/proof';
import { definitions } from '~/pieces/definitions';
import { ask } from '~/studio/data/api';
import type { Stone } from './sheet';

/** A problem where it was met first. */
export interface Met {
  readonly problem: ProofProblem;
  readonly stone: Stone;
}

/** Every problem once, however many situations it is met in, by its key. */
export function problemsOf(stones: Iterable<Stone>): Map<string, Met> {
  const found = new Map<string, Met>();
  for (const stone of stones)
    for (const problem of stone.problems) {
      const key = problemKey(problem);
      if (!found.has(key)) found.set(key, { problem, stone });
    }
  return found;
}

interface Sheet {
  readonly pieceId: string;
  readonly of: 'draft' | 'live';
  /** The edit of the draft, or the revision. */
  readonly number: number;
  readonly lane: Lane;
  readonly stones: readonly Stone[];
  /** What mends a problem, by its key. */
  readonly settings?: ReadonlyMap<string, string>;
}

/** Keeps what a sheet found, for tiles and publishing. */
export async function keepSheet({ pieceId, of, number, lane, stones, settings }: Sheet): Promise<void> {
  const problems = [...problemsOf(stones)].map(([key, { problem, stone }]): KeptProblem => {
    const { heading, sentence } = wordProofProblem(problem, lane, definitions);
    const { key: situation, label } = stone.situation;
    return { key, check: problem.check, situation, label, heading, sentence, setting: settings?.get(key) ?? null };
  });
  await ask('PUT /api/studio/proofs/[piece]', {
    params: { piece: pieceId },
    body: { of, number, situations: stones.length, problems },
  });
}
