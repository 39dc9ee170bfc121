import { useState } from 'react';
import { SelectField } from '~/studio/fields/fields';
import { Modal } from '~/studio/fields/modal';

interface Props {
  /** Names by id. */
  readonly pieces: Readonly<Record<string, string>>;
  /** The one that stands there; empty: none yet. */
  readonly first: string;
  readonly onPick: (pieceId: string) => void;
  readonly onClose: () => void;
}

/** Picks a piece that stands in a text. */
export function PiecePicker({ pieces, first, onPick, onClose }: Props) {
  const options = Object.entries(pieces);
  const [picked, pick] = useState(first in pieces ? first : (options[0]?.[0] ?? ''));
  return (
    <Modal
      title={first ? 'Change the piece' : 'Insert a piece'}
      text="Pieces whose place under Where is “Only where a text names it”."
      onClose={onClose}
    >
      <div className="flex flex-col gap-4">
        {options.length === 0 ? (
          <p>No piece has this place yet.</p>
        ) : (
          <SelectField label="Piece" value={picked} options={options} onChange={pick} />
        )}
        {picked && <a href={`/studio/bench/${picked}`}>Shape {pieces[picked]}</a>}
        <div className="flex justify-end gap-2">
          <button className="btn" onClick={onClose}>
            Cancel
          </button>
          <button className="btn btn-go" disabled={picked === ''} onClick={() => onPick(picked)}>
            {first ? 'Apply' : 'Insert'}
          </button>
        </div>
      </div>
    </Modal>
  );
}
