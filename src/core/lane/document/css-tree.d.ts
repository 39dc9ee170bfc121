declare module 'css-tree/parser' {
  import type { parse } from 'css-tree';
  const parser: typeof parse;
  export default parser;
}
declare module 'css-tree/generator' {
  import type { generate } from 'css-tree';
  const generator: typeof generate;
  export default generator;
}
declare module 'css-tree/walker' {
  import type { CssNode, List, ListItem, WalkContext } from 'css-tree';
  type Enter = (this: WalkContext, node: CssNode, item: ListItem<CssNode>, list: List<CssNode> | null) => unknown;
  interface Walker {
    (ast: CssNode, visit: ((node: CssNode) => void) | { readonly enter: Enter }): void;
    readonly skip: symbol;
  }
  const walker: Walker;
  export default walker;
}
