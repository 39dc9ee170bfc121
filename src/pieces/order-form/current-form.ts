import { formatMoney } from '~/core/money/currency';
import type { PieceHost } from '~/runtime/piece-host';
import type { OrderFormPiece } from './definition';

/** A form that was hydrated, with its piece and host as they are now: both may be updated. */
export interface CurrentForm {
  readonly form: HTMLFormElement;
  /** Of its table. */
  readonly body: HTMLElement;
  readonly piece: OrderFormPiece;
  readonly host: PieceHost;
}

export const moneyIn = (current: CurrentForm) => (amountMinor: number) =>
  formatMoney(amountMinor, current.host.currency, current.host.locale);
