export { checkCheckout } from './check-checkout';
export type { CheckoutForm, CountryCode } from './checkout.schema';
export type { Address, Order, OrderLine, OrderStatus } from './order';
