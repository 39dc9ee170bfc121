export { suggestionsThatFit } from './fit';
export { changesOf, swapFor, type Swap } from './better';
export { relatedTo, type Relatable, type Relation, type Weights } from './related';
export type { BetterCard, SuggestedCard, SuggestionRule } from './suggested';
