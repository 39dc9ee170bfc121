export { changeCart, MOST_PER_LINE, type CartChange, type CartLine, type StockFacts } from './change-cart';
export type { CartLineView, CartView } from './cart-view';
