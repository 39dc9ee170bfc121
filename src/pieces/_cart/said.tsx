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

/** What was done to a line, read out, with a button that undoes it. */
export function SaidLine({ controller, undo, at }: Props): VNode {
  const said = controller?.said && (at === undefined || controller.said.at === at) ? controller.said : null;
  const back = useRef<HTMLButtonElement>(null);
  // The pressed button went with its line: the undo button takes the focus.
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
