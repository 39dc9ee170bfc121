export { convertLane, convertSums } from './grounds/convert-currency';
export { compileManifest, compilePiece, themeCss } from './preview/compile';
export {
  definePiece,
  type Moment,
  type Note,
  type PieceDefinition,
  type PieceKind,
  type Role,
  type StartingLayout,
} from './settings/definition';
export { readCustomCss } from './document/custom-css';
export { laneTexts, writeLaneText, type LaneText, type TextState } from './texts/lane-texts';
export { dropChange } from './difference/drop-change';
export { changeKey, leaveOut } from './difference/leave-out';
export { describeDifference } from './difference/difference';
export type { LaneChange } from './difference/lane-change';
export { FONTS, type Font } from './settings/fonts';
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
} from './document/lane.schema';
export { firstLane, UNNAMED } from './document/first-lane';
export { LEGAL_NAMES } from './difference/shop-difference';
export { LANGUAGES, localeOf, moveToCountry } from './grounds/places';
export type { CurrencyPlan, ZonePlan } from './grounds/ground-plans';
export { languageUse, type LanguageUse } from './findings/language-use';
export { checkTheme, readThemeCss, THEME_LABELS } from './document/theme';
export { movedTo, movePage, pageSlug, textPage } from './document/text-pages';
export { legalText } from './document/legal';
export { netNote, taxNote } from './preview/tax-note';
export { localeFor } from './grounds/locale-for';
export { groupPerItem, isFromOnePerOrder } from './document/per-item';
export type { Caution } from './findings/not-real-yet';
export { lintLane, type CatalogueSlugs, type LintFinding } from './findings/lint';
export type { Manifest, ManifestPiece, PieceOf } from './preview/manifest';
export { comesTo, faintTexts, groundOf, textOf, type FaintText } from './findings/faint-texts';
export type { MeasuredLook } from './preview/preview-message';
export { moveInSpot, piecesOfSpot, whyNeverSeen, wordNeverSeen, type CategoryTexts } from './findings/never-seen';
export { sightOf, wordSight, type LookedAt, type Sight } from './findings/sight';
export { addPiece, canAdd, copyPiece, pieceName } from './document/many';
export { holdsOne, pageOfSpot, SPOTS, type Spot } from './settings/spots';
export {
  MOST_SELECTED,
  SELECTION_ORDERS,
  SELECTION_SOURCES,
  selectionOf,
  selectionSchema,
  type Selection,
  type SelectionOrder,
  type SelectionSource,
} from './settings/types/selection';
export { NO_GOODS, type Goods } from './settings/types/goods';
export { COLUMN_ALIGNS, COLUMN_WIDTHS, USUAL_COLUMN, type Column, type Columns } from './settings/types/columns';
export { applyLayout, newPiece, resetPart } from './document/new-piece';
export { applySavedLayout, layoutOf, readSavedLayout, type SavedLayout } from './document/own-layout';
export {
  applyLanePatch,
  diffLanes,
  invertPatch,
  lanePatchSchema,
  patchesClash,
  type LanePatch,
} from './document/patch';
export { migrateLane } from './document/migrate-lane';
export { isPreviewMessage, type FromPreview, type SituationMessage, type ToPreview } from './preview/preview-message';
export { readLane } from './document/read-lane';
export { anyLaneSchema } from './document/lane.schema';
export { renamedSentences, type RenamedSentence } from './preview/renamed-sentences';
export { resolveColour, resolveLook, resolveWords } from './document/resolve';
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
} from './settings/setting';
export { mentionedIn } from './difference/mentions';
export { ownTaxRate } from './document/own-tax-rate';
export { namesIn, NO_NAMES, type Mentions, type NamedThing, type NameOf, type ShopNames } from './settings/shop-names';
export {
  crossSetting,
  KEEP_SHOPPING,
  keepLeadsSetting,
  mainButtonLook,
  secondButtonLook,
  shopButtonLook,
} from './settings/standard';
export { fixFinding, type Fix } from './findings/fix-finding';
export { mendsFor, type Mend } from './proof/mends';
export { proofSituations } from './proof/proof-situations';
export { slotUses } from './proof/slot-uses';
export { wordProofProblem } from './proof/word-problem';
export { wordCssProblem, wordFinding, wordOfferFault } from './findings/word-finding';
export { CART_PICKS, type CartPick, type PretendedMedia, type ProductPick, type Situation } from './preview/situation';
