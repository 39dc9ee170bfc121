import { compileManifest, newPiece, type Goods, type Manifest, type ManifestPiece } from '~/core/lane';
import { currencyOf } from '~/core/money';
import { chooseThanks, type Order } from '~/core/orders';
import { definitionWithRole } from '~/pieces/definitions';
import type { ThanksPiece } from '~/pieces/_thanks/shared';
import type { App } from '~/services/app';
import { liveManifest, type LiveLane } from '~/services/lane/live-lane';

/** What a thank-you page offers after an order. */
export interface AfterOffer {
  /** Id of the page it stands on. */
  readonly piece: string;
  readonly goods: Pick<Goods, 'sku' | 'quantity' | 'answers'>;
  /** Off the usual price. */
  readonly percent: number;
  /** How long it is offered after the order was placed. */
  readonly minutes: number;
  /** Its name on receipts. */
  readonly name: string;
}

const isThanks = (piece: ManifestPiece): piece is ThanksPiece => piece.role === 'thanks';

/** The page of a shop that has not made one. */
function usualPage({ lane, revision }: LiveLane, language: string): ThanksPiece {
  const definition = definitionWithRole('thanks');
  const usual = { ...lane, pieces: { [definition.kind]: newPiece(definition, true) } };
  return compileManifest(usual, [definition], revision, language).pieces.find(isThanks)!;
}

/** The thank-you page of an order. `manifest`: another lane than the live one. */
export async function thanksPageOf(
  app: App,
  order: Order,
  live: LiveLane,
  manifest: Manifest = liveManifest(live, order.language),
): Promise<ThanksPiece> {
  const pages = manifest.pieces.filter(isThanks);
  const facts = await app.catalogue.variantFacts(order.lines.flatMap(({ variantId }) => variantId ?? []));
  const chosen = chooseThanks(pages, {
    bought: [...facts.values()],
    isFirst: !(await app.orders.hasBoughtBefore(order)),
    country: order.address.country,
    total: order.totalMinor / 10 ** currencyOf(order.currency).exponent,
  });
  return chosen ?? usualPage(live, order.language);
}

export const hasPart = (piece: ThanksPiece, key: string): boolean => piece.parts.some((part) => part.key === key);

/** What a page offers after the order; null where it offers nothing. */
export function afterOfferOf(piece: ThanksPiece): AfterOffer | null {
  const { offerGoods, offerPercent, offerMinutes } = piece.settings;
  if (!hasPart(piece, 'offer') || offerGoods.sku === '') return null;
  return {
    piece: piece.id,
    goods: offerGoods,
    percent: offerPercent,
    minutes: offerMinutes,
    name: piece.words.offerTitle,
  };
}

/** The offer whose code an order is given for next time; null for none. */
export const couponOfferOf = (piece: ThanksPiece): string | null =>
  hasPart(piece, 'coupon') && piece.settings.couponOffer !== '' ? piece.settings.couponOffer : null;
