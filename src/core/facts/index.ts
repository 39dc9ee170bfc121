export {
  FACTS,
  namedIn,
  readFact,
  sayFact,
  writeFact,
  type AskedFact,
  type Fact,
  type FactReader,
  type FactSource,
  type SaidFact,
} from './facts';
