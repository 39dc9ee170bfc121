import { hydrate, render, type VNode } from 'preact';
import { createShadow } from './shadow';

export interface TakenOver<Given> {
  /** What the server drew from. */
  readonly given: Given;
  readonly inside: HTMLElement;
  /** Draws on what stands there. */
  draw(drawn: VNode): void;
  style(themeCss: string, viewCss: string, pieceCss: string): void;
}

/**
 * A part of the page that the server drew into a shadow root of its own. It is taken over by drawing the very same once
 * more, whatever the runtime has by then: only so does every later drawing change what has changed. null where the page
 * has no such part.
 */
export function takeOver<Given>(
  name: string,
  pieceId: string,
  drawSame: (given: Given) => VNode,
): TakenOver<Given> | null {
  const place = document.querySelector<HTMLElement>(`[data-pl-at=${name}]`);
  const inside = place?.shadowRoot?.querySelector<HTMLElement>('[data-inside]');
  if (!place || !inside) return null;
  const given = JSON.parse(place.querySelector('script')?.textContent ?? 'null') as Given;
  const shadow = createShadow(name, pieceId, place);
  hydrate(drawSame(given), inside);
  return {
    given,
    inside,
    draw: (drawn) => render(drawn, inside),
    style(themeCss, viewCss, pieceCss) {
      shadow.style(themeCss, viewCss, pieceCss);
      // The server's own style goes once the adopted one is there.
      shadow.root.querySelector('style')?.remove();
    },
  };
}
