import { contrastRatio, LEAST_CONTRAST } from '~/core/proof/contrast';
import { servedCountries } from '~/core/delivery/delivery';
import { LEGAL_PAGES, type Lane, type LegalPage } from '../document/lane.schema';

/** Part of the settings, where the owner sees to it; `catalogue` is a room of its own. */
type At = 'about' | 'look' | 'tax' | 'delivery' | 'legal' | 'catalogue' | null;

/** What an owner should know before strangers can order. */
export interface Caution {
  readonly text: string;
  /** Where it is seen to; null: nowhere in the studio. */
  readonly at: At;
}

export interface ShopFacts {
  readonly isFirst: boolean;
  /** Products that are shown, and those of them with a variant that costs nothing. */
  readonly shown: number;
  readonly free: number;
  /** Countries that are delivered to now, before this is published. */
  readonly servedBefore: number;
}

const LEGAL_NAMES: Readonly<Record<LegalPage, string>> = {
  imprint: 'imprint',
  terms: 'terms of sale',
  privacy: 'privacy',
  returns: 'returns',
};
/** What is not real, or not said, yet: all of it before the shop opens; later what publishing would newly break. */
export function notRealYet(lane: Lane, begun: Lane, facts: ShopFacts): Caution[] {
  const { shop, theme } = lane;
  const found: Caution[] = [];
  const note = (when: boolean, at: At, text: string) => void (when && found.push({ text, at }));
  const served = servedCountries(shop.delivery).length;
  note(served === 0 && (facts.isFirst || facts.servedBefore > 0), 'delivery', 'Nobody is delivered to: add a country.');
  note(facts.shown === 0, 'catalogue', 'No product is shown: shoppers would see an empty shop.');
  if (!facts.isFirst) return found;

  note(true, null, 'Payment is a stand-in: orders are taken, and no money moves.');
  note(true, null, 'Mail is a stand-in: what buyers would get stays in Mailbox.');
  note(
    shop.delivery.by === 'carrier',
    'delivery',
    'Delivery costs come from a stand-in for a carrier, not from your own table.',
  );
  const sameTax = JSON.stringify(shop.tax) === JSON.stringify(begun.shop.tax);
  const { basisPoints, included } = shop.tax;
  note(
    sameTax,
    'tax',
    `Tax is as we began: ${basisPoints / 100} %, ${included ? 'within the prices' : 'on top of the prices'}. Is that yours?`,
  );
  note(
    shop.timeZone === begun.shop.timeZone,
    'about',
    `Days and offers follow the clock of ${shop.timeZone}. Is that where you are?`,
  );
  note(shop.email === '', 'about', 'There is no address shoppers can write to.');
  const missing = LEGAL_PAGES.filter((page) => !Object.values(lane.legal).some((texts) => texts?.[page]?.trim()));
  note(
    missing.length > 0,
    'legal',
    `These legal pages are empty: ${missing.map((page) => LEGAL_NAMES[page]).join(', ')}.`,
  );
  note(
    facts.free > 0,
    'catalogue',
    facts.free === 1
      ? 'One product that is shown costs nothing.'
      : `${facts.free} products that are shown cost nothing.`,
  );
  const pairs = [
    ['Text', theme.ink, theme.paper],
    ['Quiet text', theme.muted, theme.paper],
    ['Text on buttons', theme.onAccent, theme.accent],
    ['Prices that are lowered', theme.sale, theme.panel],
  ] as const;
  for (const [name, text, ground] of pairs)
    note((contrastRatio(text, ground) ?? 21) < LEAST_CONTRAST, 'look', `${name}: too faint to read on its ground.`);
  return found;
}
