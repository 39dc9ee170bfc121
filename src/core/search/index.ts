export { firstThatFinds, ranksOf, searchesOf, type SearchRanks, type SearchWord } from './match';
export { nearWords, trigramsOf } from './slips';
export { queryWords, wordsOf } from './words';
export type { LostSearch } from './lost-search';
