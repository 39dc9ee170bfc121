import { snapPlace, writePlace } from '~/core/opener-position/opener-position';
import { directionOf } from '~/runtime/kit/shadow';
import type { CartOpenerPiece } from './definition';

/** A press that moves less is no drag, in px. */
const LEAST_PX = 4;

interface Dragged {
  readonly piece: CartOpenerPiece;
  readonly language: string;
  readonly onDrag: (isDragged: boolean) => void;
}

/** Moves the button with the pointer that pressed it, and tells the bench where it was dropped. */
export function dragOpener(element: HTMLElement, pressed: PointerEvent, { piece, language, onDrag }: Dragged): void {
  const start = element.getBoundingClientRect();
  let isDragged = false;
  element.setPointerCapture(pressed.pointerId);
  const move = (next: PointerEvent) => {
    const [x, y] = [next.clientX - pressed.clientX, next.clientY - pressed.clientY];
    if (!isDragged && Math.hypot(x, y) < LEAST_PX) return;
    isDragged = true;
    onDrag(true);
    // Never half outside.
    const { clientWidth } = document.documentElement;
    element.style.left = `${Math.max(0, Math.min(clientWidth - start.width, start.left + x))}px`;
    element.style.top = `${Math.max(0, Math.min(innerHeight - start.height, start.top + y))}px`;
  };
  const drop = () => {
    element.removeEventListener('pointermove', move);
    if (!isDragged) return;
    const box = element.getBoundingClientRect();
    const window = { width: document.documentElement.clientWidth, height: innerHeight };
    const isRightToLeft = directionOf(language) === 'rtl';
    const value = writePlace(snapPlace(box.left + box.width / 2, box.top + box.height / 2, window, isRightToLeft));
    const setting = window.width < 640 ? 'placePhone' : 'placeDesktop';
    dispatchEvent(new CustomEvent('pl-setting', { detail: { pieceId: piece.id, setting, value } }));
    // The press that ends a drag comes after it.
    setTimeout(() => onDrag(false));
  };
  element.addEventListener('pointermove', move);
  element.addEventListener('pointerup', drop, { once: true });
}
