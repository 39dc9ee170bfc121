import type { Lane } from '../document/lane.schema';
import { dropChange } from './drop-change';
import type { LaneChange } from './lane-change';

/** A change goes by this while the draft and what is live stay as they are. */
export const changeKey = ({ code, at }: Pick<LaneChange, 'code' | 'at'>): string => `${code} ${at.join(' ')}`;

/** A draft without some of what differs from `live`: there it is as it is live. */
export function leaveOut(draft: Lane, live: Lane, left: readonly LaneChange[]): Lane {
  const changing = structuredClone(draft);
  for (const change of left) dropChange(changing, live, change);
  return changing;
}
