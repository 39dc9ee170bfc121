import { mergeAttributes, Node, type Extensions } from '@tiptap/core';
import { Table, TableCell, TableHeader, TableRow } from '@tiptap/extension-table';
import { ListItem } from '@tiptap/extension-list';
import StarterKit from '@tiptap/starter-kit';
import { chipView, type ChipOptions } from './chip';

/** What stands in a text as one thing: picked and edited, never typed. */
function element(name: 'fact' | 'piece', attributes: readonly string[]) {
  return Node.create<ChipOptions>({
    name,
    group: 'inline',
    inline: true,
    atom: true,
    addOptions: () => ({ label: () => name, open: () => undefined, watch: () => () => undefined }),
    addAttributes: () => ({
      ...Object.fromEntries(attributes.map((key) => [key, { default: '' }])),
      fallback: { default: '', parseHTML: (from: HTMLElement) => from.textContent, rendered: false },
    }),
    parseHTML: () => [{ tag: `pl-${name}` }],
    renderHTML: ({ node, HTMLAttributes }) => [
      `pl-${name}`,
      mergeAttributes(Object.fromEntries(Object.entries(HTMLAttributes).filter(([, value]) => value !== ''))),
      String(node.attrs['fallback']),
    ],
    addNodeView() {
      return chipView(this.options);
    },
  });
}

export const FactElement = element('fact', ['product', 'fact', 'attribute', 'before', 'after']);
export const PieceElement = element('piece', ['name']);

/** How a column stands. */
const align = { align: { default: null, parseHTML: (from: HTMLElement) => from.getAttribute('align') } };

/** All that a text of the owner's may hold: what the shop's reader lets through, and nothing else. */
export const textExtensions = (elements: Extensions = [FactElement, PieceElement]): Extensions => [
  StarterKit.configure({
    codeBlock: false,
    underline: false,
    trailingNode: false,
    heading: { levels: [2, 3, 4] },
    link: { openOnClick: false, autolink: false, HTMLAttributes: { target: null, rel: null } },
    listItem: false,
  }),
  // The Tab key leaves the text: what it would do in lists and tables is done by other keys.
  ListItem.extend({
    addKeyboardShortcuts() {
      return {
        Enter: () => this.editor.commands.splitListItem(this.name),
        'Mod-]': () => this.editor.commands.sinkListItem(this.name),
        'Mod-[': () => this.editor.commands.liftListItem(this.name),
      };
    },
  }),
  Table.extend({ addKeyboardShortcuts: () => ({}) }).configure({ resizable: false }),
  TableRow,
  TableHeader.extend({ content: 'inline*', addAttributes: () => align }),
  TableCell.extend({ content: 'inline*', addAttributes: () => align }),
  ...elements,
];
