import { pieceName } from '~/core/lane';
import { copyLook } from '~/core/lane/document/copy-look';
import { definitions } from '~/pieces/definitions';
import { useDraft } from '~/studio/data/draft-store';
import type { PanelProps } from './panel';

/** Takes over what another piece has set in the places both have. */
export function CopyLook({ piece, definition, edit }: Pick<PanelProps, 'piece' | 'definition' | 'edit'>) {
  const { lane, say } = useDraft();
  const others = Object.entries(lane.pieces).filter(
    ([, other]) => other !== piece && Object.keys(other.look.slots).some((key) => Object.hasOwn(definition.looks, key)),
  );
  if (others.length === 0) return null;

  function take(id: string): void {
    const other = lane.pieces[id];
    if (!other) return;
    let places = 0;
    edit((draft) => void (places = copyLook(other, draft, definition)));
    const name = pieceName(other, definitions);
    say(places === 0 ? `${name} has nothing set that fits here.` : `The look of ${name} was taken over.`);
  }

  return (
    <label className="flex flex-col gap-1">
      <span className="font-semibold">Copy the look of</span>
      <select className="field" value="" onChange={({ currentTarget: { value } }) => take(value)}>
        <option value="">Choose a piece</option>
        {others.map(([id, other]) => (
          <option key={id} value={id}>
            {pieceName(other, definitions)}
          </option>
        ))}
      </select>
    </label>
  );
}
