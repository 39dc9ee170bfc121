/** @jsxImportSource preact */
import type { VNode } from 'preact';
import type { Desk } from './desk';

/** What came of the last change, read out, with the way back where there is one. */
export function SaidLine({ desk, undo }: { desk: Desk | null; undo: string }): VNode {
  const said = desk?.said ?? null;
  return (
    <div class="said-place" role={said?.isBad ? 'alert' : 'status'}>
      {said && (
        <p class={`said${said.isBad ? ' bad' : ''}`}>
          <span>{said.text}</span>
          {said.undo && (
            <button type="button" class="act" onClick={said.undo}>
              {undo}
            </button>
          )}
        </p>
      )}
    </div>
  );
}
