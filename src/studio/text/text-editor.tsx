import { generateHTML, generateJSON } from '@tiptap/core';
import { EditorContent, useEditor } from '@tiptap/react';
import { useEffect, useMemo, useRef, useState } from 'react';
import { namedIn, readFact, sayAsked, type AskedFact } from '~/core/facts';
import { ask } from '~/studio/data/api';
import { useDraft } from '~/studio/data/draft-store';
import { FactElement, PieceElement, textExtensions } from './extensions';
import { FactPicker } from './fact-picker';
import { htmlOfText, saysTheSame, textOfHtml } from './markdown';
import { PiecePicker } from './piece-picker';
import { TextTools } from './text-tools';

interface Props {
  readonly labelId: string;
  readonly describedBy: string;
  readonly value: string;
  readonly most: number;
  readonly dir: 'ltr' | 'rtl';
  readonly rows: number;
  /** Pieces that can stand in the text, by id; without it none can. */
  readonly pieces?: Readonly<Record<string, string>>;
  readonly onChange: (text: string) => void;
  /** The text holds what cannot be shown here. */
  readonly onUnfit: () => void;
}

type Attributes = Readonly<Record<string, string>>;
/** What is being picked, and what is done with it. */
interface Picking {
  readonly what: 'fact' | 'piece';
  readonly attributes: Attributes | null;
  readonly done: (attributes: Attributes) => void;
}

/** What is typed is written as Markdown a little later, and at once when the field is left. */
const WRITE_AFTER_MS = 200;

/** A text as it will look, with chips in place of facts and pieces. What it holds is Markdown, as the shop reads it. */
export default function TextEditor({ labelId, describedBy, value, most, dir, rows, pieces, onChange, onUnfit }: Props) {
  const [picking, setPicking] = useState<Picking | null>(null);
  const [over, setOver] = useState(0);
  const written = useRef<string | null>(null);
  const timer = useRef(0);
  const latest = useRef({ pieces, onChange, most });
  latest.current = { pieces, onChange, most };

  const extensions = useMemo(() => {
    const open = (what: Picking['what']) => (attributes: Attributes, done: (next: Attributes) => void) =>
      setPicking({ what, attributes, done });
    const watch = (told: () => void) => useDraft.subscribe(told);
    return textExtensions([
      FactElement.configure({ label: labelOfFact, open: open('fact'), watch }),
      PieceElement.configure({
        label: ({ name = '' }) => `Piece: ${latest.current.pieces?.[name] ?? name}`,
        open: open('piece'),
        watch,
      }),
    ]);
  }, []);

  const editor = useEditor({
    extensions,
    immediatelyRender: false,
    editorProps: {
      attributes: {
        class: 'text-editor field',
        dir,
        role: 'textbox',
        'aria-multiline': 'true',
        'aria-labelledby': labelId,
        'aria-describedby': describedBy,
        style: `min-height: ${rows * 21 + 12}px`,
      },
    },
    onUpdate: () => {
      clearTimeout(timer.current);
      timer.current = window.setTimeout(write, WRITE_AFTER_MS);
    },
    onBlur: write,
  });
  const current = useRef(editor);
  current.current = editor;

  function write(): void {
    clearTimeout(timer.current);
    timer.current = 0;
    const { current: now } = current;
    if (!now || now.isDestroyed || written.current === null) return;
    const text = textOfHtml(now.getHTML());
    setOver(Math.max(0, text.length - latest.current.most));
    if (text === written.current || text.length > latest.current.most) return;
    written.current = text;
    latest.current.onChange(text);
  }

  useEffect(() => () => void (timer.current && write()), []);

  // What is changed elsewhere, by undo for one, is shown here.
  useEffect(() => {
    if (!editor || value === written.current) return;
    let isStale = false;
    void htmlOfText(value).then((html) => {
      if (isStale) return;
      const shown = generateHTML(generateJSON(html, extensions), extensions);
      void htmlOfText(textOfHtml(shown)).then((back) => {
        if (isStale) return;
        if (!saysTheSame(html, back)) return onUnfit();
        editor.commands.setContent(shown, { emitUpdate: false });
        written.current = value;
      });
    });
    return () => {
      isStale = true;
    };
  }, [editor, value]);

  useEffect(() => {
    const { names, learn } = useDraft.getState();
    const unknown = namedIn(value).products.filter((slug) => !(slug in names.product));
    if (unknown.length === 0) return;
    const slug = unknown.slice(0, 100);
    // Without its name a product goes by its slug.
    void ask('GET /api/studio/products/names', { query: { slug } }).then(learn, () => undefined);
  }, [value]);

  if (!editor) return <div className="text-editor field" style={{ minHeight: rows * 21 + 12 }} />;

  const insert = (type: 'fact' | 'piece') => (attrs: Attributes) =>
    void editor.chain().focus().insertContent({ type, attrs }).run();
  const start = (what: Picking['what']) => setPicking({ what, attributes: null, done: insert(what) });
  const settle = (attributes: Attributes) => {
    picking?.done(attributes);
    setPicking(null);
    // Typing goes on behind it, once what asked for it has given the focus back.
    setTimeout(() => editor.commands.focus());
  };

  return (
    <div className="flex flex-col gap-1.5">
      <TextTools editor={editor} onFact={() => start('fact')} {...(pieces && { onPiece: () => start('piece') })} />
      <EditorContent editor={editor} />
      {over > 0 && (
        <p role="alert" className="text-brick">
          The text is {over} characters too long. What was added last is not kept until it is shorter.
        </p>
      )}
      {picking?.what === 'fact' && (
        <FactPicker
          {...(picking.attributes && { first: factOf(picking.attributes) })}
          onClose={() => setPicking(null)}
          onPick={(fact) => settle({ ...fact })}
        />
      )}
      {picking?.what === 'piece' && (
        <PiecePicker
          pieces={pieces ?? {}}
          first={picking.attributes?.['name'] ?? ''}
          onClose={() => setPicking(null)}
          onPick={(name) => settle({ name })}
        />
      )}
    </div>
  );
}

const factOf = (attributes: Attributes): AskedFact => ({
  product: '',
  fact: 'name',
  attribute: '',
  before: '',
  after: '',
  ...readFact(attributes, ''),
  fallback: attributes['fallback'] ?? '',
});

function labelOfFact(attributes: Attributes): string {
  const fact = factOf(attributes);
  const product = useDraft.getState().names.product[fact.product] ?? fact.product;
  return `${fact.before}${sayAsked(fact, product)}${fact.after}`;
}
