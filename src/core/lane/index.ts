export { compileManifest, themeCss } from './compile';
export { definePiece, type Moment, type Note, type PieceDefinition, type StartingLayout } from './definition';
export { readCustomCss } from './custom-css';
export { describeDifference, type LaneChange } from './difference';
export type { Lane, Piece, Shop, Theme, ThemeColour } from './lane.schema';
export { localeFor } from './locale-for';
export { lintLane, type CatalogueSlugs, type LintFinding } from './lint';
export type { Manifest, ManifestPiece, PieceOf } from './manifest';
export { applyLayout, newPiece, resetPart } from './new-piece';
export { applyLanePatch, diffLanes, invertPatch, lanePatchSchema, patchesClash, type LanePatch } from './patch';
export { isPreviewMessage, type FromPreview, type ToPreview } from './preview-message';
export { readLane } from './read-lane';
export { resolveColour, resolveLook, resolveWords } from './resolve';
export {
  choice,
  LOOK_PROPERTIES,
  numeric,
  picture,
  place,
  toggle,
  type LookProperty,
  type LookSlot,
  type LookState,
  type LookValue,
  type SettingSpec,
  type WordSpec,
  type SettingsOf,
  type SettingValue,
  type Task,
} from './setting';
export { resolveShopWords, sayIn, SHOP_WORDS, type SayShop, type ShopWord, type ShopWords } from './shop-words';
export { mainButtonLook, say } from './standard';
export { fixFinding, type Fix } from './fix-finding';
export { wordCssProblem, wordFinding } from './word-finding';
export type { CartPick, ProductPick, Situation } from './situation';
