export { judgeCoupon, type CouponRefusal } from './judge-coupon';
export {
  freeDelivery,
  priceCart,
  type PricedCart,
  type PricedCoupon,
  type PriceInput,
  type TaxRule,
} from './price-cart';
export { priceChoice, type ChoicePrice } from './price-choice';
export type { LinePrice, PriceableLine, PriceStep } from './price-line';
