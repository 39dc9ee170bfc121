import type { Lane, LegalPage } from './lane.schema';

/** A legal text in a language: the owner's, else the one in the first language that has one; empty where none has. */
export function legalText(lane: Lane, page: LegalPage, language: string): string {
  const wanted = [language, ...lane.shop.languages, ...Object.keys(lane.legal)];
  return wanted.map((one) => lane.legal[one]?.[page]).find(Boolean) ?? '';
}
