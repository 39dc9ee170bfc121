/** @jsxImportSource preact */
import { render } from 'preact';
import type { LineView } from '~/core/cart';
import type { Product } from '~/core/catalogue';
import { formatMoney } from '~/core/money/currency';
import type { ManifestPiece } from '~/core/lane';
import type { Answers } from '~/core/options/answers';
import { fill } from '~/core/words/fill';
import headCss from '~/runtime/kit/dialog-head.css?inline';
import { createShadow } from '~/runtime/kit/shadow';
import type { MountedPiece, OpenAbout, PieceHost } from '~/runtime/piece-host';
import type { LineEditorPiece } from './definition';
import { Editor } from './editor';
import css from './view.css?inline';

interface Editing {
  readonly line: LineView;
  readonly about: OpenAbout;
  readonly isDialog: boolean;
}

/** Changes one line at a time, in the line or in a dialog. The line stays the same line. */
export function mount(initial: ManifestPiece, initialHost: PieceHost): MountedPiece {
  let piece = initial as LineEditorPiece;
  let host = initialHost;
  let editing: Editing | null = null;
  let product: Product | null | undefined;
  let refusal = '';
  const shadow = createShadow('pl-line-editor', piece.id);

  function draw(): void {
    shadow.style(host.themeCss, headCss + css, piece.css);
    if (!editing) return render(null, shadow.root);
    render(
      <Editor
        line={editing.line}
        product={product}
        piece={piece}
        host={host}
        isDialog={editing.isDialog}
        refusal={refusal}
        money={(amount) => formatMoney(amount, host.currency, host.locale)}
        onSave={(variantId, answers) => void save(variantId, answers)}
        onLeave={() => end(null)}
      />,
      shadow.root,
    );
  }

  function open(about: OpenAbout): void {
    const lines = host.cart.view?.lines ?? [];
    const line =
      lines.find(({ id }) => id === about.lineId) ??
      lines.find(({ answerTexts }) => answerTexts.length > 0) ??
      lines.find(({ isChangeable }) => isChangeable);
    if (!line) return;
    // A second press on the same link closes what the first opened.
    if (editing && editing.line.id === line.id && !editing.isDialog && !host.isPreview) return end(null);
    if (editing) end(null);
    const slot = about.slot ?? (host.isPreview ? slotOf(line.id) : null);
    const isDialog = piece.settings.form === 'dialog' || !slot;
    editing = { line, about, isDialog };
    refusal = '';
    product = host.products.known(line.slug);
    void host.products.fetch(line.slug).then((found) => {
      if (editing?.line !== line) return;
      product = found;
      draw();
    });
    host.recorder.record('piece-seen', { piece: piece.id });
    if (isDialog) host.page.layer(shadow.element);
    else slot!.append(shadow.element);
    draw();
    if (!isDialog) {
      shadow.element.scrollIntoView({ block: 'nearest' });
      shadow.root.querySelector<HTMLElement>('section')!.tabIndex = -1;
      if (!host.isPreview) shadow.root.querySelector<HTMLElement>('section')!.focus({ preventScroll: true });
      return;
    }
    host.surfaces.open({
      dialog: shadow.root.querySelector('dialog')!,
      address: null,
      opener: about.opener,
      onClose: () => end(null),
    });
  }

  /** In previews nobody pressed a link: the line is looked up in the page. */
  function slotOf(lineId: string): HTMLElement | null {
    for (const { shadowRoot } of document.querySelectorAll('[data-pl-at]')) {
      const slot = shadowRoot?.querySelector<HTMLElement>(`[data-line="${lineId}"] .editor`);
      if (slot) return slot;
    }
    return null;
  }

  async function save(variantId: number, answers: Answers): Promise<void> {
    if (!editing || host.isPreview) return;
    const { line } = editing;
    const answer = await host.cart.change({ kind: 'reshape', lineId: line.id, variantId, answers });
    if (!answer.ok) {
      refusal = answer.message;
      return draw();
    }
    const back = { kind: 'reshape', lineId: line.id, variantId: line.variantId, answers: line.answers } as const;
    end({ said: fill(piece.words.done, { name: line.name }), undo: () => void host.cart.change(back) });
  }

  function end(outcome: Parameters<NonNullable<OpenAbout['onDone']>>[0]): void {
    if (!editing) return;
    const { about, isDialog } = editing;
    editing = null;
    if (isDialog && host.surfaces.current?.dialog.getRootNode() === shadow.root) host.surfaces.close();
    draw();
    shadow.element.remove();
    about.onDone?.(outcome);
    if (about.opener instanceof HTMLElement && about.opener.isConnected) about.opener.focus({ preventScroll: true });
  }

  return {
    update(next, nextHost) {
      const before = piece.settings.form;
      piece = next as LineEditorPiece;
      host = nextHost;
      if (editing && before !== piece.settings.form) {
        const { about } = editing;
        end(null);
        open(about);
      } else draw();
    },
    open,
    destroy() {
      end(null);
      shadow.element.remove();
    },
  };
}
