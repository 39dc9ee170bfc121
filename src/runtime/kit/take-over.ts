import { createShadow, type Shadow } from './shadow';

export interface TakenOver extends Shadow {
  /** Where to draw. */
  readonly inside: HTMLElement;
}

/**
 * An element of the page that the server has drawn into a shadow root of its own, to be drawn on by the runtime; made anew
 * where the page has none. The server's style goes once the adopted one is there.
 */
export function takeOver(name: string, pieceId: string): TakenOver | null {
  const place = document.querySelector<HTMLElement>(`[data-pl-at=${name}]`);
  if (!place) return null;
  const existing = place.shadowRoot;
  const shadow = createShadow(name, pieceId, place);
  let inside = existing?.querySelector<HTMLElement>('[data-inside]') ?? null;
  if (!inside) {
    inside = document.createElement('div');
    inside.dataset['inside'] = '';
    shadow.root.append(inside);
  }
  return {
    ...shadow,
    inside,
    style(themeCss, viewCss, pieceCss) {
      shadow.style(themeCss, viewCss, pieceCss);
      shadow.root.querySelector('style')?.remove();
    },
  };
}
