import { currencyOf, formatMoney } from '~/core/money';
import { useDraft } from '~/studio/data/draft-store';
import { EarnedByDay, type EarnedDay } from '~/studio/shell/earned-by-day';
import { count } from '~/studio/data/format';

/** What came of a block of a thank-you page. */
export interface EarnedBlock {
  readonly part: string;
  readonly seen: number;
  readonly used: number;
  readonly days: readonly EarnedDay[];
}

/** Of these blocks orders can be told; the others are only pressed. */
const EARNS: readonly string[] = ['offer', 'coupon'];
/** What a code is used in is another order: there is nothing to press. */
const IS_PRESSED = (part: string) => part !== 'coupon';

interface Props {
  readonly blocks: readonly EarnedBlock[];
  readonly labels: Readonly<Record<string, { readonly label: string }>>;
}

/** What came of the blocks that ask for something, and no more than is known. */
export function Blocks({ blocks, labels }: Props) {
  const { currency, locale } = useDraft((state) => state.lane.shop);
  const money = (amount: number) => formatMoney(amount, currencyOf(currency), locale);
  const sum = (days: readonly EarnedDay[], of: (day: EarnedDay) => number) =>
    days.reduce((total, day) => total + of(day), 0);
  return (
    <section aria-label="What its blocks earned" className="flex flex-col gap-2">
      <h4 className="font-semibold">What its blocks earned in 28 days</h4>
      <table className="tbl w-full">
        <thead>
          <tr>
            <th scope="col">Block</th>
            <th scope="col" className="num">
              Shown
            </th>
            <th scope="col" className="num">
              Pressed
            </th>
            <th scope="col" className="num">
              Orders
            </th>
            <th scope="col" className="num">
              Sum
            </th>
          </tr>
        </thead>
        <tbody>
          {blocks.map(({ part, seen, used, days }) => (
            <tr key={part}>
              <th scope="row">{labels[part]?.label ?? part}</th>
              <td className="num">{count(seen)}</td>
              <td className="num">{IS_PRESSED(part) ? count(used) : '–'}</td>
              <td className="num">{EARNS.includes(part) ? count(sum(days, ({ orders }) => orders)) : '–'}</td>
              <td className="num">
                {EARNS.includes(part) ? money(sum(days, ({ revenueMinor }) => revenueMinor)) : '–'}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className="help">
        Shown counts orders, not looks. Of an offer the sum is what was added; of a code it is the whole of the orders
        that used one.
      </p>
      {blocks
        .filter(({ part, days }) => EARNS.includes(part) && days.some(({ orders }) => orders > 0))
        .map(({ part, days }) => (
          <details key={part}>
            <summary>{labels[part]?.label ?? part}, day by day</summary>
            <EarnedByDay days={days} label={`Orders from the block ${labels[part]?.label ?? part}`} />
          </details>
        ))}
    </section>
  );
}
