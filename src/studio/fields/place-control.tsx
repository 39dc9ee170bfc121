import { readPlace, writePlace, type Edge } from '~/core/opener-position';
import { Segmented } from './segmented';

const EDGES: Readonly<Record<Edge, string>> = { top: 'Top', bottom: 'Bottom', start: 'Left', end: 'Right' };

interface Props {
  readonly value: string;
  readonly labelId: string;
  readonly onChange: (value: string) => void;
}

/** A place at the window's edge for those who do not drag: which edge, and how far along. */
export function PlaceControl({ value, labelId, onChange }: Props) {
  const place = readPlace(value);
  const isAcross = place.edge === 'top' || place.edge === 'bottom';
  return (
    <div className="flex flex-col gap-1.5">
      <Segmented
        labelId={labelId}
        options={EDGES}
        value={place.edge}
        onChange={(edge) => onChange(writePlace({ ...place, edge }))}
      />
      <label className="flex items-center gap-2 text-[12.5px] text-gravel">
        {isAcross ? 'left' : 'top'}
        <input
          type="range"
          min={0}
          max={100}
          step={1}
          value={place.along}
          aria-label="How far along the edge, in percent"
          className="min-w-0 flex-1 accent-moss"
          onChange={(event) => onChange(writePlace({ ...place, along: Number(event.target.value) }))}
        />
        {isAcross ? 'right' : 'bottom'}
      </label>
    </div>
  );
}
