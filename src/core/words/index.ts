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
