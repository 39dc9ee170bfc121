import type { CssLocation, CssNode, WalkContext } from 'css-tree';
import generate from 'css-tree/generator';
import parse from 'css-tree/parser';
import walk from 'css-tree/walker';

export type CssProblemCode = 'syntax' | 'at-rule' | 'outside' | 'runs' | 'reaches-out';

/** What is wrong with a piece's own style rules, and where; both count from 1. */
export interface CssProblem {
  readonly code: CssProblemCode;
  readonly line: number;
  readonly column: number;
  /** The offending text, cut short. */
  readonly text: string;
}

export interface CustomCss {
  /** What can be read and is allowed, written anew: it can hold nothing that ends a style sheet or a rule early. */
  readonly css: string;
  readonly problems: readonly CssProblem[];
}

/** Rules that stay within a sheet and a piece. */
const AT_RULES = ['media', 'supports', 'container', 'keyframes', '-webkit-keyframes', 'layer', 'starting-style'];
/** Properties that run something, in browsers of any age. */
const RUNS = ['behavior', '-moz-binding'];
/** Functions whose strings are addresses. */
const ADDRESS_FUNCTIONS = ['image-set', '-webkit-image-set', 'image', 'src', 'cross-fade'];

/** Longest text of style rules of a piece, in characters. */
export const MOST_CSS = 20_000;
/**
 * The parser keeps its buffers from text to text and, where brackets are out of balance, looks at the place just after the
 * end, which an earlier text may have filled: it then never ends. Texts made equally long leave that place empty.
 * Line breaks end a string that was left open, also after a backslash.
 */
const PADDED = MOST_CSS + 4;

/** The one way style rules are parsed: all texts, at most `MOST_CSS` long, made equally long. */
export function parseRules(text: string): CssNode {
  return parse(`${text}\n\n`.padEnd(PADDED), { positions: true, parseCustomProperty: true });
}

const NONE: CustomCss = { css: '', problems: [] };
const read = new Map<string, CustomCss>();
const MOST_READ = 50;

/** Reads an owner's style rules. The same text is read once: a draft is compiled with every change. */
export function readCustomCss(text: string): CustomCss {
  if (text.trim() === '') return NONE;
  let found = read.get(text);
  if (!found) {
    if (read.size >= MOST_READ) read.clear();
    read.set(text, (found = parseCustomCss(text)));
  }
  return found;
}

function parseCustomCss(text: string): CustomCss {
  if (text.length > MOST_CSS)
    return { css: '', problems: [{ code: 'syntax', line: 1, column: 1, text: `${text.slice(0, 40)} …` }] };
  const problems: CssProblem[] = [];
  const cut = (part: string) => part.replace(/\s+/g, ' ').trim().slice(0, 40);
  const complain = (code: CssProblemCode, loc: CssLocation | null | undefined) =>
    problems.push({
      code,
      line: loc?.start.line ?? 1,
      column: loc?.start.column ?? 1,
      text: cut(loc ? text.slice(loc.start.offset, Math.min(loc.end.offset, loc.start.offset + 80)) : text),
    });
  try {
    const sheet = parseRules(text);
    walk(sheet, {
      enter(node, item, list) {
        const code = faultOf(node, this);
        if (!code && node.type !== 'Comment') return undefined;
        // One semicolon too many is untidy, not wrong; and shoppers need no comments.
        if (code && (node.type !== 'Raw' || !/^[;\s]*$/.test(node.value))) complain(code, node.loc);
        list?.remove(item);
        return walk.skip;
      },
    });
    dropWhole(sheet, problems);
    return { css: generate(sheet), problems };
  } catch (error) {
    // Brackets nested so deep that reading them takes all of the stack.
    if (!(error instanceof RangeError)) throw error;
    return { css: '', problems: [{ code: 'syntax', line: 1, column: 1, text: cut(text) }] };
  }
}

/** What keeps a part of a sheet out. Whatever the parser could not read it leaves raw. */
function faultOf(node: CssNode, within: Pick<WalkContext, 'function'>): CssProblemCode | null {
  switch (node.type) {
    case 'Raw':
    case 'CDO':
    case 'CDC':
      return 'syntax';
    case 'Atrule':
      return AT_RULES.includes(node.name.toLowerCase()) ? null : 'at-rule';
    case 'Declaration':
      return RUNS.includes(node.property.toLowerCase()) ? 'runs' : null;
    case 'Function':
      return node.name.toLowerCase() === 'expression' ? 'runs' : null;
    case 'Url':
      return isOwnAddress(node.value) ? null : 'outside';
    case 'String': {
      const { function: around } = within;
      const isAddress = around?.type === 'Function' && ADDRESS_FUNCTIONS.includes(around.name.toLowerCase());
      return isAddress && !isOwnAddress(node.value) ? 'outside' : null;
    }
    // `body:has(&)` would name the page around the piece.
    case 'PseudoClassSelector': {
      let reaches = false;
      if (node.name.toLowerCase() === 'has') walk(node, (inner) => void (reaches ||= inner.type === 'NestingSelector'));
      return reaches ? 'reaches-out' : null;
    }
    default:
      return null;
  }
}

/** A picture of the shop, one within the rules, or a part of the same page. */
function isOwnAddress(address: string): boolean {
  return /^(#|\/media\/[\w./-]*$|data:image\/(png|jpe?g|gif|webp|avif|svg\+xml)[;,])/i.test(address.trim());
}

/** Half a selector or value would mean something else: a faulty rule or declaration is left out whole. */
function dropWhole(sheet: CssNode, problems: readonly CssProblem[]): void {
  const isAtFault = (node: CssNode) =>
    node.loc !== null &&
    node.loc !== undefined &&
    problems.some(({ line, column }) => {
      const { start, end } = node.loc!;
      const isAfter = line > start.line || (line === start.line && column >= start.column);
      return isAfter && (line < end.line || (line === end.line && column < end.column));
    });
  walk(sheet, {
    enter(node, item, list) {
      const isWhole = node.type === 'Declaration' || (node.type === 'Rule' && isAtFault(node.prelude));
      const isEmptyAt = node.type === 'Atrule' && node.prelude !== null && isAtFault(node.prelude);
      if (!((isWhole && (node.type === 'Rule' || isAtFault(node))) || isEmptyAt)) return undefined;
      list?.remove(item);
      return walk.skip;
    },
  });
}
