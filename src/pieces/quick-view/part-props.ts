import type { Choices, Product, Variant } from '~/core/catalogue';
import type { PieceHost } from '~/runtime/piece-host';
import type { QuickViewPiece } from './definition';

/** What every part of quick view is drawn from. */
export interface PartProps {
  readonly product: Product;
  readonly variant: Variant | null;
  readonly choices: Choices;
  readonly choose: (choices: Choices) => void;
  readonly piece: QuickViewPiece;
  readonly host: PieceHost;
}
