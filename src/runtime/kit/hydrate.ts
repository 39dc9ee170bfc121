import { hydrate, render, type VNode } from 'preact';

type Field = HTMLInputElement & Partial<Pick<HTMLSelectElement, 'options'>>;

/** Puts back, once and with what follows from it, what was typed into the server's drawing while the script was on its way. */
function keepTyped(inside: HTMLElement): () => void {
  const typed = [...inside.querySelectorAll<Field>('input:not([type=hidden]), textarea, select')].flatMap((field) => {
    const { value, checked } = field;
    const first = field.options && [...field.options].find((option) => option.defaultSelected);
    const isOther = first ? value !== first.value : !field.options && value !== field.defaultValue;
    return isOther || checked !== field.defaultChecked ? [{ field, value, checked }] : [];
  });
  return () => {
    for (const { field, value, checked } of typed.splice(0)) {
      Object.assign(field, { value, ...(checked !== undefined && { checked }) });
      // A radio that is not chosen any more says nothing: the one that is does.
      if (field.type !== 'radio' || checked) field.dispatchEvent(new Event('change', { bubbles: true }));
    }
  };
}

export interface TakenOver<Given> {
  /** What the server drew from. */
  readonly given: Given;
  readonly inside: HTMLElement;
  /** Draws on what stands there. */
  draw(drawn: VNode): void;
  /** What the owner set; the view's own rules came with the drawing. */
  style(themeCss: string, pieceCss: string): void;
}

/**
 * A part of the page that the server drew into a shadow root of its own. It is taken over by drawing the very same once
 * more, whatever the runtime has by then: only so does every later drawing change what has changed. null where the page
 * has no such part.
 */
export function hydrateDrawn<Given>(
  name: string,
  pieceId: string,
  drawSame: (given: Given) => VNode,
): TakenOver<Given> | null {
  const place = document.querySelector<HTMLElement>(`[data-pl-at=${name}]`);
  const inside = place?.shadowRoot?.querySelector<HTMLElement>('[data-inside]');
  if (!place || !inside) return null;
  const given = JSON.parse(place.querySelector('script')?.textContent ?? 'null') as Given;
  place.dataset['plPiece'] = pieceId;
  const root = place.shadowRoot!;
  const sheet = new CSSStyleSheet();
  let last = '';
  root.adoptedStyleSheets = [sheet];
  const putBack = keepTyped(inside);
  hydrate(drawSame(given), inside);
  return {
    given,
    inside,
    draw(drawn) {
      render(drawn, inside);
      putBack();
    },
    style(themeCss, pieceCss) {
      const css = themeCss + pieceCss;
      if (css !== last) sheet.replaceSync((last = css));
      root.querySelector('style + style')?.remove();
    },
  };
}
