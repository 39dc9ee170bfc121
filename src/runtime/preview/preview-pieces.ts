/** Every element a piece is drawn in, those inside other pieces among them. */
export function pieceElements(root: Document | ShadowRoot): HTMLElement[] {
  return [...root.querySelectorAll<HTMLElement>('[data-pl-piece],[data-pl-at]')].flatMap((element) => [
    element,
    ...(element.shadowRoot ? pieceElements(element.shadowRoot) : []),
  ]);
}

/** The id of the piece an element belongs to. */
export function ownerOf(element: HTMLElement): string {
  const own = element.closest<HTMLElement>('[data-pl-piece]');
  const { host } = element.getRootNode() as ShadowRoot;
  return (own ?? (host as HTMLElement | undefined))?.dataset['plPiece'] ?? '';
}
