export { standInPayment, type Payment } from './payment';
export { standInRates, type DeliveryRate, type Rates } from './rates';
