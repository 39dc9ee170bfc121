export { basketsOf, type Baskets } from './baskets';
export { fisherTail, keepUpTo, logFactorial, normalTail } from './exact';
export { find, type FindOptions, type Found, type Pair, type Triple, type Verdict } from './find';
export type { DecidedPair } from './decided-pair';
