import { h, render } from 'preact';
import { fill } from '~/core/words/fill';
import type { ManifestPiece } from '~/core/lane';
import type { MountedPiece, PieceHost } from '~/runtime/piece-host';
import type { BuntingPiece } from './definition';
import { Bunting } from './drawing';

/** On a page of the shop the server has drawn it; elsewhere it hangs itself up. */
export function mount(initial: ManifestPiece, host: PieceHost): MountedPiece {
  let piece = initial as BuntingPiece;
  const drawn = document.querySelector<HTMLElement>(`[data-pl-piece="${piece.id}"]`);
  const root = drawn ?? document.createElement('section');
  if (!drawn) {
    host.page.layer(root);
    render(h(Bunting, { piece }), root);
  }
  const button = root.querySelector<HTMLElement>('[data-count]')!;
  const count = () => {
    const flags = root.querySelectorAll('[data-slot=flag]').length;
    root.querySelector('output')!.textContent = fill(piece.words.counted, { count: flags });
  };
  button.hidden = false;
  button.addEventListener('click', count);
  return {
    update: (next) => void (piece = next as BuntingPiece),
    destroy: () => button.removeEventListener('click', count),
  };
}
