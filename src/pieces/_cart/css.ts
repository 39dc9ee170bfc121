/** The style of the parts of a cart, kept once for every piece that shows them. */
export { default as cartCss } from './cart.css?inline';
