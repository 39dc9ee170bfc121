import { anyPieceSchema } from '~/core/lane/document/lane.schema';
import type { SavedLayout } from '~/core/lane/document/own-layout';
import { same } from '~/contract/tools';

export const savedLayoutSchema = same<SavedLayout>('SavedLayout')(
  anyPieceSchema.pick({ look: true, parts: true, settings: true }),
);
