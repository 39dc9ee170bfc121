import type { GoodsSetting } from '~/core/lane/settings/types/goods';
import type { Goods } from '~/core/lane';
import { GoodsControl } from '~/studio/fields/goods-control';
import type { Control } from './control';

export const goodsControl: Control<GoodsSetting, Goods> = ({ value, onChange }) => (
  <GoodsControl value={value} onChange={onChange} />
);
