import { LETTERS, MOST_LINKED } from '~/core/limits';
import { z } from 'zod';
import type { NameOf } from '../shop-names';
import type { Placed, SettingType, Without } from './setting-type';

/** Goods that a link or an offer names: a variant, so many, with a code. */
export const goodsSchema = z.strictObject({
  /** Of a variant; empty: none yet. */
  sku: z.string().trim().max(LETTERS.sku),
  quantity: z.number().int().min(1).max(MOST_LINKED),
  /** Typed into the cart with them; empty: none. */
  code: z.string().trim().max(LETTERS.code),
  /** To what the product asks, by option; what is missing the shopper is asked for. */
  answers: z
    .record(z.string().regex(/^[a-z0-9-]{1,40}$/), z.union([z.string().max(600), z.array(z.string().max(120)).max(60)]))
    .default({}),
});
export type Goods = z.infer<typeof goodsSchema>;

export const NO_GOODS: Goods = { sku: '', quantity: 1, code: '', answers: {} };

/** Goods as a part of a sentence. */
export const goodsText = ({ sku, quantity, code, answers }: Goods, nameOf: NameOf): string =>
  sku === ''
    ? 'nothing yet'
    : [
        `${quantity} × ${nameOf('variant', sku)}`,
        code && `with the code ${code}`,
        ...Object.entries(answers).map(([key, answer]) => `${key}: ${String(answer)}`),
      ]
        .filter(Boolean)
        .join(', ');

/** Goods that are named: a variant, so many, a code. */
export interface GoodsSetting extends Placed {
  readonly type: 'goods';
  readonly default: Goods;
}

export function goods(spec: Without<GoodsSetting, 'default'>): GoodsSetting {
  return { type: 'goods', default: NO_GOODS, ...spec };
}

export const goodsType: SettingType<GoodsSetting, Goods> = {
  held: goodsSchema,
  schema: (spec) => goodsSchema.default(() => structuredClone(spec.default)),
  text: (_spec, value, { nameOf }) => goodsText(value, nameOf),
};
