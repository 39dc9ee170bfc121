import { useState } from 'react';
import { copyPiece, pieceName } from '~/core/lane';
import { definitions } from '~/pieces/definitions';
import { useDraft } from '~/studio/data/draft-store';
import { Modal } from '~/studio/fields/modal';
import { TextField } from '~/studio/fields/fields';
import type { PanelProps } from './panel';

/** What one of several pieces of a kind is called, with ways to make another like it and to take it out. */
export function PieceIdentity({ pieceId, piece, definition, edit }: PanelProps & { readonly pieceId: string }) {
  const { change, flush } = useDraft();
  const [isLeaving, setLeaving] = useState(false);
  const name = pieceName(piece, definitions);

  async function copy(): Promise<void> {
    let made = '';
    change((draft) => void (made = copyPiece(draft, pieceId, definitions)));
    if (await flush()) location.assign(`/studio/bench/${made}`);
  }

  async function remove(): Promise<void> {
    change((draft) => void delete draft.pieces[pieceId]);
    if (await flush()) location.assign(`/studio/stretch/${definition.stretch}`);
  }

  return (
    <section aria-label="This piece" className="flex flex-col gap-2 border-b border-mortar pb-3">
      <TextField
        label="Name"
        help="Only you see it: on the map, in changes and in results."
        value={piece.name}
        maxLength={60}
        onChange={(text) => edit((draft) => void (draft.name = text), 'name')}
      />
      <div className="flex gap-2">
        <button className="btn" onClick={() => void copy()}>
          Copy it
        </button>
        <button className="btn text-brick" onClick={() => setLeaving(true)}>
          Remove it …
        </button>
      </div>
      {isLeaving && (
        <Modal title={`Remove ${name}?`} onClose={() => setLeaving(false)}>
          <p className="mb-4">
            It goes from the draft. The live shop keeps it until you publish, and undo brings it back.
          </p>
          <div className="flex justify-end gap-2">
            <button className="btn" onClick={() => setLeaving(false)}>
              Cancel
            </button>
            <button className="btn btn-stop" onClick={() => void remove()}>
              Remove it
            </button>
          </div>
        </Modal>
      )}
    </section>
  );
}
