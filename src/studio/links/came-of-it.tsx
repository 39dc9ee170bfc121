import { currencyOf, formatMoney } from '~/core/money';
import { useDraft } from '../shared/draft-store';

export interface Earned {
  readonly visits: number;
  readonly orders: number;
  readonly revenueMinor: number;
}

/** What came of a link, and no more than is known. */
export function CameOfIt({ earned, days }: { earned: Earned | undefined; days: number }) {
  const { currency, locale } = useDraft((state) => state.lane.shop);
  const money = (amount: number) => formatMoney(amount, currencyOf(currency), locale);
  return (
    <section aria-label="What came of it" className="flex flex-col gap-1 border-s-[3px] border-mortar ps-3">
      <h3 className="font-semibold">What came of it in {days} days</h3>
      {earned ? (
        <p>
          Used in {earned.visits} {earned.visits === 1 ? 'visit' : 'visits'}, with {earned.orders}{' '}
          {earned.orders === 1 ? 'order' : 'orders'} for {money(earned.revenueMinor)} in all.
        </p>
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
