export { feedGoods } from './feed-goods';
export { goodsRows, type FoundGoods, type LeftOut } from './found-goods';
export { devicesElsewhere } from './on-page';
export { pageGoods } from './page-goods';
export {
  PRODUCT_FIELDS,
  readProduct,
  type FoundBy,
  type FoundProduct,
  type ProductField,
  type Selectors,
} from './read-product';
