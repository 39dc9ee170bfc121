import { currencyOf, formatMoney } from '~/core/money';
import { useDraft } from '../shared/draft-store';
import { EarnedByDay, type EarnedDay } from '../shared/earned-by-day';

/** What came of a link, and no more than is known. */
export function CameOfIt({ earned, days }: { earned: readonly EarnedDay[] | undefined; days: number }) {
  const { currency, locale } = useDraft((state) => state.lane.shop);
  const money = (amount: number) => formatMoney(amount, currencyOf(currency), locale);
  const sum = (of: (day: EarnedDay) => number) => (earned ?? []).reduce((total, day) => total + of(day), 0);
  const [visits, orders] = [sum((day) => day.visits ?? 0), sum((day) => day.orders)];
  return (
    <section aria-label="What came of it" className="flex flex-col gap-1 border-s-[3px] border-mortar ps-3">
      <h3 className="font-semibold">What came of it in {days} days</h3>
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
