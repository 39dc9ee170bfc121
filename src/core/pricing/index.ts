export { plainCode } from './judge';
export { findOfferFaults, NO_GIFT, type OfferFault } from './offer-faults';
export { discountName, discountsOf, fullMinorOf, lineMinorOf, type Discount } from './discounts';
export { priceCart, type OfferRefusal, type Priced } from './price';
export {
  priceGoods,
  type Circumstances,
  type GoodsInput,
  type PricedCode,
  type PricedGoods,
  type TaxRule,
  type TypedCode,
} from './price-goods';
export { priceChoice, type ChoicePrice } from './price-choice';
export { priceLine, type LinePrice, type PriceableLine, type PriceStep } from './price-line';
export { offersOf } from './offers-of';
export {
  offerSchema,
  pricingInputSchema,
  type Offer,
  type OfferKind,
  type PricedLine,
  type PricedOffer,
  type PricingInput,
} from './pricing.schema';
export { readOffer, readSelection, type OfferReader } from './read-offer';
export { readSteps, storeSteps, type StoredSteps } from './stored-steps';
export { priceAfterOrder, type AfterOrderPrice } from './after-order';
export { backtest, marginShares, type Backtest, type PastOrder, type TestedOrder } from './backtest';
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
} from './margins';
export { bestFrom, freeFrom, sumsToTry, type FreeFrom, type FreeFromAnswer } from './free-from';
export { findOverlaps, type Overlap } from './overlaps';
export { guard } from './guard';
export { lowestShownBefore, offerMoments, type ShownPrice } from './shown-history';
export { countAble, mostAble, shownOffers } from './shown';
export { MOST_SEARCHED } from './state';
export { isTellable, toldOffers, type Told } from './told';
export { wordTold, type ToldReader } from './word-told';
export { isRunning, nextChange, productsOfOffers, touches } from './touches';
export { codeProblem, isWaiting } from './word-refusal';
export { stretchOf } from './stretch-of';
export { freeDeliveryFrom, thresholdOf, type ThresholdView } from './threshold';
