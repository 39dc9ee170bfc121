import { contrastRatio, type MeasuredMark } from '~/core/proof';
import { layered } from '~/core/proof/ground';
import { above, isInSight, squeezed } from './drawn-tree';
import { groundsOf } from './grounds';

const FIELDS = 'input:not([type=checkbox],[type=radio],[type=range],[type=file],[type=color]),select,textarea';
/** As far out the box may stand that is drawn around a field. */
const MOST_BOXES = 3;

/** What a control is known by where that is no text; null where it is one, and for what cannot be used now. */
export function markOf(control: HTMLElement): MeasuredMark | null {
  if (control.matches(':disabled,[aria-disabled=true]')) return null;
  return control.matches(FIELDS) ? edgeOf(control) : drawingOf(control);
}

/** The line or the ground by which a field stands out, of the boxes around it the one that shows it best. */
function edgeOf(control: HTMLElement): MeasuredMark | null {
  let box: Element | null = control;
  let best: MeasuredMark | null = null;
  for (let boxes = 0; box && boxes < MOST_BOXES; boxes += 1) {
    const parent: Element | null = above(box);
    const ground = (parent && groundsOf(parent)[0]) ?? '#ffffff';
    for (const colour of edgesOf(box, ground)) {
      const ratio = contrastRatio(colour, ground) ?? 1;
      if (!best || ratio > best.ratio) best = { what: 'edge', colour, ground, ratio };
    }
    box = parent;
  }
  return best;
}

function edgesOf(box: Element, ground: string): string[] {
  const style = getComputedStyle(box);
  const hasLine = style.borderBottomStyle !== 'none' && parseFloat(style.borderBottomWidth) > 0;
  return [layered([style.backgroundColor, ground]), ...(hasLine ? [layered([style.borderBottomColor, ground])] : [])];
}

/** The drawing on a button that says nothing else. */
function drawingOf(control: HTMLElement): MeasuredMark | null {
  if (squeezed(control.textContent) !== '') return null;
  const drawing = [...control.querySelectorAll('svg')].find(isInSight);
  if (!drawing) return null;
  const line = drawing.querySelector('path,circle,rect,line,polyline') ?? drawing;
  const { stroke, fill } = getComputedStyle(line);
  const drawn = stroke === 'none' ? fill : stroke;
  const ground = groundsOf(drawing)[0];
  if (drawn === 'none' || ground === undefined) return null;
  const colour = layered([drawn, ground]);
  return { what: 'drawing', colour, ground, ratio: contrastRatio(colour, ground) ?? 1 };
}
