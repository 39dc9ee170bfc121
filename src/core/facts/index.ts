export {
  FACTS,
  namedIn,
  readFact,
  sayAsked,
  sayFact,
  sayTags,
  writeFact,
  type AskedFact,
  type Fact,
  type FactReader,
  type FactSource,
  type SaidFact,
} from './facts';
