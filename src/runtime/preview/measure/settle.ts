import { allRoots, chainOf } from './drawn-tree';

/**
 * What is shown stands still when nothing has changed for so many looks at it. Looks are counted, and not the time: while the
 * browser is busy nothing changes, and nothing arrives.
 */
const STILL_LOOKS = 4;
/** No longer is waited for it, in ms. */
const MOST_MS = 6000;
const TICK_MS = 20;

let asking = 0;

/** Counts what is being asked for from now on. */
export function watchRequests(): void {
  const { fetch: send } = window;
  window.fetch = (...request) => {
    asking += 1;
    const answer = send(...request);
    // It is there when all of it is, not when it begins.
    void answer
      .then((response) => response.clone().arrayBuffer())
      .catch(() => undefined)
      .finally(() => (asking -= 1));
    return answer;
  };
}

/** Waits until what is shown is all there and stands still; false where it did not come to that in time. */
export async function settle(): Promise<boolean> {
  const until = Date.now() + MOST_MS;
  let still = 0;
  let pictures: HTMLImageElement[] = [];
  const watcher = new MutationObserver(() => {
    still = 0;
    watch();
  });
  /** What has come may have brought roots and pictures. */
  function watch(): void {
    const roots = allRoots();
    pictures = roots.flatMap((root) => [...root.querySelectorAll('img')]);
    for (const root of roots)
      watcher.observe(root, { subtree: true, childList: true, characterData: true, attributes: true });
  }

  watch();
  await document.fonts.ready;
  while (Date.now() < until && still < STILL_LOOKS) {
    await new Promise((later) => setTimeout(later, TICK_MS));
    still += 1;
    // What has come is drawn a moment later.
    if (asking > 0 || pictures.some((picture) => !picture.complete && isNear(picture))) still = 0;
  }
  watcher.disconnect();
  endMotion();
  return still >= STILL_LOOKS;
}

/** Whether some of a picture is in the window. One at the far end of a strip is loaded when the strip is scrolled to it. */
function isNear(picture: HTMLImageElement): boolean {
  const isEdge = (element: Element) =>
    element !== document.body &&
    element !== document.documentElement &&
    getComputedStyle(element).overflow !== 'visible';
  const boxes = [picture, ...chainOf(picture).filter(isEdge)].map((element) => element.getBoundingClientRect());
  const left = Math.max(0, ...boxes.map((box) => box.left));
  const top = Math.max(0, ...boxes.map((box) => box.top));
  const right = Math.min(innerWidth, ...boxes.map((box) => box.right));
  const bottom = Math.min(innerHeight, ...boxes.map((box) => box.bottom));
  return right > left && bottom > top;
}

/** Ends what moves, where it ends by itself. */
function endMotion(): void {
  for (const animation of allRoots().flatMap((root) => root.getAnimations()))
    if (animation.effect?.getComputedTiming().endTime !== Infinity) animation.finish();
}
