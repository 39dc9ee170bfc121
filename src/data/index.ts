export { openDatabase, type Database } from './database';
export { lockFolder, type FolderLock } from './lock-folder';
export { accountRepository, type Account, type Role } from './repositories/account-repository';
export { cartRepository, NEW_CART, type StoredCart } from './repositories/cart-repository';
export type { ListingQuery, ListingSort } from './repositories/catalogue-listings';
export { catalogueRepository, type VariantFacts } from './repositories/catalogue-repository';
export { laneRepository, type RevisionSummary, type StoredDraft } from './repositories/lane-repository';
export { orderRepository, type Download } from './repositories/order-repository';
export {
  visitRepository,
  type Excluded,
  type VisitEvent,
  type VisitFacts,
  type VisitQuery,
} from './repositories/visit-repository';
export { privacyRepository } from './repositories/privacy-repository';
export { uploadRepository, type Upload } from './repositories/upload-repository';
export { importRepository, type ImportedProduct, type ImportRecord } from './repositories/import-repository';
export { seedRepository, type SeededOrder, type SeededVisit } from './repositories/seed-repository';
