export { convertLane, convertSums } from './convert-currency';
export { compileManifest, compilePiece, themeCss } from './compile';
export {
  definePiece,
  type Moment,
  type Note,
  type PieceDefinition,
  type PieceKind,
  type Role,
  type StartingLayout,
} from './definition';
export { readCustomCss } from './custom-css';
export { dropChange } from './drop-change';
export { describeDifference, type LaneChange } from './difference';
export { FONTS, type Font } from './fonts';
export {
  LANE_VERSION,
  LEGAL_PAGES,
  type TextPage,
  THEME_COLOURS,
  type Lane,
  type LegalPage,
  type Piece,
  type Shop,
  type Theme,
  type ThemeColour,
} from './lane.schema';
export { firstLane, UNNAMED } from './first-lane';
export { LEGAL_NAMES } from './shop-difference';
export { LANGUAGES, localeOf, moveToCountry } from './places';
export type { CurrencyPlan, ZonePlan } from './ground-plans';
export { languageUse, type LanguageUse } from './language-use';
export { checkTheme, readThemeCss, THEME_LABELS } from './theme';
export { movedTo, movePage, pageSlug, textPage } from './text-pages';
export { legalText } from './legal';
export { netNote, taxNote } from './tax-note';
export { localeFor } from './locale-for';
export { groupPerItem, isFromOnePerOrder } from './per-item';
export type { Caution } from './not-real-yet';
export { lintLane, type CatalogueSlugs, type LintFinding } from './lint';
export type { Manifest, ManifestPiece, PieceOf } from './manifest';
export { comesTo, faintTexts, groundOf, textOf, type FaintText } from './faint-texts';
export type { MeasuredLook } from './preview-message';
export { moveInSpot, piecesOfSpot, whyNeverSeen, wordNeverSeen, type CategoryTexts } from './never-seen';
export { addPiece, canAdd, copyPiece, pieceName } from './many';
export { holdsOne, pageOfSpot, SPOTS, type Spot } from './spots';
export {
  MOST_SELECTED,
  SELECTION_ORDERS,
  SELECTION_SOURCES,
  selectionOf,
  selectionSchema,
  type Selection,
  type SelectionOrder,
  type SelectionSource,
} from './setting-types/selection';
export { NO_GOODS, type Goods } from './setting-types/goods';
export { COLUMN_ALIGNS, COLUMN_WIDTHS, USUAL_COLUMN, type Column, type Columns } from './setting-types/columns';
export { applyLayout, newPiece, resetPart } from './new-piece';
export { applySavedLayout, layoutOf, readSavedLayout, type SavedLayout } from './own-layout';
export { applyLanePatch, diffLanes, invertPatch, lanePatchSchema, patchesClash, type LanePatch } from './patch';
export { migrateLane } from './migrate-lane';
export { isPreviewMessage, type FromPreview, type ToPreview } from './preview-message';
export { readLane } from './read-lane';
export { renamedSentences, type RenamedSentence } from './renamed-sentences';
export { resolveColour, resolveLook, resolveWords } from './resolve';
export {
  choice,
  LOOK_PROPERTIES,
  columns,
  goods,
  offer,
  MOST_RICH,
  numeric,
  picture,
  place,
  selection,
  text,
  toggle,
  type LookProperty,
  type LookSlot,
  type NumberSetting,
  type PartSpec,
  type LookSpec,
  type LookState,
  type LookValue,
  type SettingSpec,
  type SettingsOf,
  type SettingValue,
  type Task,
} from './setting';
export { mentionedIn } from './mentions';
export { ownTaxRate } from './own-tax-rate';
export { namesIn, NO_NAMES, type Mentions, type NamedThing, type NameOf, type ShopNames } from './shop-names';
export {
  crossSetting,
  KEEP_SHOPPING,
  keepLeadsSetting,
  mainButtonLook,
  secondButtonLook,
  shopButtonLook,
} from './standard';
export { fixFinding, type Fix } from './fix-finding';
export { wordCssProblem, wordFinding, wordOfferFault } from './word-finding';
export type { CartPick, ProductPick, Situation } from './situation';
