import type { Lane, LegalPage } from './lane.schema';

/** A legal text in a language: the owner's, else the one in the shop's first language; empty where there is none. */
export function legalText(lane: Lane, page: LegalPage, language: string): string {
  return lane.legal[language]?.[page] || lane.legal[lane.shop.languages[0]!]?.[page] || '';
}
