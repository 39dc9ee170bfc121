import { formatHex, parse as parseColour } from 'culori';
import generate from 'css-tree/generator';
import walk from 'css-tree/walker';
import { contrastRatio, LEAST_CONTRAST, nearestPassing } from '~/core/proof';
import { MOST_CSS, parseRules } from './custom-css';
import type { Theme, ThemeColour } from './lane.schema';

/** The colours of a theme by what they are for. */
export const THEME_LABELS: Readonly<Record<ThemeColour, string>> = {
  ink: 'Main text',
  muted: 'Quiet text',
  paper: 'Page',
  panel: 'Card',
  line: 'Border',
  accent: 'Accent',
  accentStrong: 'Dark accent',
  onAccent: 'Text on accent',
  sale: 'Reduced prices',
};

/** Which colours are read on which. */
const READ_ON: readonly (readonly [text: ThemeColour, ground: ThemeColour])[] = [
  ['ink', 'paper'],
  ['ink', 'panel'],
  ['muted', 'paper'],
  ['muted', 'panel'],
  ['onAccent', 'accent'],
  ['onAccent', 'accentStrong'],
  ['sale', 'panel'],
];
export interface ThemeContrast {
  readonly text: ThemeColour;
  readonly ground: ThemeColour;
  /** WCAG 2.2, 1 to 21. */
  readonly ratio: number;
  readonly passes: boolean;
  /** The nearest colour for the text that passes; null where it passes, or none does. */
  readonly fix: string | null;
}

/** How well the texts of a shop can be read in its colours. */
export function checkTheme(theme: Theme): ThemeContrast[] {
  return READ_ON.map(([text, ground]) => {
    const ratio = contrastRatio(theme[text], theme[ground]) ?? 1;
    const passes = ratio >= LEAST_CONTRAST;
    return {
      text,
      ground,
      ratio,
      passes,
      fix: passes ? null : nearestPassing(theme[text], theme[ground], LEAST_CONTRAST),
    };
  });
}

/** How the roles are called in other people's style sheets, likeliest first; each name is given to one role. */
const NAMED: readonly (readonly [ThemeColour, RegExp])[] = [
  ['onAccent', /^on-?(accent|primary|brand)|(accent|primary|brand|button)-?(text|fg|foreground|contrast)$/],
  ['accentStrong', /(accent|primary|brand)-?(strong|dark|hover|active|\d*[7-9]00)/],
  ['accent', /^(color-)?(accent|primary|brand)/],
  ['sale', /sale|discount|danger|error|red/],
  ['line', /border|line|divider|outline|rule/],
  ['muted', /muted|secondary|subtle|grey|gray/],
  ['panel', /card|panel|surface|box|popover/],
  ['paper', /^(color-)?(bg|background|page|paper|body|base)/],
  ['ink', /^(color-)?(text|fg|foreground|ink|body-text|content|font)/],
];

/** What a name from another style sheet stands for here; undefined: nothing of ours. */
export const roleOf = (name: string): ThemeColour | undefined => NAMED.find(([, pattern]) => pattern.test(name))?.[0];

/**
 * Finds a theme in pasted style rules: custom properties (`--accent: #1c4e5f`) whose names say what they are for. What is not
 * found is left out.
 */
export function readThemeCss(css: string): Partial<Record<ThemeColour, string>> & { radiusPx?: number } {
  const found: Partial<Record<ThemeColour, string>> & { radiusPx?: number } = {};
  walk(parseRules(css.slice(0, MOST_CSS)), (node) => {
    if (node.type !== 'Declaration' || !node.property.startsWith('--')) return;
    const name = node.property.slice(2).toLowerCase();
    const value = generate(node.value).trim();
    const px = /^(\d+(?:\.\d+)?)(px|rem)$/.exec(value);
    if (/radius|rounded/.test(name) && px)
      found.radiusPx ??= Math.min(40, Math.round(Number(px[1]) * (px[2] === 'rem' ? 16 : 1)));
    const colour = parseColour(value);
    if (!colour) return;
    const role = roleOf(name);
    if (role) found[role] ??= formatHex(colour);
  });
  return found;
}
