import { formatHex, parse as parseColour } from 'culori';
import { z } from 'zod';
import { parseJson } from '~/core/formats/parse-json';
import { fail, ok, type Result } from '~/core/problems';
import { FONTS, FONT_KEYS } from '../settings/fonts';
import { THEME_COLOURS, type Theme, type ThemeColour } from './lane.schema';
import { roleOf } from './theme';

/** What of a theme a file of tokens says. */
export interface ReadTokens {
  readonly theme: Partial<Theme>;
  /** Tokens that stand for nothing here, by their paths. */
  readonly leftOut: readonly string[];
}

const MOST_RADIUS_PX = 40;
const REM_PX = 16;

/** A theme as design tokens (Design Tokens Community Group at W3C, format module 2025.10). */
export function writeTokens({ radiusPx, font, ...colours }: Theme): string {
  const color = Object.fromEntries(
    Object.entries(colours).map(([key, hex]) => {
      const components = [1, 3, 5].map((at) => parseInt(hex.slice(at, at + 2), 16) / 255);
      return [key, { $value: { colorSpace: 'srgb', components, hex: hex.toLowerCase() } }];
    }),
  );
  const file = {
    color: { $type: 'color', ...color },
    radius: { $type: 'dimension', $value: { value: radiusPx, unit: 'px' } },
    font: { $type: 'fontFamily', $value: FONTS[font].css.split(',').map((name) => name.trim().replaceAll("'", '')) },
  };
  return `${JSON.stringify(file, null, 2)}\n`;
}

interface Token {
  readonly path: string;
  readonly type: string | undefined;
  readonly value: unknown;
}

/** Reads design tokens. Circles, aliases to nothing and colours nobody can read are refused with their place. */
export function readTokens(text: string): Result<ReadTokens> {
  const file = z.record(z.string(), z.unknown()).safeParse(parseJson(text));
  if (!file.success) return fail('file', 'tokens-unreadable');
  const tokens = new Map(tokensIn(file.data, '', undefined).map((token) => [token.path, token]));
  if (tokens.size === 0) return fail('file', 'tokens-unreadable');
  const theme: Partial<Theme> = {};
  const leftOut: string[] = [];
  for (const token of tokens.values()) {
    const resolved = followed(token, tokens);
    if (!resolved.ok) return resolved;
    const taken = take({ ...resolved.value, path: token.path, type: token.type ?? resolved.value.type }, theme);
    if (!taken.ok) return taken;
    if (!taken.value) leftOut.push(token.path);
  }
  return ok({ theme, leftOut });
}

/** Every token of a group, with the type it has or takes from its group. */
function tokensIn(group: Readonly<Record<string, unknown>>, path: string, type: string | undefined): Token[] {
  const own = typeof group['$type'] === 'string' ? group['$type'] : type;
  if ('$value' in group) return [{ path, type: own, value: group['$value'] }];
  return Object.entries(group).flatMap(([name, inner]) =>
    name.startsWith('$') || typeof inner !== 'object' || inner === null || Array.isArray(inner)
      ? []
      : tokensIn(inner as Record<string, unknown>, path === '' ? name : `${path}.${name}`, own),
  );
}

/** What an alias stands for in the end. */
function followed(token: Token, tokens: ReadonlyMap<string, Token>): Result<Token> {
  const passed = new Set<string>();
  let at = token;
  for (;;) {
    const alias = typeof at.value === 'string' ? /^\{([^{}]+)\}$/.exec(at.value)?.[1] : undefined;
    if (alias === undefined) return ok(at);
    if (passed.has(at.path)) return fail(token.path, 'tokens-circle', { place: token.path });
    passed.add(at.path);
    const next = tokens.get(alias);
    if (!next) return fail(token.path, 'tokens-nowhere', { place: token.path, name: alias });
    at = { ...next, type: next.type ?? at.type };
  }
}

const colourValue = z.union([
  z.string(),
  z.object({ hex: z.string() }).transform(({ hex }) => hex),
  z
    .object({ colorSpace: z.string(), components: z.array(z.number()).length(3) })
    .transform(({ colorSpace, components }) => `color(${colorSpace} ${components.join(' ')})`),
]);
const dimensionValue = z.union([
  z.object({ value: z.number(), unit: z.enum(['px', 'rem']) }),
  z
    .string()
    .regex(/^\d+(\.\d+)?(px|rem)$/)
    .transform((text) => ({
      value: parseFloat(text),
      unit: text.endsWith('rem') ? ('rem' as const) : ('px' as const),
    })),
]);

/** Puts a token into a theme, the first of each kind; false where it stands for nothing of it. */
function take({ path, type, value }: Token, theme: Partial<Theme>): Result<boolean> {
  const name = path.split('.').at(-1)!;
  if (type === 'color') {
    const written = colourValue.safeParse(value);
    const colour = written.success ? parseColour(written.data) : undefined;
    if (!colour) return fail(path, 'tokens-colour', { place: path });
    const isOurs = (THEME_COLOURS as readonly string[]).includes(name);
    const role = isOurs ? (name as ThemeColour) : roleOf(path.toLowerCase().replaceAll('.', '-'));
    if (role === undefined || (theme[role] !== undefined && !isOurs)) return ok(false);
    theme[role] = formatHex(colour);
    return ok(true);
  }
  if (type === 'dimension' && /radius|round|corner/i.test(path)) {
    const size = dimensionValue.safeParse(value);
    if (!size.success || theme.radiusPx !== undefined) return ok(false);
    const px = size.data.value * (size.data.unit === 'rem' ? REM_PX : 1);
    theme.radiusPx = Math.min(MOST_RADIUS_PX, Math.max(0, Math.round(px)));
    return ok(true);
  }
  if (type === 'fontFamily') {
    const [family = ''] = [value].flat().map(String);
    const font = FONT_KEYS.find((key) => isCalled(FONTS[key], family));
    if (!font || theme.font !== undefined) return ok(false);
    theme.font = font;
    return ok(true);
  }
  return ok(false);
}

const bare = (name: string) => name.trim().replaceAll("'", '').toLowerCase();
/** Whether a family is one of our fonts, by its own name or ours. */
const isCalled = ({ css, label }: { readonly css: string; readonly label: string }, family: string): boolean =>
  [css.split(',')[0]!, label].map(bare).includes(bare(family));
