/** What every shadow root of a piece begins with; the server writes the same. */
export const BASE_CSS = `:host{all:initial}*,::before,::after{box-sizing:border-box}:focus-visible{outline:3px solid var(--pl-accent);outline-offset:2px}button{font:inherit;cursor:pointer}@media(forced-colors:active){dialog,section,button,.box,.main-button,.second{border:1px solid}}`;

export interface Shadow {
  readonly element: HTMLElement;
  readonly root: ShadowRoot;
  /** Theme, the view's own rules, and what the owner set, in that order. */
  style(themeCss: string, viewCss: string, pieceCss: string): void;
}

/** An element whose inside the host page's styles cannot reach. Sheets are adopted: a strict policy does not block them. */
export function createShadow(name: string, pieceId: string, element = document.createElement(name)): Shadow {
  element.dataset['plPiece'] = pieceId;
  const root = element.shadowRoot ?? element.attachShadow({ mode: 'open' });
  const sheet = new CSSStyleSheet();
  let last = '';
  root.adoptedStyleSheets = [sheet];
  return {
    element,
    root,
    style(themeCss, viewCss, pieceCss) {
      const css = BASE_CSS + themeCss + viewCss + pieceCss;
      if (css !== last) sheet.replaceSync((last = css));
    },
  };
}

export { directionOf } from '~/core/words/fill';
