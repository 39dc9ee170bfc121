import { useEffect } from 'react';
import type { Lane } from '~/core/lane';
import { currencyOf, formatMoney } from '~/core/money';
import { Progress } from '~/studio/fields/progress';
import { useWork } from '~/studio/data/work';

/** Before offers or floors go live: whether a cart would sell under the floor. It warns, and does not hold anybody up. */
export function FloorCheck({ lane, live }: { lane: Lane; live: Lane }) {
  const work = useWork('POST /api/studio/offers/guard');
  const of = ({ offers, margins }: Lane) => JSON.stringify([offers, margins]);
  const hasFloor =
    lane.margins.shop !== null || Object.keys({ ...lane.margins.categories, ...lane.margins.products }).length > 0;
  const isNeeded = hasFloor && of(lane) !== of(live) && Object.values(lane.offers).some(({ on }) => on);
  useEffect(() => {
    if (isNeeded) work.start();
  }, [isNeeded]);
  if (!isNeeded) return null;
  const { answer } = work;
  if (!answer)
    return (
      <div className="flex flex-col gap-1">
        <p>Looking for a cart that would sell under your floor …</p>
        <Progress work={work} label="How far the search is" />
      </div>
    );
  const { worst } = answer;
  if (!worst)
    return (
      <p className="border-s-4 border-moss ps-3">
        None of {answer.carts.toLocaleString('en')} carts sells under your floor.
      </p>
    );
  const money = (amount: number) => formatMoney(amount, currencyOf(lane.shop.currency), lane.shop.locale);
  const what = worst.lines.map(({ good, quantity }) => `${quantity} × ${good.name} ${good.choices}`.trim()).join(', ');
  return (
    <p className="border-s-4 border-brick ps-3 text-brick">
      A cart would sell under your floor: {what}
      {worst.codes.length > 0 && ` with ${worst.codes.join(' and ')}`} brings {money(Math.round(worst.bringsMinor))}{' '}
      before tax; {money(Math.ceil(worst.leastMinor))} is the least it may. <a href="/studio/offers">See the offers</a>
    </p>
  );
}
