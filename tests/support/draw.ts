import { JSDOM } from 'jsdom';
import { h, type FunctionComponent } from 'preact';
import { renderToString } from 'preact-render-to-string';
import { compileManifest, newPiece, type ManifestPiece } from '~/core/lane';
import { currencyOf, formatMoney } from '~/core/money';
import { definitions, definitionOf } from '~/pieces/definitions';
import { liveDemoLane } from '../../demo/lane';

export const money = (amount: number) => formatMoney(amount, currencyOf('EUR'), 'en-IE');

/** A piece as a shopper's browser gets it, with every part on and these settings. */
export function pieceOf<Piece extends ManifestPiece>(kind: string, settings: object = {}, language = 'en'): Piece {
  const it = newPiece(definitionOf(kind)!, true);
  for (const part of it.parts) part.on = true;
  Object.assign(it.settings, settings);
  const lane = { ...liveDemoLane(), pieces: { it } };
  return compileManifest(lane, definitions, 1, language).pieces.find((piece) => piece.id === 'it') as Piece;
}

export interface Drawn {
  readonly html: string;
  readonly text: string;
  one(selector: string): Element;
  all(selector: string): Element[];
  texts(selector: string): string[];
}

/** Draws a component as the server does, to be looked at. */
export function draw<Props extends object>(component: FunctionComponent<Props>, props: NoInfer<Props>): Drawn {
  const html = renderToString(h(component, props as Props & { key?: string }));
  const { body } = new JSDOM(html).window.document;
  const all = (selector: string) => [...body.querySelectorAll(selector)];
  const clean = (text: string | null) => (text ?? '').replace(/\s+/g, ' ').trim();
  return {
    html,
    text: clean(body.textContent),
    all,
    one(selector) {
      const found = all(selector);
      if (found.length !== 1) throw new Error(`${found.length} of ${selector} in ${html}`);
      return found[0]!;
    },
    texts: (selector) => all(selector).map((element) => clean(element.textContent)),
  };
}
