export { isSameCode, plainCode } from './basis/codes';
export { findOfferFaults, type OfferFault } from './engine/offer-faults';
export {
  beginOffer,
  offerFacts,
  freeStandardDelivery,
  NO_GIFT,
  OFFER_KINDS,
  offerSchema,
  type Offer,
  type OfferKind,
  type PricedOffer,
} from './offers';
export { discountName, discountsOf, fullMinorOf, lineMinorOf, type Discount } from './receipt/discounts';
export { priceCart, type OfferRefusal, type Priced } from './engine/price';
export {
  priceGoods,
  type Circumstances,
  type GoodsInput,
  type PricedCode,
  type PricedGoods,
  type TypedCode,
} from './receipt/price-goods';
export { priceChoice, type ChoicePrice } from './receipt/price-choice';
export { priceLine, type LinePrice, type PriceStep } from './receipt/price-line';
export { offersOf } from './engine/offers-of';
export { pricingInputSchema, type PricingInput } from './engine/pricing.schema';
export { selectionSchema as lineSelectionSchema, type LineSelection } from './basis/selection';
export { fullUnit, lineFacts, pricedLine, type LineGoods, type PricedLine } from './basis/line';
export { withoutTax, type TaxRule } from './basis/tax';
export type { ToldReader } from './basis/told-words';
export type { FormAround, FormPart, FormRow } from './basis/form';
export { asksFor, conditionForm, refusalWords } from './conditions';
export { readSelection, type OfferReader } from './basis/words';
export { readOffer } from './telling/read-offer';
export { readSteps, storeSteps, type StoredSteps } from './receipt/stored-steps';
export { priceAfterOrder, type AfterOrderPrice } from './margin/after-order';
export { backtest, marginShares, type Backtest, type PastOrder, type TestedOrder } from './trying/backtest';
export {
  floorOf,
  leastFor,
  leastPrice,
  marginsSchema,
  searchBelowFloor,
  USUAL_CAPS,
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
export { MOST_SEARCHED } from './basis/standing';
export { isTellable, toldOffers, type Told } from './telling/told';
export { wordTold } from './telling/word-told';
export { isOnDelivery, isRunning, nextChange, productsOfOffers, touches } from './engine/touches';
export { codeProblem, isWaiting, waitsForBuyer } from './receipt/word-refusal';
export { stretchOf } from './telling/stretch-of';
export { freeDeliveryFrom, thresholdOf, type ThresholdView } from './receipt/threshold';
