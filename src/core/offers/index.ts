export { judgeCoupon, type CouponRefusal } from './judge-coupon';
export {
  freeDelivery,
  priceCart,
  type LinePrice,
  type PricedCart,
  type PricedCoupon,
  type PriceInput,
  type PriceStep,
  type TaxRule,
} from './price-cart';
