import { useEffect, useId, useState, type ReactNode } from 'react';

interface LabelledProps {
  readonly label: string;
  readonly help?: string;
  readonly problem?: string | null;
  readonly children: (id: string, describedBy: string | undefined) => ReactNode;
}

/** A field with its name, a line of help and, where it is wrong, what to do. */
export function Labelled({ label, help, problem, children }: LabelledProps) {
  const id = useId();
  const notes = [help && `${id}-help`, problem && `${id}-problem`].filter(Boolean).join(' ') || undefined;
  return (
    <div className="flex flex-col gap-1" data-row={label}>
      <label htmlFor={id} className="font-semibold">
        {label}
      </label>
      {help && (
        <p id={`${id}-help`} className="help">
          {help}
        </p>
      )}
      {children(id, notes)}
      {problem && (
        <p id={`${id}-problem`} role="alert" className="text-[13px] text-brick">
          {problem}
        </p>
      )}
    </div>
  );
}

interface TextProps {
  readonly label: string;
  readonly help?: string;
  readonly value: string;
  readonly onChange: (value: string) => void;
  /** What is wrong with a text; null when nothing is. What is wrong stays in the field and is not kept. */
  readonly check?: (value: string) => string | null;
  readonly type?: 'text' | 'email';
  readonly rows?: number;
  readonly maxLength?: number;
  readonly dir?: 'rtl' | 'ltr';
}

/** A text, kept as it is typed as long as it may stand. */
export function TextField({ label, help, value, onChange, check, type = 'text', rows, maxLength, dir }: TextProps) {
  const [typed, setTyped] = useState(value);
  const [problem, setProblem] = useState<string | null>(null);
  useEffect(() => setTyped((now) => (problem === null && now.trim() !== value ? value : now)), [value, problem]);
  function take(text: string): void {
    setTyped(text);
    const wrong = check?.(text.trim()) ?? null;
    if (wrong === null) {
      setProblem(null);
      onChange(text.trim());
    }
  }
  const leave = () => setProblem(check?.(typed.trim()) ?? null);
  return (
    <Labelled label={label} {...(help && { help })} problem={problem}>
      {(id, describedBy) => {
        const shared = {
          id,
          dir,
          maxLength,
          value: typed,
          className: 'field w-full',
          'aria-describedby': describedBy,
          'aria-invalid': problem ? (true as const) : undefined,
          onBlur: leave,
        };
        return rows ? (
          <textarea {...shared} rows={rows} onChange={(event) => take(event.target.value)} />
        ) : (
          <input {...shared} type={type} onChange={(event) => take(event.target.value)} />
        );
      }}
    </Labelled>
  );
}

interface SelectProps {
  readonly label: string;
  readonly help?: string;
  readonly value: string;
  readonly options: readonly (readonly [value: string, label: string])[];
  readonly onChange: (value: string) => void;
}

export function SelectField({ label, help, value, options, onChange }: SelectProps) {
  return (
    <Labelled label={label} {...(help && { help })}>
      {(id, describedBy) => (
        <select
          id={id}
          className="field w-full"
          aria-describedby={describedBy}
          value={value}
          onChange={(event) => onChange(event.target.value)}
        >
          {options.map(([key, text]) => (
            <option key={key} value={key}>
              {text}
            </option>
          ))}
        </select>
      )}
    </Labelled>
  );
}
