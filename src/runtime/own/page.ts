import type { ManifestPiece } from '~/core/lane';

/** Whether the page is one of the shop's own. What stands in this folder has its like in `elsewhere`, for pages of other sites. */
export const IS_OWN = true;

export { ownPage as pageOf } from '../host-page';

/** The pieces that come into question: on pages of the shop all do. */
export const piecesFor = (pieces: readonly ManifestPiece[]): readonly ManifestPiece[] => pieces;

/** What must be there before anything is drawn: nothing, on pages of the shop. */
export const beforeDrawing: () => Promise<unknown> = () => Promise.resolve();
