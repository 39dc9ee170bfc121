export type { CardsOfPage, RowsShape, WantedPage } from './listed';
export type { OrderRow } from './order-row';
export { PRODUCT_FILTERS, type ProductFilter } from './product-filters';
export { BEST_SELLING_DAYS } from './best-selling';
export type {
  Attribute,
  CardExtras,
  Category,
  Fulfilment,
  Picture,
  Product,
  ProductCard,
  Review,
  Variant,
} from './product';
export { firstChoices, isSoldOut, resolveVariant, valuesOf, type Choices } from './choose';
export {
  checkRecord,
  mergeRecords,
  productRecordSchema,
  recordChanges,
  type ProductRecord,
  type RecordChange,
  type VariantRecord,
} from './product-record';
export {
  facetsFrom,
  NOTHING_CHOSEN,
  partsOf,
  readChosen,
  withoutPart,
  type Chosen,
  type Facet,
  type FacetCount,
} from './facets';
export { measureOf } from './measure';
export { aboutOf } from './about-product';
export { compareProducts, namesIn, type ComparedRow } from './compare';
export { addAxis, missingCombinations, MOST_VARIANTS, withCombinations } from './combinations';
export { changedPrice, type BulkChange } from './bulk';
export { productJsonLd } from './structured-data';
export { uniqueSlug } from './unique-slug';
export type { BulkSummary } from './bulk';
export type { StoredReview } from './product';
export type { EditedCategory } from './product';
export type { ListedProduct } from './listed';
