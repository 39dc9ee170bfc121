import { mentionedIn, type Lane, type ShopNames } from '~/core/lane';
import { definitions } from '~/pieces/definitions';
import type { App } from '~/services/app';

/** Names of everything in the catalogue that one of the lanes refers to. */
export function namesOfLanes({ catalogue }: App, lanes: readonly Lane[]): Promise<ShopNames> {
  const mentions = lanes.map((lane) => mentionedIn(lane, definitions));
  return catalogue.shopNames({
    product: mentions.flatMap(({ product }) => product),
    category: mentions.flatMap(({ category }) => category),
    variant: mentions.flatMap(({ variant }) => variant),
  });
}
