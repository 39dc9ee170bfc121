import { ownerOf } from './preview-pieces';

/** What an owner typed over a word of a piece. */
export type EditedWord = (pieceId: string, word: string, text: string) => void;

/** Turns the word of a piece that was pressed twice into a field until Enter, Esc or leaving. */
export function editWord(event: Event, onEdited: EditedWord): void {
  const word = event
    .composedPath()
    .find((target): target is HTMLElement => target instanceof HTMLElement && target.dataset['word'] !== undefined);
  if (!word) return;
  const before = word.textContent?.trim() ?? '';
  const field = fieldOver(word, before);
  let hasEnded = false;
  const end = (keep: boolean) => {
    // A field that is taken away loses the focus, which ends it once more.
    if (hasEnded) return;
    hasEnded = true;
    const text = field.value.trim();
    field.remove();
    if (keep && text && text !== before) onEdited(ownerOf(word), word.dataset['word']!, text);
  };
  field.addEventListener('keydown', (key) => {
    key.stopPropagation();
    if (key.key !== 'Enter' && key.key !== 'Escape') return;
    key.preventDefault();
    end(key.key === 'Enter');
  });
  field.addEventListener('blur', () => end(true));
}

function fieldOver(word: HTMLElement, text: string): HTMLInputElement {
  const box = word.getBoundingClientRect();
  const field = document.createElement('input');
  field.value = text;
  field.style.cssText = `position:fixed;left:${box.left}px;top:${box.top}px;width:${Math.max(box.width, 120)}px;height:${box.height}px;font:inherit;z-index:9;outline:2px solid #f0b429;border:0;padding:0 4px`;
  // Laid over the word, in the surface itself: a modal surface lets nothing outside of it be typed in.
  (word.closest('dialog') ?? document.body).append(field);
  field.focus();
  field.select();
  return field;
}
