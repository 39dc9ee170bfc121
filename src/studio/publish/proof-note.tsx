import type { PieceProof } from '~/contract/studio/proofs';
import { pieceName } from '~/core/lane';
import { definitions, definitionOf } from '~/pieces/definitions';
import { useDraft } from '~/studio/data/draft-store';
import { countProblems, newProblems } from '~/studio/data/proofs';

/** What the proof sheets say of the pieces that are about to go live. */
export function ProofNote({ proofs }: { proofs: readonly PieceProof[] }) {
  const { lane, live } = useDraft();
  const changed = proofs.filter(({ pieceId, isChanged }) => isChanged && isShown(pieceId, lane.pieces[pieceId]));
  const isLive = ({ pieceId }: PieceProof) => live.revision > 0 && Object.hasOwn(live.lane.pieces, pieceId);
  const told = changed.flatMap((piece) => {
    const fresh = newProblems(piece, isLive(piece));
    const found = fresh ?? piece.draft?.problems ?? [];
    return found.length > 0 ? [{ piece, count: found.length, isNew: fresh !== null }] : [];
  });
  const unproved = changed.filter(({ draft }) => draft === null);
  const total = told.reduce((sum, { count }) => sum + count, 0);
  const name = (piece: PieceProof) => pieceName(lane.pieces[piece.pieceId]!, definitions);
  return (
    <section aria-label="Proof" className="flex flex-col gap-1">
      {total > 0 && (
        <p className="border-s-4 border-brick ps-3">
          {countProblems(total)}
          {told.every(({ isNew }) => isNew) && ' new since what is live'}:{' '}
          {told.map(({ piece, count }, i) => (
            <span key={piece.pieceId}>
              {i > 0 && ', '}
              <a href={`/studio/bench/${piece.pieceId}?task=proof`}>{name(piece)}</a> {count}
            </span>
          ))}
          .
        </p>
      )}
      {unproved.length > 0 && (
        <p className="border-s-4 border-paint ps-3">
          Not proved since they were changed: {unproved.map(name).join(', ')}.{' '}
          <a href="/studio/proof">Prove the lane</a>
        </p>
      )}
      {total === 0 && unproved.length === 0 && changed.length > 0 && (
        <p className="border-s-4 border-moss ps-3">
          {changed.length === 1
            ? 'The changed piece holds in every situation.'
            : `All ${changed.length} changed pieces hold in every situation.`}
        </p>
      )}
    </section>
  );
}

const isShown = (id: string, piece: { readonly on: boolean; readonly kind: string } | undefined) =>
  piece !== undefined && id !== '' && (piece.on || definitionOf(piece.kind)?.isAlwaysOn === true);
