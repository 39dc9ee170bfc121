import type { PretendedMedia } from '~/core/lane/preview/situation';
import { allRoots } from './measure/drawn-tree';
import { rulesOf } from './measure/focus-shown';
import { lazySheet } from './measure/lazy-sheet';

const MARK = 'data-pl-forced';
/** What a browser does in forced colours (CSS Color Adjustment 1, 3.1), as far as rules can. */
const FORCED = lazySheet(
  `[${MARK}]{color:CanvasText!important;border-color:CanvasText!important;outline-color:CanvasText!important;box-shadow:none!important;text-shadow:none!important;background-image:none!important}` +
    `[${MARK}=ground]{background-color:Canvas!important}` +
    `a[${MARK}]{color:LinkText!important}button[${MARK}]{color:ButtonText!important;border-color:ButtonBorder!important}`,
);

/** What a rule asked for, where it has been answered otherwise. */
const askedBy = new WeakMap<CSSMediaRule, string>();
let pretended: PretendedMedia = 'usual';

/** Plays a shopper's wish for no motion, or for colours of their own, which no page can set. */
export function pretendMedia(media: PretendedMedia): void {
  if (media === 'usual' && pretended === 'usual') return;
  pretended = media;
  hold();
}

/** The same for what has been drawn since. */
export function holdMedia(): void {
  if (pretended !== 'usual') hold();
}

function hold(): void {
  const isForced = pretended === 'forced-colours';
  for (const root of allRoots()) {
    for (const sheet of [...root.styleSheets, ...root.adoptedStyleSheets]) answer(rulesOf(sheet));
    const others = root.adoptedStyleSheets.filter((sheet) => sheet !== FORCED());
    if (isForced !== others.length < root.adoptedStyleSheets.length)
      root.adoptedStyleSheets = isForced ? [...others, FORCED()] : others;
    for (const element of root.querySelectorAll<HTMLElement>(isForced ? `*:not([${MARK}])` : `[${MARK}]`))
      if (isForced) force(element);
      else element.removeAttribute(MARK);
  }
}

function force(element: HTMLElement): void {
  if (element instanceof SVGElement) return;
  const { forcedColorAdjust, backgroundColor } = getComputedStyle(element) as CSSStyleDeclaration & {
    forcedColorAdjust?: string;
  };
  if (forcedColorAdjust === 'none' || forcedColorAdjust === 'preserve-parent-color') return;
  element.setAttribute(MARK, backgroundColor === 'rgba(0, 0, 0, 0)' ? '' : 'ground');
}

function answer(rules: readonly CSSRule[]): void {
  for (const rule of rules) {
    if (rule instanceof CSSMediaRule) {
      const asked = askedBy.get(rule) ?? rule.media.mediaText;
      if (/prefers-reduced-motion|forced-colors/.test(asked)) {
        askedBy.set(rule, asked);
        const answered = answeredMedia(asked);
        if (rule.media.mediaText !== answered) rule.media.mediaText = answered;
      }
    }
    if (rule instanceof CSSGroupingRule) answer(rulesOf(rule));
  }
}

function answeredMedia(asked: string): string {
  const always = '(min-width: 0px)';
  const never = '(max-width: 0px)';
  if (pretended === 'calm')
    return asked
      .replace(/\(prefers-reduced-motion(: reduce)?\)/, always)
      .replace(/\(prefers-reduced-motion: no-preference\)/, never);
  if (pretended === 'forced-colours')
    return asked.replace(/\(forced-colors(: active)?\)/, always).replace(/\(forced-colors: none\)/, never);
  return asked;
}
