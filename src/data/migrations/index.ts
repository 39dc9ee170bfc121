import { begin } from './2026-11-26-begin';
import { bulk } from './2026-11-26-bulk';
import { editing } from './2026-11-26-editing';
import { eventsOfAVisit } from './2026-11-26-events-of-a-visit';
import { first } from './2026-11-24-first';
import { cartsWhole } from './2026-11-25-carts-whole';
import { deliveryAndDownloads } from './2026-11-26-delivery-and-downloads';
import { keptForAWhile } from './2026-11-26-kept-for-a-while';
import { oneCartOneOrder } from './2026-11-26-one-cart-one-order';
import { search } from './2026-11-26-search';
import { betterOne } from './2026-11-27-better-one';
import { betterPrice } from './2026-11-27-better-price';
import { foundPairs } from './2026-11-27-found-pairs';
import { offers } from './2026-11-27-offers';
import { afterOrder } from './2026-11-27-after-order';
import { cartSource } from './2026-11-27-cart-source';
import { blocks } from './2026-11-27-blocks';
import { layouts } from './2026-11-27-layouts';
import { proofs } from './2026-12-03-proofs';
import { plans } from './2026-12-04-plans';
import { elsewhereTables } from './2026-11-27-elsewhere';
import { oneTimeCodes } from './2026-11-27-one-time-codes';
import { ordersOfListings } from './2026-11-26-orders-of-listings';
import { productFacts } from './2026-11-26-product-facts';
import { shownProducts } from './2026-11-26-shown-products';
import { orderKeeping } from './2026-11-26-order-keeping';
import { shownPrices } from './2026-11-30-shown-prices';
import { grounds } from './2026-11-30-grounds';
import { removedLines } from './2026-11-30-removed-lines';
import { people } from './2026-12-01-people';
import { freeProducts } from './2026-12-02-free-products';
import { returns } from './2026-12-02-returns';
import { taxRatesOfOrders } from './2026-11-30-tax-rates-of-orders';
import { whoBuys } from './2026-11-30-who-buys';
import { optionsAndCarts } from './2026-11-25-options-and-carts';

/** One frozen step of the schema; `context.run` runs one SQL statement. */
export interface Migration {
  readonly name: string;
  readonly up: (step: { context: { run: (sql: string) => Promise<void> } }) => Promise<void>;
}

/** In order. A landed migration is never edited. */
export const migrations: readonly Migration[] = [
  first,
  optionsAndCarts,
  cartsWhole,
  oneCartOneOrder,
  keptForAWhile,
  search,
  deliveryAndDownloads,
  shownProducts,
  begin,
  editing,
  orderKeeping,
  bulk,
  eventsOfAVisit,
  productFacts,
  ordersOfListings,
  offers,
  foundPairs,
  betterOne,
  oneTimeCodes,
  elsewhereTables,
  afterOrder,
  layouts,
  blocks,
  cartSource,
  betterPrice,
  shownPrices,
  whoBuys,
  removedLines,
  grounds,
  taxRatesOfOrders,
  people,
  returns,
  freeProducts,
  proofs,
  plans,
];
