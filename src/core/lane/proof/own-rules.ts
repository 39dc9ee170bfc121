import type { CssNode, WalkContext } from 'css-tree';
import walk from 'css-tree/walker';
import { parseRules } from '../document/custom-css';

export interface OwnRule {
  /** 1 is the first line. */
  readonly line: number;
  readonly text: string;
  /** As it is written, such as `font-size`. */
  readonly property: string;
  /** What its rule is for: its selector. */
  readonly selector: string;
  /** The style rules without it. */
  readonly without: string;
}

/** Each declaration of an owner's style rules, and the rules without it. */
export function ownRules(css: string): OwnRule[] {
  const found: OwnRule[] = [];
  walk(parseRules(css), function (this: WalkContext, node: CssNode) {
    if (node.type !== 'Declaration' || !node.loc) return;
    const prelude = this.rule?.prelude.loc;
    const { start, end } = node.loc;
    // Its semicolon goes with it.
    const after = /^\s*;/.exec(css.slice(end.offset))?.[0].length ?? 0;
    found.push({
      line: start.line,
      property: node.property.toLowerCase(),
      selector: prelude ? css.slice(prelude.start.offset, prelude.end.offset) : '',
      text: css.slice(start.offset, end.offset).trim(),
      without: css.slice(0, start.offset) + css.slice(end.offset + after),
    });
  });
  return found;
}
