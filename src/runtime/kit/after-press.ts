/** Longest a press is waited for; a pointer can leave the window without a word. */
const MOST_MS = 1200;
/** From lifting a finger to its click, at most. */
const CLICK_MS = 120;

const waiting = new Set<() => void>();
let isPressed = false;
let timer: ReturnType<typeof setTimeout> | undefined;
let last: Element | null = null;

function release(): void {
  clearTimeout(timer);
  isPressed = false;
  const now = [...waiting];
  waiting.clear();
  for (const draw of now) draw();
}

function releaseIn(ms: number): void {
  clearTimeout(timer);
  timer = setTimeout(release, ms);
}

/** Listens to presses of the page. A press counts where the button was when it began: what is drawn meanwhile waits. */
export function watchPresses(): void {
  const on = (type: string, heard: (event: Event) => void) =>
    addEventListener(type, heard, { capture: true, passive: true });
  on('pointerdown', () => {
    isPressed = true;
    releaseIn(MOST_MS);
  });
  on('pointerup', () => isPressed && releaseIn(CLICK_MS));
  on('click', (event) => {
    last = event.composedPath()[0] as Element;
    if (isPressed) releaseIn(0);
  });
  on('pointercancel', release);
}

/** What was pressed last, with a finger, a mouse or a key. */
export const pressed = (): Element | null => last;

/** Draws now, or once the press under way is over. The same function waits once. */
export function afterPress(draw: () => void): void {
  if (isPressed) waiting.add(draw);
  else draw();
}
