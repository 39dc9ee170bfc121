export {
  changeCart,
  demandOf,
  EMPTY_CART,
  MOST_PER_LINE,
  type Cart,
  type CartChange,
  type CartLine,
  type Destination,
  type VariantRules,
} from './change-cart';
export type { CartLineView, CartView, CouponView, DeliveryOption, EstimateView } from './cart-view';
