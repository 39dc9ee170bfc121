import type { Shop } from '~/core/lane';
import { money } from '~/studio/data/format';
import { Tick } from '~/studio/fields/tick';
import { MoneyField } from '~/studio/fields/money-field';

export interface Sold {
  readonly slug: string;
  readonly fromMinor: number;
  readonly leastMinor: number | null;
}

interface Props {
  /** null: it costs there what it always costs. */
  readonly valueMinor: number | null;
  /** null while it was chosen only now. */
  readonly sold: Sold | null;
  /** What the product costs that it stands in for. */
  readonly usualMinor: number;
  readonly shop: Shop;
  readonly onChange: (valueMinor: number | null) => void;
}

/** What the better one costs where it is taken in the place of this product, with what keeps an owner from giving it away. */
export function BetterPrice({ valueMinor, sold, usualMinor, shop, onChange }: Props) {
  const told = (amount: number) => money(amount, shop);
  return (
    <div className="flex flex-col gap-1">
      <Tick
        label="It costs less when swapped in"
        checked={valueMinor !== null}
        onChange={(on) => onChange(on ? (sold?.fromMinor ?? usualMinor) : null)}
      />
      {valueMinor !== null && (
        <>
          <p className="help">
            What one costs whoever swaps this product for it in the cart.
            {sold && ` It usually costs ${told(sold.fromMinor)} or more.`}
          </p>
          <MoneyField label="Price when swapped in" valueMinor={valueMinor} onChange={onChange} />
          {sold && valueMinor >= sold.fromMinor && (
            <p role="status" className="help">
              Nobody saves anything yet. Enter less than {told(sold.fromMinor)}.
            </p>
          )}
          {sold && sold.leastMinor !== null && valueMinor < sold.leastMinor && (
            <p role="alert" className="text-brick">
              That is below your margin floor. Enter {told(sold.leastMinor)} or more.
            </p>
          )}
        </>
      )}
    </div>
  );
}
