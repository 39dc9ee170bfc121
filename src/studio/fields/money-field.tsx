import { useId, useState } from 'react';
import { readSignedSum, readSum, writeSum } from '~/core/money';
import { sumProblem, sumStyle, useShop } from '~/studio/data/sums';

interface Props {
  readonly label: string;
  readonly valueMinor: number;
  readonly onChange: (valueMinor: number) => void;
  /** Of an order from before the shop’s was changed; else the shop’s. */
  readonly currency?: string;
  /** Whether it may be below 0. */
  readonly isSigned?: boolean;
}

/** A sum in the shop's currency. What cannot be read, or can be read in two ways, stays in the field with what to do, and is not kept. */
export function MoneyField({ label, valueMinor, onChange, currency, isSigned = false }: Props) {
  const own = useShop();
  const shop = currency === undefined ? own : { ...own, currency };
  const style = sumStyle(shop);
  const id = useId();
  const [typed, setTyped] = useState<string | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const read = (text: string) => (isSigned ? readSignedSum : readSum)(text, style);
  return (
    <span className="inline-flex max-w-full flex-col">
      <input
        className="field w-24 text-end"
        inputMode="decimal"
        dir="ltr"
        aria-label={label}
        aria-invalid={problem !== null || undefined}
        aria-describedby={problem === null ? undefined : id}
        value={typed ?? writeSum(valueMinor, style)}
        onChange={({ target: { value } }) => {
          setTyped(value);
          setProblem(null);
          const sum = read(value);
          if (sum.kind === 'sum') onChange(sum.amountMinor);
        }}
        onBlur={() => {
          if (typed === null) return;
          const wrong = sumProblem(read(typed), typed, shop);
          setProblem(wrong);
          if (wrong === null) setTyped(null);
        }}
      />
      {problem && (
        <span id={id} role="alert" className="max-w-64 text-[13px] text-brick">
          {problem}
        </span>
      )}
    </span>
  );
}
