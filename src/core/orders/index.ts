export { checkCheckout } from './check-checkout';
export { orderMail, type OrderMailFacts } from './order-mail';
export { COUNTRIES, countryOf } from './countries';
export type { CheckoutForm } from './checkout.schema';
export type { Address, Order, OrderLine, OrderStatus } from './order';
