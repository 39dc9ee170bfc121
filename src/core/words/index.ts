export {
  CALLED_CART,
  CART_KINDS,
  cartRename,
  type CartKind,
  type CartNaming,
  type Gender,
  type Rename,
} from './cart-noun';
export { directionOf, fill } from './fill';
export {
  resolveShopWords,
  sayIn,
  SHOP_WORDS,
  type SayShop,
  type ShopWord,
  type ShopWords,
  type SpeakingLane,
} from './shop-words';
export { say, type Described, type WordSpec } from './word-spec';
