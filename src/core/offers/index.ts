export {
  missingForFreeDelivery,
  priceCart,
  type LinePrice,
  type PricedCart,
  type PriceInput,
  type PriceStep,
  type TaxRule,
} from './price-cart';
