import { contrastRatio } from '~/core/proof';
import { layered } from '~/core/proof/ground';
import { allRoots } from './drawn-tree';
import { groundsOf } from './grounds';
import { lazySheet } from './lazy-sheet';

/** Stands for the focus, without taking it from whoever is typing in the bench. */
const MARK = 'data-pl-focused';
const FOCUS = /:focus(-visible)?(?![-\w])/g;
/** What a browser draws by itself where no rule says otherwise: in a layer, every other rule goes before it. */
const USUAL = lazySheet(`@layer pl-proof{[${MARK}]{outline:2px solid CanvasText}}`);

/** Lets every rule for what is in focus hold for what is marked, too. */
export function prepareFocus(): void {
  for (const root of allRoots()) {
    if (!root.adoptedStyleSheets.includes(USUAL())) root.adoptedStyleSheets.push(USUAL());
    for (const sheet of [...root.styleSheets, ...root.adoptedStyleSheets]) widen(rulesOf(sheet));
  }
}

/** None of a sheet from elsewhere, which keeps its rules to itself. */
export function rulesOf(sheet: CSSStyleSheet | CSSGroupingRule): CSSRule[] {
  try {
    return [...sheet.cssRules];
  } catch {
    return [];
  }
}

function widen(rules: readonly CSSRule[]): void {
  for (const rule of rules) {
    if (rule instanceof CSSGroupingRule) widen(rulesOf(rule));
    if (!(rule instanceof CSSStyleRule) || rule.selectorText.includes(MARK)) continue;
    const widened = rule.selectorText.replace(FOCUS, (focus) => `:is(${focus},[${MARK}])`);
    if (widened !== rule.selectorText) rule.selectorText = widened;
  }
}

/** How well it is seen that a control is in focus: 1 is not at all, 21 the most. */
export function focusRatio(control: HTMLElement): number {
  const outside = groundsOf(control.parentElement ?? control)[0] ?? '#ffffff';
  const before = lookOf(control, outside);
  control.setAttribute(MARK, '');
  const after = lookOf(control, outside);
  control.removeAttribute(MARK);
  const ratio = (a: string, b: string) => contrastRatio(a, b) ?? 1;
  return Math.max(
    1,
    after.outline && after.outline !== before.outline ? ratio(after.outline, outside) : 1,
    after.shadow && after.shadow !== before.shadow ? ratio(after.shadow, outside) : 1,
    ratio(after.ground, before.ground),
    after.border && before.border ? ratio(after.border, before.border) : 1,
    // A line that was not there, or a thicker one.
    after.border && after.lines !== before.lines ? ratio(after.border, after.ground) : 1,
  );
}

interface Look {
  readonly outline: string | null;
  readonly shadow: string | null;
  readonly border: string | null;
  readonly ground: string;
  readonly lines: string;
}

function lookOf(control: HTMLElement, outside: string): Look {
  const style = getComputedStyle(control);
  const hasOutline = style.outlineStyle !== 'none' && parseFloat(style.outlineWidth) > 0;
  const shadow = /rgba?\([^)]*\)/.exec(style.boxShadow)?.[0];
  const hasBorder = style.borderBottomStyle !== 'none' && parseFloat(style.borderBottomWidth) > 0;
  return {
    outline: hasOutline ? layered([style.outlineColor, outside]) : null,
    shadow: shadow ? layered([shadow, outside]) : null,
    border: hasBorder ? layered([style.borderBottomColor, outside]) : null,
    ground: groundsOf(control)[0] ?? outside,
    lines: `${style.borderBottomWidth} ${style.textDecorationLine}`,
  };
}
