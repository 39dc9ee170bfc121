import RotateCcw from 'lucide-react/icons/rotate-ccw';
import { type ReactNode } from 'react';

interface RowProps {
  readonly label: string;
  readonly help?: string | undefined;
  readonly changed: boolean;
  readonly onReset: () => void;
  readonly children: ReactNode;
  readonly labelId?: string;
}

/** A setting: its name, one line of help, and a dot with the way back when it is not the default. */
export function Row({ label, help, changed, onReset, children, labelId }: RowProps) {
  return (
    <div className="flex flex-col gap-1" data-row={label}>
      <div className="flex items-center gap-2">
        <span id={labelId} className="font-semibold">
          {label}
        </span>
        {changed && (
          <>
            <span className="size-2 rounded-full bg-paint" title="Changed from the default" />
            <button
              className="plain ms-auto flex items-center gap-1 text-[12px] text-gravel hover:text-basalt"
              onClick={onReset}
            >
              <RotateCcw size={12} strokeWidth={1.75} /> back to default
            </button>
          </>
        )}
      </div>
      {help && <p className="help">{help}</p>}
      {children}
    </div>
  );
}

interface NumberProps {
  readonly value: number;
  readonly min: number;
  readonly max: number;
  readonly step: number;
  readonly unit: string;
  readonly labelId?: string;
  readonly onChange: (value: number) => void;
}

export function Amount({ value, min, max, step, unit, labelId, onChange }: NumberProps) {
  const set = (text: string) => {
    const next = Number(text);
    if (text !== '' && Number.isFinite(next)) onChange(Math.min(max, Math.max(min, next)));
  };
  return (
    <div className="flex items-center gap-2">
      <input
        type="range"
        className="min-w-0 flex-1 accent-moss"
        aria-labelledby={labelId}
        min={min}
        max={max}
        step={step}
        value={value}
        onChange={(event) => set(event.target.value)}
      />
      <input
        type="number"
        className="field w-[74px] text-end"
        aria-labelledby={labelId}
        min={min}
        max={max}
        step={step}
        key={value}
        defaultValue={value}
        onBlur={(event) => set(event.target.value)}
        onKeyDown={(event) => event.key === 'Enter' && set(event.currentTarget.value)}
      />
      <span className="w-5 text-gravel">{unit}</span>
    </div>
  );
}
