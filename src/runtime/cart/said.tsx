/** @jsxImportSource preact */
import type { VNode } from 'preact';
import { useEffect, useRef } from 'preact/hooks';
import type { Desk } from './desk';

interface Props {
  readonly desk: Desk | null;
  readonly undo: string;
  /** The line that was taken out where this stands; without it, what belongs to no line is said. */
  readonly at?: number;
  /** No lines are left, so everything is said here. */
  readonly isEmpty?: boolean;
}

/** What came of the last change, read out, with the way back where there is one. */
export function SaidLine({ desk, undo, at, isEmpty = false }: Props): VNode {
  const said = desk?.said && (isEmpty || desk.said.at === at) ? desk.said : null;
  const back = useRef<HTMLButtonElement>(null);
  // What was pressed is gone with its line; the way back takes the focus.
  useEffect(() => {
    if (said?.at !== undefined) back.current?.focus({ preventScroll: true });
  }, [said]);
  return (
    <div class="said-place" role={said?.isBad ? 'alert' : 'status'}>
      {said && (
        <p class={`said${said.isBad ? ' bad' : ''}`}>
          <span>{said.text}</span>
          {said.undo && (
            <button ref={back} type="button" class="act" onClick={said.undo}>
              {undo}
            </button>
          )}
        </p>
      )}
    </div>
  );
}
