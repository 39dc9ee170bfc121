import { currencyOf, formatMoney } from '~/core/money';
import { useDraft } from '~/studio/data/draft-store';
import { plural } from '~/studio/data/format';
import { EarnedByDay, type EarnedDay } from '~/studio/shell/earned-by-day';
import type { SeenElsewhere } from './seen-on';

interface Props {
  readonly earned: readonly EarnedDay[] | undefined;
  readonly days: number;
  /** Pages it stands on, as the script there told it. */
  readonly seen: readonly SeenElsewhere[];
}

/** What came of a link, and no more than is known. */
export function CameOfIt({ earned, days, seen }: Props) {
  const { currency, locale } = useDraft((state) => state.lane.shop);
  const money = (amount: number) => formatMoney(amount, currencyOf(currency), locale);
  const sum = (of: (day: EarnedDay) => number) => (earned ?? []).reduce((total, day) => total + of(day), 0);
  const [visits, orders] = [sum((day) => day.visits ?? 0), sum((day) => day.orders)];
  return (
    <section aria-label="What came of it" className="flex flex-col gap-1 border-s-[3px] border-mortar ps-3">
      <h3 className="font-semibold">What came of it in {days} days</h3>
      {seen.length > 0 && (
        <p>
          Shown{' '}
          {plural(
            seen.reduce((total, { times }) => total + times, 0),
            'time',
            'times',
          )}{' '}
          on {plural(seen.length, 'page', 'pages')} with the script.
        </p>
      )}
      {earned ? (
        <>
          <p>
            Used in {visits} {visits === 1 ? 'visit' : 'visits'}, with {orders} {orders === 1 ? 'order' : 'orders'} for{' '}
            {money(sum((day) => day.revenueMinor))} in all.
          </p>
          <EarnedByDay days={earned} label="Visits that used it and their orders" />
        </>
      ) : (
        <p>Nobody has used it yet.</p>
      )}
      <p className="help">
        Counts visits in which what it sells was put into the cart from it, and everything ordered in them. Visits of
        people who ask not to be recorded are not counted.
      </p>
    </section>
  );
}
