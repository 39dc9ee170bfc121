import type { RefObject } from 'react';

/** The shop is played in as many frames at once. */
const FRAMES = [0, 1];

/** The frames that pieces are drawn in, under what covers them: what is out of the window is not drawn, and cannot be measured. */
export function ShopFrames({ frames }: { readonly frames: RefObject<(HTMLIFrameElement | null)[]> }) {
  return (
    <>
      <div aria-hidden className="pointer-events-none absolute inset-0 -z-20 overflow-hidden">
        {FRAMES.map((i) => (
          <iframe
            key={i}
            tabIndex={-1}
            title="The shop while it is proved"
            ref={(frame) => void (frames.current[i] = frame)}
            className="absolute inset-0 border-0"
          />
        ))}
      </div>
      <div className="absolute inset-0 -z-10 bg-slab" />
    </>
  );
}
