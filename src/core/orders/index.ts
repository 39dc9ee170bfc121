export { checkCheckout } from './check-checkout';
export { orderMail, type OrderMailFacts } from './order-mail';
export { addressLines, orderNumber, receiptOf } from './receipt';
export { COUNTRIES, countryName, countryOf, HOME_COUNTRY } from './countries';
export type { CheckoutForm } from './checkout.schema';
export type { Address, Order, OrderLine, OrderStatus } from './order';
