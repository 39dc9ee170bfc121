export {
  PRODUCT_FIELDS,
  readProduct,
  type FoundBy,
  type FoundProduct,
  type ProductField,
  type Selectors,
} from './read-product';
