import { useRef, useState } from 'react';
import { writeFact, type AskedFact } from '~/core/facts';
import { Labelled } from '../shop/fields';
import { FactPicker } from './fact-picker';

interface Props {
  readonly label: string;
  readonly help: string;
  readonly value: string;
  readonly most: number;
  readonly dir: 'ltr' | 'rtl';
  readonly rows?: number;
  /** Pieces that can be put into the text, by id. */
  readonly pieces?: Readonly<Record<string, string>>;
  readonly onChange: (text: string) => void;
}

/** A text with paragraphs and marks, and what can be put into it: facts of products, and pieces. */
export function RichField({ label, help, value, most, dir, rows = 10, pieces = {}, onChange }: Props) {
  const field = useRef<HTMLTextAreaElement>(null);
  const [isPicking, setPicking] = useState(false);
  const insert = (snippet: string) => {
    const at = field.current?.selectionStart ?? value.length;
    const next = value.slice(0, at) + snippet + value.slice(field.current?.selectionEnd ?? at);
    if (next.length > most) return;
    onChange(next);
    // Typing goes on behind it, once what asked for it has given the focus back.
    setTimeout(() => {
      field.current?.focus();
      field.current?.setSelectionRange(at + snippet.length, at + snippet.length);
    });
  };
  return (
    <div className="flex flex-col gap-1.5">
      <Labelled label={label} help={help}>
        {(id, describedBy) => (
          <textarea
            ref={field}
            id={id}
            aria-describedby={describedBy}
            className="field w-full"
            rows={rows}
            dir={dir}
            maxLength={most}
            value={value}
            onChange={(event) => onChange(event.target.value)}
          />
        )}
      </Labelled>
      <div className="flex flex-wrap items-center gap-2">
        <button className="btn" onClick={() => setPicking(true)}>
          Insert a product fact …
        </button>
        {Object.entries(pieces).map(([pieceId, name]) => (
          <button
            key={pieceId}
            className="btn"
            onClick={() => insert(`\n\n<pl-piece name="${pieceId}"></pl-piece>\n\n`)}
          >
            Insert {name}
          </button>
        ))}
      </div>
      {isPicking && (
        <FactPicker
          onClose={() => setPicking(false)}
          onPick={(asked: AskedFact) => {
            insert(writeFact(asked));
            setPicking(false);
          }}
        />
      )}
    </div>
  );
}
