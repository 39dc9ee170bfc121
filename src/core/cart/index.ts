export {
  changeCart,
  demandOf,
  EMPTY_CART,
  type Cart,
  type CartChange,
  type CartLine,
  type Destination,
  type VariantRules,
} from './change-cart';
export { MOST_PER_LINE } from './limits';
export type { CartLineView, CartView, CouponView, DeliveryOption, EstimateView } from './cart-view';
