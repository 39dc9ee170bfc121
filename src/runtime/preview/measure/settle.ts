import { allRoots } from './drawn-tree';

/** What is shown stands still when nothing has changed for as long, in ms. */
const STILL_MS = 60;
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

/** What is drawn, as a number that changes with it. */
function stateOf(): string {
  return allRoots()
    .map(
      (root) =>
        `${root.querySelectorAll('*').length} ${root.textContent?.length} ${root.querySelectorAll('[open]').length}`,
    )
    .join();
}

const isLoading = () =>
  asking > 0 ||
  allRoots().some((root) => [...root.querySelectorAll('img')].some((picture) => !picture.complete && isNear(picture)));

function isNear(picture: HTMLImageElement): boolean {
  const { top, bottom, width } = picture.getBoundingClientRect();
  return width > 0 && bottom > 0 && top < innerHeight;
}

/** Ends what moves, where it ends by itself. */
function endMotion(): void {
  for (const animation of allRoots().flatMap((root) => root.getAnimations()))
    if (animation.effect?.getComputedTiming().endTime !== Infinity) animation.finish();
}

/** Waits until what is shown is all there and stands still; false where it did not come to that in time. */
export async function settle(): Promise<boolean> {
  const until = Date.now() + MOST_MS;
  let last = stateOf();
  let stillSince = Date.now();
  await document.fonts.ready;
  while (Date.now() < until && Date.now() - stillSince < STILL_MS) {
    await new Promise((later) => setTimeout(later, TICK_MS));
    const now = stateOf();
    // What has come is drawn a moment later.
    if (now !== last || isLoading()) stillSince = Date.now();
    last = now;
  }
  endMotion();
  return Date.now() - stillSince >= STILL_MS;
}
