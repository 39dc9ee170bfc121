import { useId } from 'react';

interface SegmentedProps<Key extends string> {
  readonly options: Readonly<Record<Key, string>>;
  readonly value: Key | undefined;
  readonly onChange: (key: Key) => void;
  readonly labelId?: string;
  readonly label?: string;
}

/** One of a few, all in sight. */
export function Segmented<Key extends string>({ options, value, onChange, labelId, label }: SegmentedProps<Key>) {
  // One group for the keyboard: arrows go from one to the next.
  const name = useId();
  const entries = Object.entries(options) as [Key, string][];
  return (
    <div
      role="radiogroup"
      aria-labelledby={labelId}
      aria-label={label}
      className={`grid overflow-hidden rounded-stone border border-mortar bg-white ${entries.length > 3 ? 'grid-cols-2' : 'auto-cols-[minmax(max-content,1fr)] grid-flow-col'}`}
    >
      {entries.map(([key, text]) => (
        <label
          key={key}
          className="relative grid cursor-pointer place-items-center px-1.5 py-1.5 text-center leading-tight has-checked:bg-basalt has-checked:text-limestone has-focus-visible:outline-2 has-focus-visible:-outline-offset-2 has-focus-visible:outline-sky"
        >
          <input type="radio" name={name} className="sr-only" checked={value === key} onChange={() => onChange(key)} />
          {text}
        </label>
      ))}
    </div>
  );
}
