export { openDatabase, type Database } from './database';
export { lockFolder, type FolderLock } from './lock-folder';
export { accountRepository } from './repositories/account-repository';
export { auditTrail } from './repositories/audit-trail';
export { cartRepository, NEW_CART, type StoredCart } from './repositories/cart-repository';
export type { ListingQuery, ListingSort } from './repositories/listing-query';
export type { StoredProduct } from './repositories/catalogue-editing';
export type { StudioQuery } from './repositories/catalogue-owner-list';
export { catalogueRepository } from './repositories/catalogue-repository';
export type { VariantFacts } from './repositories/catalogue-variants';
export { laneRepository, type RevisionSummary, type StoredDraft } from './repositories/lane-repository';
export { type OrderSummary } from './repositories/order-keeping';
export { orderRepository, type RelatedOrder } from './repositories/order-repository';
export { type Download } from './repositories/order-downloads';
export {
  visitRepository,
  type Excluded,
  type VisitEvent,
  type VisitFacts,
  type VisitQuery,
} from './repositories/visit-repository';
export { groundRepository } from './repositories/grounds';
export { foundPairs } from './repositories/found-pairs';
export { thanksBlocks, type BlockDay } from './repositories/thanks-blocks';
export { planRepository, type StoredPlan } from './repositories/plan-repository';
export { keptProofs, type StoredProof } from './repositories/kept-proofs';
export { savedLayouts, type StoredLayout } from './repositories/saved-layouts';
export { afterOrders, type OrderAddition } from './repositories/after-order';
export { elsewhere, type RefusedSite, type SeenElsewhere } from './repositories/elsewhere';
export { oneTimeCodes } from './repositories/one-time-codes';
export { lostSearches } from './repositories/lost-searches';
export { shownPriceRepository, type ShownChange, type ShownGood } from './repositories/shown-prices';
export { privacyRepository } from './repositories/privacy-repository';
export { uploadRepository, type Upload } from './repositories/upload-repository';
export { importRepository, type ImportedProduct, type KnownFacts } from './repositories/import-repository';
export { seedRepository, type SeededOrder, type SeededVisit } from './repositories/seed-repository';
