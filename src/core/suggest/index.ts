export { suggestionsThatFit } from './fit';
export { relatedTo, type Relatable, type Relation } from './related';
