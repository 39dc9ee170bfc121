import { useState } from 'react';
import type { Shop } from '~/core/lane';
import { readSum, writeSum } from '~/core/money';
import { ask } from '~/studio/data/api';
import { money } from '~/studio/data/format';
import { sumProblem, sumStyle } from '~/studio/data/sums';

interface Props {
  readonly slug: string;
  readonly field: 'priceMinor' | 'stock';
  readonly value: number | null;
  readonly shop: Shop;
}

const LABELS = { priceMinor: 'Price', stock: 'Stock' } as const;

/** A price or a count corrected where it stands: press it, type, Enter. Only this one field of the product is written. */
export function QuickCell({ slug, field, value, shop }: Props) {
  const style = sumStyle(shop);
  const plain = (amount: number | null) =>
    amount === null ? '' : field === 'stock' ? String(amount) : writeSum(amount, style);
  const [shown, setShown] = useState(value);
  const [typed, setTyped] = useState<string | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const said = shown === null ? 'not counted' : field === 'stock' ? String(shown) : money(shown, shop);

  /** What was typed, or what is wrong with it. */
  function read(text: string): number | null | string {
    if (field === 'stock')
      return text === '' ? null : /^\d{1,8}$/.test(text) ? Number(text) : 'A whole number, or nothing.';
    const sum = readSum(text, style);
    return sum.kind === 'sum' ? sum.amountMinor : sumProblem(sum, text, shop)!;
  }

  async function keep(): Promise<void> {
    if (typed === null) return;
    const next = read(typed.trim());
    if (typeof next === 'string') {
      setProblem(next);
      return;
    }
    setTyped(null);
    setProblem(null);
    if (next === shown) return;
    try {
      const params = { slug };
      const { edit, record } = await ask('GET /api/studio/products/[slug]', { params });
      const variants = record.variants.map((variant) => ({ ...variant, [field]: next }));
      await ask('PUT /api/studio/products/[slug]', { params, body: { edit, record: { ...record, variants } } });
      setShown(next);
    } catch (error) {
      setProblem((error as Error).message);
    }
  }

  if (typed === null)
    return (
      <span className="inline-flex flex-col items-end">
        <button
          className={`plain border-b border-dotted border-gravel ${field === 'stock' && shown === 0 ? 'text-brick' : ''}`}
          aria-label={`${LABELS[field]}: ${said}. Press to change it.`}
          onClick={() => setTyped(plain(shown))}
        >
          {said}
        </button>
        {problem && (
          <span role="alert" className="text-[12.5px] text-brick">
            {problem}
          </span>
        )}
      </span>
    );
  return (
    <span className="inline-flex flex-col items-end">
      <input
        autoFocus
        className="field w-24 text-end"
        aria-label={LABELS[field]}
        aria-invalid={problem !== null || undefined}
        inputMode="decimal"
        value={typed}
        onFocus={(event) => event.target.select()}
        onChange={(event) => setTyped(event.target.value)}
        onBlur={() => void keep()}
        onKeyDown={(event) => {
          if (event.key === 'Enter') void keep();
          if (event.key !== 'Escape') return;
          setProblem(null);
          setTyped(null);
        }}
      />
      {problem && (
        <span role="alert" className="text-[12.5px] text-brick">
          {problem}
        </span>
      )}
    </span>
  );
}
