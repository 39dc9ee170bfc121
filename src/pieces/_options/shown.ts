import type { Answers } from '~/core/options/answers';
import type { Evaluation } from '~/core/options/evaluate';
import type { ProductOption } from '~/core/options';
import type { Device } from '~/core/where';
import type { OptionsPiece } from './shared';

/** What the options of a product are drawn from. */
export interface OptionsShown {
  readonly options: readonly ProductOption[];
  readonly answers: Answers;
  readonly evaluation: Evaluation;
  /** What is said to be wrong, by option; only once the shopper has tried. */
  readonly problems: Readonly<Record<string, string>>;
  readonly uploads: Readonly<Record<string, string>>;
  readonly piece: OptionsPiece;
  readonly device: Device | null;
  /** The shop's day, YYYY-MM-DD. */
  readonly today: string;
  readonly money: (amountMinor: number) => string;
  readonly language: string;
  /** Told apart from other forms of the page. */
  readonly idPrefix: string;
  /** null on the server: every field is a plain one. */
  readonly on: OptionEvents | null;
}

export interface OptionEvents {
  readonly answer: (key: string, value: string | readonly string[]) => void;
  readonly upload: (key: string, file: File) => void;
  /** Keys of options whose file is being sent. */
  readonly sending: ReadonlySet<string>;
}

/** A sum with its sign, as what an answer adds. */
export function signed(amountMinor: number, money: (amount: number) => string): string {
  return amountMinor < 0 ? money(amountMinor) : `+${money(amountMinor)}`;
}
