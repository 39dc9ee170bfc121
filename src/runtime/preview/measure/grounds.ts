import { layered } from '~/core/proof/ground';
import { above, chainOf } from './drawn-tree';

/** Colours sampled of a picture across and down. */
const SAMPLES = 8;
const COLOUR = /rgba?\([^)]*\)|#[0-9a-f]{3,8}\b/gi;

/** What lies behind an element, the nearest first: colours, and the first picture or gradient before an opaque one. */
export function groundsOf(element: Element): string[] {
  const above: string[] = [];
  for (const at of chainOf(element)) {
    const { backgroundColor, backgroundImage } = getComputedStyle(at);
    // A gradient shows every colour in it, somewhere.
    const colours = backgroundImage.startsWith('url') ? [] : (backgroundImage.match(COLOUR) ?? []);
    if (colours.length > 0) return colours.map((colour) => layered([...above, colour]));
    above.push(backgroundColor);
    if (isOpaque(backgroundColor)) break;
    const picture = pictureBehind(at, element);
    if (picture) return picture.map((colour) => layered([...above, colour]));
  }
  return [layered(above)];
}

const isOpaque = (colour: string) => !colour.startsWith('rgba') && colour !== 'transparent' && !colour.includes('/');

/** Colours of the part of a picture that lies behind an element; null where none does. */
function pictureBehind(at: Element, element: Element): string[] | null {
  const root = at.getRootNode() as Document | ShadowRoot;
  const box = element.getBoundingClientRect();
  const stack = root.elementsFromPoint(box.x + box.width / 2, box.y + box.height / 2);
  const [under] = stack.slice(stack.indexOf(at) + 1);
  return stack.includes(at) && under instanceof HTMLImageElement && above(under) !== at ? sample(under, box) : null;
}

function sample(picture: HTMLImageElement, box: DOMRectReadOnly): string[] | null {
  const frame = picture.getBoundingClientRect();
  const canvas = new OffscreenCanvas(SAMPLES, SAMPLES);
  const context = canvas.getContext('2d', { willReadFrequently: true });
  if (!context || !picture.complete || picture.naturalWidth === 0) return null;
  const [across, down] = [picture.naturalWidth / frame.width, picture.naturalHeight / frame.height];
  try {
    context.drawImage(
      picture,
      (box.x - frame.x) * across,
      (box.y - frame.y) * down,
      box.width * across,
      box.height * down,
      0,
      0,
      SAMPLES,
      SAMPLES,
    );
    const { data } = context.getImageData(0, 0, SAMPLES, SAMPLES);
    return Array.from({ length: SAMPLES * SAMPLES }, (_, i) => `rgb(${data.slice(i * 4, i * 4 + 3).join(',')})`);
  } catch {
    // A picture from elsewhere keeps its colours to itself.
    return null;
  }
}

/** How much of an element can be seen through: 1 is not at all. */
export function opacityOf(element: Element): number {
  return chainOf(element).reduce((product, at) => product * Number(getComputedStyle(at).opacity), 1);
}
