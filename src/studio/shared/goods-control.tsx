import { useEffect, useState } from 'react';
import type { Goods } from '~/core/lane';
import { evaluateOptions, type ProductOption } from '~/core/options';
import { ask } from './api';
import { AnswerField } from './answer-field';
import { NumberField } from './number-field';

interface Found {
  readonly slug: string;
  readonly name: string;
  readonly options: readonly ProductOption[];
  readonly variants: readonly { readonly sku: string; readonly choices: Readonly<Record<string, string>> }[];
}

/** One variant, so many of it, and a code. The product is found by its name. */
export function GoodsControl({ value, onChange }: { value: Goods; onChange: (value: Goods) => void }) {
  const [product, setProduct] = useState<Found | null>(null);
  const [found, setFound] = useState<readonly { readonly slug: string; readonly name: string }[]>([]);
  const [isGone, setGone] = useState(false);
  useEffect(() => {
    if (value.sku === '' || product?.variants.some(({ sku }) => sku === value.sku)) return;
    ask<{ product: Found | null }>(`/api/studio/products/of-sku?sku=${encodeURIComponent(value.sku)}`).then(
      (answer) => {
        setProduct(answer.product);
        setGone(answer.product === null);
      },
      () => setGone(true),
    );
  }, [value.sku]);

  async function look(typed: string): Promise<void> {
    setFound(
      typed.trim() === ''
        ? []
        : (await ask<Found[]>(`/api/studio/products?q=${encodeURIComponent(typed.trim())}`)).slice(0, 6),
    );
  }

  async function choose(slug: string): Promise<void> {
    const chosen = await ask<Found>(`/api/products/${encodeURIComponent(slug)}`);
    setProduct(chosen);
    setFound([]);
    setGone(false);
    onChange({ ...value, sku: chosen.variants[0]?.sku ?? '', answers: {} });
  }

  // Of today as this browser has it: a link outlives the day anyway, and the shop judges when it is pressed.
  const { shown } = evaluateOptions(product?.options ?? [], value.answers, new Date().toISOString().slice(0, 10));
  const asked = (product?.options ?? []).filter(({ key }) => shown.includes(key));
  return (
    <div className="flex flex-col gap-2">
      {product && <p className="font-medium">{product.name}</p>}
      {isGone && (
        <p role="alert" className="text-brick">
          “{value.sku}” is not sold any more. Choose another product.
        </p>
      )}
      <input
        type="search"
        className="field w-full"
        aria-label="Find the product"
        placeholder={product ? 'Find another product …' : 'Find the product …'}
        onChange={(event) => void look(event.target.value)}
      />
      {found.length > 0 && (
        <ul aria-label="Found" className="flex flex-wrap gap-1">
          {found.map(({ slug, name }) => (
            <li key={slug}>
              <button className="btn" onClick={() => void choose(slug)}>
                {name}
              </button>
            </li>
          ))}
        </ul>
      )}
      {product && product.variants.length > 1 && (
        <select
          className="field"
          aria-label="Which of it"
          value={value.sku}
          onChange={(event) => onChange({ ...value, sku: event.target.value })}
        >
          {product.variants.map(({ sku, choices }) => (
            <option key={sku} value={sku}>
              {Object.values(choices).join(', ') || sku}
            </option>
          ))}
        </select>
      )}
      {asked.map((option) => (
        <AnswerField
          key={option.key}
          option={option}
          value={value.answers[option.key] ?? ''}
          onChange={(answer) => {
            const { [option.key]: _before, ...others } = value.answers;
            onChange({ ...value, answers: answer.length === 0 ? others : { ...others, [option.key]: answer } });
          }}
        />
      ))}
      <div className="flex flex-wrap items-center gap-3">
        <label className="flex items-center gap-2">
          How many
          <NumberField
            label="How many of it"
            className="w-20"
            min={1}
            max={999}
            value={value.quantity}
            onChange={(quantity) => onChange({ ...value, quantity })}
          />
        </label>
        <label className="flex items-center gap-2">
          Code
          <input
            className="field w-32"
            aria-label="Code to type in"
            maxLength={60}
            placeholder="none"
            defaultValue={value.code}
            onBlur={(event) => onChange({ ...value, code: event.target.value.trim() })}
          />
        </label>
      </div>
    </div>
  );
}
