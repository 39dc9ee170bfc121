import type { Editor } from '@tiptap/core';
import { useEditorState } from '@tiptap/react';
import Bold from 'lucide-react/icons/bold';
import Heading from 'lucide-react/icons/heading';
import Italic from 'lucide-react/icons/italic';
import Link from 'lucide-react/icons/link';
import List from 'lucide-react/icons/list';
import ListOrdered from 'lucide-react/icons/list-ordered';
import TableIcon from 'lucide-react/icons/table';
import { useState, type ReactNode } from 'react';
import { LinkDialog } from './link-dialog';

interface Props {
  readonly editor: Editor;
  readonly onFact: () => void;
  readonly onPiece?: () => void;
}

/** Marks for what is selected, and what can be put into the text. */
export function TextTools({ editor, onFact, onPiece }: Props) {
  const [isLinking, setLinking] = useState(false);
  const state = useEditorState({
    editor,
    selector: ({ editor: now }) => ({
      bold: now.isActive('bold'),
      italic: now.isActive('italic'),
      heading: now.isActive('heading'),
      bullets: now.isActive('bulletList'),
      numbers: now.isActive('orderedList'),
      link: now.isActive('link'),
      table: now.isActive('table'),
    }),
  });
  const run = () => editor.chain().focus();
  const marks: [string, ReactNode, boolean, () => void][] = [
    ['Bold', <Bold size={16} />, state.bold, () => run().toggleBold().run()],
    ['Italic', <Italic size={16} />, state.italic, () => run().toggleItalic().run()],
    ['Heading', <Heading size={16} />, state.heading, () => run().toggleHeading({ level: 2 }).run()],
    ['List', <List size={16} />, state.bullets, () => run().toggleBulletList().run()],
    ['Numbered list', <ListOrdered size={16} />, state.numbers, () => run().toggleOrderedList().run()],
    ['Link', <Link size={16} />, state.link, () => setLinking(true)],
  ];
  const inTable: [string, () => void][] = [
    ['Add row', () => run().addRowAfter().run()],
    ['Add column', () => run().addColumnAfter().run()],
    ['Remove row', () => run().deleteRow().run()],
    ['Remove column', () => run().deleteColumn().run()],
    ['Remove table', () => run().deleteTable().run()],
  ];
  return (
    <div className="flex flex-wrap items-center gap-1" role="group" aria-label="Marks and inserts">
      {marks.map(([label, icon, isOn, press]) => (
        <button key={label} className="btn px-2" aria-label={label} title={label} aria-pressed={isOn} onClick={press}>
          {icon}
        </button>
      ))}
      <button
        className="btn px-2"
        aria-label="Table"
        title="Table"
        disabled={state.table}
        onClick={() => run().insertTable({ rows: 3, cols: 2, withHeaderRow: true }).run()}
      >
        <TableIcon size={16} />
      </button>
      <button className="btn" onClick={onFact}>
        Insert a product fact …
      </button>
      {onPiece && (
        <button className="btn" onClick={onPiece}>
          Insert a piece …
        </button>
      )}
      {state.table &&
        inTable.map(([label, press]) => (
          <button key={label} className="btn" onClick={press}>
            {label}
          </button>
        ))}
      {isLinking && (
        <LinkDialog
          first={String(editor.getAttributes('link')['href'] ?? '')}
          onClose={() => setLinking(false)}
          onSet={(href) => {
            setLinking(false);
            const chain = run().extendMarkRange('link');
            if (href === '') chain.unsetLink().run();
            else if (editor.state.selection.empty && !state.link)
              chain.insertContent({ type: 'text', text: href, marks: [{ type: 'link', attrs: { href } }] }).run();
            else chain.setLink({ href }).run();
          }}
        />
      )}
    </div>
  );
}
