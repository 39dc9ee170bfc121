export {
  changeCart,
  demandOf,
  EMPTY_CART,
  type Cart,
  type CartChange,
  type CartLine,
  type Destination,
  type RemovedLine,
  type VariantRules,
} from './change-cart';
export { addMany } from './add-many';
export { MOST_PER_LINE } from '~/core/limits';
export type { BetterView, CartHint, LineView, CartView, CouponView, DeliveryOption, EstimateView } from './cart-view';
