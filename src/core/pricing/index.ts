export { isSameCode, plainCode } from './engine/judge';
export { findOfferFaults, NO_GIFT, type OfferFault } from './engine/offer-faults';
export { discountName, discountsOf, fullMinorOf, lineMinorOf, type Discount } from './receipt/discounts';
export { priceCart, type OfferRefusal, type Priced } from './engine/price';
export {
  priceGoods,
  type Circumstances,
  type GoodsInput,
  type PricedCode,
  type PricedGoods,
  type TaxRule,
  type TypedCode,
} from './receipt/price-goods';
export { priceChoice, type ChoicePrice } from './receipt/price-choice';
export { priceLine, type LinePrice, type PriceableLine, type PriceStep } from './receipt/price-line';
export { offersOf } from './engine/offers-of';
export {
  offerSchema,
  pricingInputSchema,
  type Offer,
  type OfferKind,
  type PricedLine,
  type PricedOffer,
  type PricingInput,
} from './engine/pricing.schema';
export { readOffer, readSelection, type OfferReader } from './telling/read-offer';
export { readSteps, storeSteps, type StoredSteps } from './receipt/stored-steps';
export { priceAfterOrder, type AfterOrderPrice } from './margin/after-order';
export { backtest, marginShares, type Backtest, type PastOrder, type TestedOrder } from './trying/backtest';
export {
  asLine,
  floorOf,
  leastFor,
  leastPrice,
  marginsSchema,
  searchBelowFloor,
  USUAL_CAPS,
  withoutTax,
  type BelowFloor,
  type Costed,
  type GuardAnswer,
  type Margins,
} from './margin/margins';
export { bestFrom, freeFrom, sumsToTry, type FreeFrom, type FreeFromAnswer } from './trying/free-from';
export { findOverlaps, type Overlap } from './trying/overlaps';
export { guard } from './trying/guard';
export { lowestShownBefore, offerMoments, type ShownPrice } from './telling/shown-history';
export { countAble, mostAble, shownOffers } from './telling/shown';
export { MOST_SEARCHED } from './engine/state';
export { isTellable, toldOffers, type Told } from './telling/told';
export { wordTold, type ToldReader } from './telling/word-told';
export { isRunning, nextChange, productsOfOffers, touches } from './engine/touches';
export { codeProblem, isWaiting } from './receipt/word-refusal';
export { stretchOf } from './telling/stretch-of';
export { freeDeliveryFrom, thresholdOf, type ThresholdView } from './receipt/threshold';
