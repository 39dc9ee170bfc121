import type { Lane } from '~/core/lane';
import { guard, offersOf } from '~/core/pricing';
import { dayIn } from '~/core/time';
import type { App } from '~/services/app';
import { allGoods } from './goods';

/** The search for a cart that the offers of a lane sell below the floor, and which of them meet; to be carried through in slices. */
export async function guardLane(app: App, { offers, margins, shop }: Lane): Promise<ReturnType<typeof guard>> {
  const { goods, swapped } = await allGoods(app);
  const { tax, severalCodes, timeZone } = shop;
  return guard({
    goods,
    swapped,
    margins,
    tax,
    severalCodes,
    offers: offersOf(offers).filter(({ on }) => on),
    at: app.now(),
    dayOf: (at: number) => dayIn(timeZone, at),
  });
}
