export { chooseThanks, type OrderToThank } from './choose-thanks';
export { checkCheckout } from './check-checkout';
export { noteMail, orderMail, type OrderMailFacts } from './order-mail';
export { addressLines, isFree, receiptOf } from './receipt';
export { ORDER_FILTERS, type OrderFilter } from './order-filters';
export { orderNumber, readOrderNumber } from './order-number';
export type { CheckoutForm } from './checkout.schema';
export { PLACE_KEY, takenBy, type Address, type Order, type OrderLine, type OrderStatus } from './order';
export {
  paidParts,
  planRefund,
  refundable,
  spreadRefund,
  type Charged,
  type Done,
  type Refund,
  type Refundable,
  type RefundableOrder,
  type RefundedUnits,
} from './refund';
export { checkReturn, stillToRefund, stillToReturn, wasRestocked, type ItemReturn } from './returns';
export type { OrderKeeping } from './order';
export type { StoredRefund } from './refund';
