import { useState } from 'react';

interface Props {
  readonly value: number;
  readonly onChange: (value: number) => void;
  readonly label?: string;
  readonly min?: number;
  readonly max?: number;
  /** `any` takes fractions; without it numbers are rounded to whole ones. */
  readonly step?: 'any';
  readonly className?: string;
}

/** A number while it is typed: what is no number yet stays in the field, and is put right when the field is left. */
export function NumberField({ value, onChange, label, min, max, step, className = 'w-24' }: Props) {
  const [typed, setTyped] = useState<string | null>(null);
  function take(text: string): void {
    setTyped(text);
    const next = Number(text);
    if (text === '' || !Number.isFinite(next)) return;
    const limited = Math.min(max ?? next, Math.max(min ?? next, next));
    onChange(step === 'any' ? limited : Math.round(limited));
  }
  return (
    <input
      className={`field text-end ${className}`}
      type="number"
      aria-label={label}
      min={min}
      max={max}
      step={step}
      value={typed ?? value}
      onChange={(event) => take(event.target.value)}
      onBlur={() => setTyped(null)}
    />
  );
}
