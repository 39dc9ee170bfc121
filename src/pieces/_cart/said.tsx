/** @jsxImportSource preact */
import type { VNode } from 'preact';
import { useEffect, useRef } from 'preact/hooks';
import type { CartController } from './cart-controller';

interface Props {
  readonly controller: CartController | null;
  readonly undo: string;
  /** The place among the lines where this stands; without it, it stands where no lines are left. */
  readonly at?: number;
}

/** What was done to a line, read out, with the way back. */
export function SaidLine({ controller, undo, at }: Props): VNode {
  const said = controller?.said && (at === undefined || controller.said.at === at) ? controller.said : null;
  const back = useRef<HTMLButtonElement>(null);
  // What was pressed is gone with its line; the way back takes the focus.
  useEffect(() => {
    back.current?.focus({ preventScroll: true });
  }, [said]);
  return (
    <div class="said-place" role="status">
      {said && (
        <p class="said">
          <span>{said.text}</span>
          <button ref={back} type="button" class="act" onClick={said.undo}>
            {undo}
          </button>
        </p>
      )}
    </div>
  );
}
