import { lazy, Suspense, useId, useState } from 'react';

const TextEditor = lazy(() => import('./text-editor'));

interface Props {
  readonly label: string;
  readonly help: string;
  /** Markdown. */
  readonly value: string;
  readonly most: number;
  readonly dir: 'ltr' | 'rtl';
  readonly rows?: number;
  /** Pieces that can stand in the text, by id; without it none can. */
  readonly pieces?: Readonly<Record<string, string>>;
  readonly onChange: (text: string) => void;
}

/** A text with paragraphs and marks, and what can be put into it: facts of products, and pieces. */
export function RichField({ label, help, value, most, dir, rows = 10, pieces, onChange }: Props) {
  const id = useId();
  const [isUnfit, setUnfit] = useState(false);
  const field = { labelId: `${id}-label`, describedBy: `${id}-help` };
  return (
    <div className="flex flex-col gap-1.5" data-row={label}>
      <span id={field.labelId} className="font-semibold">
        {label}
      </span>
      <p id={field.describedBy} className="help">
        {isUnfit ? 'Some marks in this text cannot be shown in the editor, so you see it as it was written.' : help}
      </p>
      {isUnfit ? (
        <textarea
          aria-labelledby={field.labelId}
          aria-describedby={field.describedBy}
          className="field w-full"
          rows={rows}
          dir={dir}
          value={value}
          maxLength={most}
          onChange={(event) => onChange(event.target.value)}
        />
      ) : (
        <Suspense fallback={<div className="text-editor field" style={{ minHeight: rows * 21 + 12 }} />}>
          <TextEditor
            {...field}
            value={value}
            most={most}
            dir={dir}
            rows={rows}
            onChange={onChange}
            {...(pieces && { pieces })}
            onUnfit={() => setUnfit(true)}
          />
        </Suspense>
      )}
    </div>
  );
}
