import type { MeasuredShift, MeasuredSum } from '~/core/proof';
import { allRoots, boxOf, isInSight, placeOf, squeezed } from './drawn-tree';
import { rulesOf } from './focus-shown';

const CONTROLS = 'a[href],button,input:not([type=hidden]),select,textarea,summary';
const MOVING = /(^|[\s-])(transform|translate|scale|rotate|inset|left|right|top|bottom|margin|width|height)/;

/** What jumps when a picture comes: what stands elsewhere as long as pictures have no size of their own. The farthest only. */
export function measureShifts(roots: readonly ParentNode[]): MeasuredShift[] {
  const pictures = roots.flatMap((root) => [...root.querySelectorAll('img')]).filter(isInSight);
  const controls = roots.flatMap((root) => [...root.querySelectorAll<HTMLElement>(CONTROLS)]).filter(isInSight);
  if (pictures.length === 0) return [];
  const places = () => controls.map((control) => control.getBoundingClientRect());
  const after = places();
  const own = pictures.map(({ style }) => style.contain);
  for (const { style } of pictures) style.contain = 'size';
  const before = places();
  for (const [i, { style }] of pictures.entries()) style.contain = own[i]!;
  const [farthest] = controls
    .map((control, i): MeasuredShift => {
      const [to, from] = [after[i]!, before[i]!];
      const byPx = Math.hypot(to.x - from.x, to.y - from.y);
      return { at: placeOf(control, squeezed(control.ariaLabel ?? control.textContent)), box: boxOf(to), byPx };
    })
    .sort((a, b) => b.byPx - a.byPx);
  return farthest ? [farthest] : [];
}

/** Every sum on the page that is told in more than one place. */
export function measureSums(): MeasuredSum[] {
  return allRoots()
    .flatMap((root) => [...root.querySelectorAll<HTMLElement>('[data-pl-sum]')])
    .filter(isInSight)
    .map((element) => {
      const text = squeezed(element.textContent);
      const box = boxOf(element.getBoundingClientRect());
      return { at: placeOf(element, text), box, of: element.dataset['plSum']!, text };
    });
}

/** What moves by itself, or is set to. */
export function measureMoving(roots: readonly ParentNode[]): Pick<MeasuredShift, 'at' | 'box'>[] {
  const frames = keyframes();
  return roots
    .flatMap((root) => [...root.querySelectorAll<HTMLElement>('*')])
    .filter((element) => isMoving(getComputedStyle(element), frames) && isInSight(element))
    .map((element) => ({
      at: placeOf(element, squeezed(element.textContent)),
      box: boxOf(element.getBoundingClientRect()),
    }));
}

function isMoving(style: CSSStyleDeclaration, frames: ReadonlySet<string>): boolean {
  const seconds = (durations: string) => Math.max(...durations.split(',').map((one) => parseFloat(one) || 0));
  const isAnimated = style.animationName.split(',').some((name) => frames.has(name.trim()));
  if (isAnimated && seconds(style.animationDuration) > 0) return true;
  return MOVING.test(style.transitionProperty) && seconds(style.transitionDuration) > 0;
}

/** Names of the animations that move something, and do not only fade it. */
function keyframes(): Set<string> {
  const found = new Set<string>();
  const look = (rules: readonly CSSRule[]) => {
    for (const rule of rules) {
      if (rule instanceof CSSGroupingRule) look(rulesOf(rule));
      if (!(rule instanceof CSSKeyframesRule)) continue;
      const steps = [...rule.cssRules] as CSSKeyframeRule[];
      if (steps.some(({ style }) => [...style].some((property) => MOVING.test(property)))) found.add(rule.name);
    }
  };
  for (const root of allRoots())
    for (const sheet of [...root.styleSheets, ...root.adoptedStyleSheets]) look(rulesOf(sheet));
  return found;
}
