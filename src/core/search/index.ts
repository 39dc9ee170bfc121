export { firstThatFinds, searchesOf, type SearchWord } from './match';
export { nearWords, trigramsOf } from './slips';
export { queryWords, wordsOf } from './words';
