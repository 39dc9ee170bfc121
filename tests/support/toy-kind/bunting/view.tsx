import { fill } from '~/core/words/fill';
import type { ManifestPiece } from '~/core/lane';
import type { MountedPiece } from '~/runtime/piece-host';
import type { BuntingPiece } from './definition';

export function mount(initial: ManifestPiece): MountedPiece {
  let piece = initial as BuntingPiece;
  const root = document.querySelector(`[data-pl-piece="${piece.id}"]`);
  const button = root?.querySelector<HTMLElement>('[data-count]');
  const count = () => {
    const flags = root!.querySelectorAll('[data-slot=flag]').length;
    root!.querySelector('output')!.textContent = fill(piece.words.counted, { count: flags });
  };
  if (button) button.hidden = false;
  button?.addEventListener('click', count);
  return {
    update: (next) => void (piece = next as BuntingPiece),
    destroy: () => button?.removeEventListener('click', count),
  };
}
