import type { KeptProblem, PieceProof } from '~/contract/studio/proofs';
import { useDraft } from './draft-store';
import { useAnswer } from './query';

export const countProblems = (count: number): string => (count === 1 ? '1 problem' : `${count} problems`);

/** What the proof sheets found of every piece as it is in the draft, by its id; null until it is known. */
export function useProofs(): ReadonlyMap<string, PieceProof> | null {
  const { edit, saving } = useDraft();
  const { answer } = useAnswer('GET /api/studio/proofs', saving === 'saved' ? {} : null, { asOf: edit });
  return answer && new Map(answer.map((piece) => [piece.pieceId, piece]));
}

/** The problems of a piece that it does not have as it is live; null where either has not been proved. */
export function newProblems({ draft, live }: PieceProof, isLive: boolean): readonly KeptProblem[] | null {
  if (!draft || (isLive && !live)) return null;
  const before = new Set(live?.problems.map(({ key }) => key));
  return draft.problems.filter(({ key }) => !before.has(key));
}
