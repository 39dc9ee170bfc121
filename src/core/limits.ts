/** How much of anything there may be. Schemas, fields and the words of refusals read it here. */

/** Items of one variant in an order, at most. */
export const MOST_PER_LINE = 99;

/** Rows added to a cart by one request, at most. */
export const MOST_AT_ONCE = 200;

/** What a number field of a form may say before the cart says what it takes. */
export const MOST_ASKED = 9999;

/** Items that a link names, at most. */
export const MOST_LINKED = 999;

/** Two presses as close together are one wish: fingers are slower than mice, and slow phones slower still. */
export const DOUBLE_CLICK_MS = 600;

/** Columns of a file, at most. */
export const MOST_COLUMNS = 500;

/** Products of a category that an owner can put into an order, at most. */
export const MOST_ARRANGED = 500;

/** Codes made for an offer by one press, and in all. */
export const MOST_CODES_AT_ONCE = 5000;
export const MOST_CODES = 20_000;

/** Orders on a page of the owner's list; as many are marked by one press. */
export const ORDERS_A_PAGE = 40;

/** Products that the till tries offers on, at most. */
export const MOST_TRIED = 60;

/** A file an owner sends, at most; and a picture, as an icon and as large as a page shows it. */
export const MOST_FILE_BYTES = 10 * 1024 * 1024;
export const MOST_ICON_BYTES = 900_000;
export const MOST_PICTURE_BYTES = 6_000_000;

/** Answers to options as an address holds them, in letters. */
export const MOST_ANSWERS_LETTERS = 8000;

/** A file of a whole configuration, at most. */
export const MOST_CONFIGURATION_BYTES = 4_000_000;

/** Changes left out of what is published, at most. */
export const MOST_LEFT = 5000;

/** Plans that wait at one time, at most; and how far ahead, in days. */
export const MOST_PLANS = 50;
export const MOST_PLANNED_DAYS = 366;

/** Most letters of what people write. */
export const LETTERS = {
  email: 200,
  personName: 80,
  productName: 200,
  categoryName: 80,
  layoutName: 40,
  publishNote: 200,
  cartNote: 500,
  reason: 300,
  tracking: 200,
  reviewAnswer: 1000,
  code: 60,
  /** Of codes that each work once: the rest of them is made. */
  codeBeginning: 40,
  postcode: 20,
  search: 100,
  slug: 120,
  sku: 120,
  tag: 60,
  password: 200,
  brand: 80,
  shortText: 300,
  productText: 20_000,
  axisName: 40,
  optionLabel: 60,
  optionHelp: 160,
  offerName: 80,
  shopName: 60,
  zoneName: 60,
  deliveryDays: 20,
  taxName: 40,
  cartWord: 30,
  pageTitle: 120,
  pageText: 40_000,
} as const;

/** Fewest letters of a password. */
export const LEAST_PASSWORD = 10;
