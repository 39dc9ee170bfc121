import { SaxesParser } from 'saxes';

/** Enough for a detailed logo; cleaning time grows with these. */
export const MOST_DRAWING_BYTES = 1024 * 1024;
export const MOST_ELEMENTS = 5000;
const MOST_DEPTH = 64;
const MOST_ATTRIBUTES = 64;

export type DrawingCheck = 'fine' | 'not-a-drawing' | 'broken' | 'too-large';

class Enough extends Error {
  constructor(readonly found: DrawingCheck) {
    super(found);
  }
}

/**
 * Reads a text once, as XML, and says whether it is an SVG of a size that can be cleaned. In time linear in its length: nothing
 * is built, and reading stops at the first limit passed. Custom entities are refused: a few lines of them can
 * expand to gigabytes.
 */
export function checkDrawing(text: string): DrawingCheck {
  if (!/^\s*</.test(text.slice(0, 400).replace(/^\ufeff/, ''))) return 'not-a-drawing';
  if (text.length > MOST_DRAWING_BYTES) return 'too-large';
  const parser = new SaxesParser();
  let [depth, elements, attributes] = [0, 0, 0];
  const stop = (found: DrawingCheck): never => {
    throw new Enough(found);
  };
  parser.on('error', () => stop(elements === 0 ? 'not-a-drawing' : 'broken'));
  parser.on('doctype', (doctype) => void (doctype.includes('[') && stop('broken')));
  parser.on('opentagstart', ({ name }) => {
    if (elements === 0 && !/^(svg:)?svg$/.test(name)) stop('not-a-drawing');
    attributes = 0;
    elements += 1;
    depth += 1;
    if (elements > MOST_ELEMENTS || depth > MOST_DEPTH) stop('too-large');
  });
  parser.on('attribute', () => {
    attributes += 1;
    if (attributes > MOST_ATTRIBUTES) stop('too-large');
  });
  parser.on('closetag', () => {
    depth -= 1;
  });
  try {
    parser.write(text).close();
  } catch (error) {
    if (error instanceof Enough) return error.found;
    throw error;
  }
  return elements === 0 ? 'not-a-drawing' : 'fine';
}
