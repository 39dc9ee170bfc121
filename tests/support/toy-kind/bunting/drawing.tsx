/** @jsxImportSource preact */
import type { VNode } from 'preact';
import type { BuntingPiece } from './definition';

export function Bunting({ piece }: { piece: BuntingPiece }): VNode {
  return (
    <div class="bunting" data-shape={piece.settings.shape}>
      {piece.parts.map(({ key }) => (
        <hr key={key} data-part={key} />
      ))}
      {Array.from({ length: piece.settings.flags }, (_, i) => (
        <span key={i} data-slot="flag">
          ▾
        </span>
      ))}
      <button type="button" data-count data-word="press" hidden>
        {piece.words.press}
      </button>
      <output />
    </div>
  );
}
