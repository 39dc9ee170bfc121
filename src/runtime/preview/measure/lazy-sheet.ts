/** A sheet that is made when it is first asked for: where this is only imported there may be none. */
export function lazySheet(css: string): () => CSSStyleSheet {
  let sheet: CSSStyleSheet | undefined;
  return () => {
    if (!sheet) (sheet = new CSSStyleSheet()).replaceSync(css);
    return sheet;
  };
}
