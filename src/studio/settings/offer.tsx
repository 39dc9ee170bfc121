import type { OfferSetting } from '~/core/lane/settings/types/offer';
import { OfferControl } from '~/studio/fields/offer-control';
import type { Control } from './control';

export const offerControl: Control<OfferSetting, string> = ({ value, labelId, onChange }) => (
  <OfferControl labelId={labelId} value={value} onChange={onChange} />
);
