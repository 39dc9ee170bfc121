import type { NodeViewRenderer } from '@tiptap/core';

type Attributes = Readonly<Record<string, string>>;

export interface ChipOptions {
  /** What it says in the text: what it is, with the words around it. */
  label: (attributes: Attributes) => string;
  /** Lets the owner change it; `change` puts other values in its place. */
  open: (attributes: Attributes, change: (next: Attributes) => void) => void;
  /** Calls back when what labels are made of may have changed, until the answer is called. */
  watch: (told: () => void) => () => void;
}

/** Draws one thing in a text as a chip: a press edits it, its cross takes it out. */
export const chipView =
  ({ label, open, watch }: ChipOptions): NodeViewRenderer =>
  ({ node: first, editor, getPos }) => {
    let node = first;
    const dom = document.createElement('span');
    dom.className = 'text-chip';
    const edit = button('', () =>
      open(node.attrs, (next) => {
        const at = getPos();
        if (at !== undefined) editor.view.dispatch(editor.state.tr.setNodeMarkup(at, null, next, node.marks));
      }),
    );
    const remove = button('×', () => {
      const at = getPos();
      if (at !== undefined)
        editor
          .chain()
          .focus()
          .deleteRange({ from: at, to: at + node.nodeSize })
          .run();
    });
    dom.append(edit, remove);
    const draw = () => {
      const said = label(node.attrs);
      edit.textContent = said;
      edit.setAttribute('aria-label', `Change: ${said}`);
      remove.setAttribute('aria-label', `Take out: ${said}`);
    };
    draw();
    const stop = watch(draw);
    return {
      dom,
      update(next) {
        if (next.type !== node.type) return false;
        node = next;
        draw();
        return true;
      },
      // Presses on its buttons are not for the text.
      stopEvent: (event) => !event.type.startsWith('drag'),
      ignoreMutation: () => true,
      destroy: stop,
    };
  };

function button(text: string, press: () => void): HTMLButtonElement {
  const made = document.createElement('button');
  made.type = 'button';
  made.className = 'plain';
  made.textContent = text;
  made.addEventListener('click', press);
  return made;
}
