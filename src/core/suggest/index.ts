export { suggestionsThatFit } from './fit';
export { swapFor, type Swap, type SwappedLine } from './better';
export { relatedTo, type Relatable, type Relation } from './related';
