import { useState } from 'react';
import { LETTERS } from '~/core/limits';
import type { Goods } from '~/core/lane';
import { evaluateOptions } from '~/core/options';
import { AnswerField } from './answer-field';
import { NumberField } from './number-field';
import { VariantPicker, type PickedProduct } from './variant-picker';

/** One variant, so many of it, and a code. The product is found by its name. */
export function GoodsControl({ value, onChange }: { value: Goods; onChange: (value: Goods) => void }) {
  const [product, setProduct] = useState<PickedProduct | null>(null);
  // Of today as this browser has it: a link outlives the day anyway, and the shop judges when it is pressed.
  const { shown } = evaluateOptions(product?.options ?? [], value.answers, new Date().toISOString().slice(0, 10));
  const asked = (product?.options ?? []).filter(({ key }) => shown.includes(key));
  return (
    <div className="flex flex-col gap-2">
      <VariantPicker
        sku={value.sku}
        onProduct={setProduct}
        onPick={(sku, isOther) => onChange({ ...value, sku, ...(isOther && { answers: {} }) })}
      />
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
            maxLength={LETTERS.code}
            placeholder="none"
            defaultValue={value.code}
            onBlur={(event) => onChange({ ...value, code: event.target.value.trim() })}
          />
        </label>
      </div>
    </div>
  );
}
