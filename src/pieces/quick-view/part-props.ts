import type { Choices, Product, Variant } from '~/core/catalogue';
import type { MountedOptions, OptionsState } from '~/pieces/_options/mount';
import type { PieceHost } from '~/runtime/piece-host';
import type { QuickViewPiece } from './definition';

/** What every part of quick view is drawn from. */
export interface PartProps {
  readonly product: Product;
  readonly variant: Variant | null;
  readonly choices: Choices;
  readonly choose: (choices: Choices) => void;
  readonly quantity: number;
  readonly setQuantity: (quantity: number) => void;
  /** What is answered to the product's options; null while they are fetched or when it has none. */
  readonly answered: OptionsState | null;
  readonly onAnswer: (state: OptionsState) => void;
  /** The options on the page, to show what is wrong with them. */
  readonly options: { current: MountedOptions | null };
  readonly piece: QuickViewPiece;
  readonly host: PieceHost;
}
