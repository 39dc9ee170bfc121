import { createContext } from 'react';
import type { OfferReader } from '~/core/pricing';

/** Names of what offers are about, by `product slug` or `category slug`, and how they are read. */
export const NamesContext = createContext<{
  readonly names: ReadonlyMap<string, string>;
  readonly reader: OfferReader;
}>({
  names: new Map(),
  reader: { money: String, moment: String, nameOf: (_what, slug) => slug },
});
