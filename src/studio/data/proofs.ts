import type { KeptProblem, PieceProof } from '~/contract/studio/proofs';
import { useDraft } from './draft-store';
import { useAnswer } from './query';

export const countProblems = (count: number): string => (count === 1 ? '1 problem' : `${count} problems`);

/** What the proof sheets found of every piece as it is in the draft, by its id. It comes with the page, so that nothing moves. */
export function useProofs(): ReadonlyMap<string, PieceProof> {
  const { edit, saving, proofs } = useDraft();
  const isAsked = saving === 'saved' && edit !== proofs.edit;
  const { answer } = useAnswer('GET /api/studio/proofs', isAsked ? {} : null, { asOf: edit, keepsLast: true });
  return new Map((answer ?? proofs.found).map((piece) => [piece.pieceId, piece]));
}

/** The problems of a piece that it does not have as it is live; null where either has not been proved. */
export function newProblems({ draft, live }: PieceProof, isLive: boolean): readonly KeptProblem[] | null {
  if (!draft || (isLive && !live)) return null;
  const before = new Set(live?.problems.map(({ key }) => key));
  return draft.problems.filter(({ key }) => !before.has(key));
}
