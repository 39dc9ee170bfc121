import type { LineSelection } from './selection';

/** What a field makes of what is put in: the part of the offer or condition that is another then. */
type Change<Value> = (value: Value) => object;

/** A part of the sentence in which an owner writes an offer: words, or a field that stands in them. */
export type FormPart =
  | string
  | { readonly field: 'percent'; readonly label: string; readonly basisPoints: number; readonly change: Change<number> }
  | { readonly field: 'money'; readonly label: string; readonly valueMinor: number; readonly change: Change<number> }
  | {
      readonly field: 'count';
      readonly label: string;
      readonly value: number;
      readonly change: Change<number>;
      /** 1 where it is not said. */
      readonly min?: number;
      readonly max?: number;
    }
  | {
      readonly field: 'goods';
      readonly label: string;
      readonly value: LineSelection;
      readonly change: Change<LineSelection>;
    }
  | {
      readonly field: 'choice';
      readonly label: string;
      readonly value: string;
      readonly options: Readonly<Record<string, string>>;
      readonly change: Change<string>;
    }
  /** A variant by its SKU; empty: none yet. */
  | { readonly field: 'variant'; readonly sku: string; readonly change: Change<string> }
  /** ISO 8601. */
  | { readonly field: 'moment'; readonly label: string; readonly value: string; readonly change: Change<string> }
  | { readonly field: 'countries'; readonly value: readonly string[]; readonly change: Change<string[]> }
  | { readonly field: 'sources'; readonly value: readonly string[]; readonly change: Change<string[]> }
  | {
      readonly field: 'code';
      readonly code: string | null;
      readonly isOneTime: boolean;
      readonly change: Change<object>;
    }
  | { readonly field: 'help'; readonly text: string }
  | { readonly field: 'remove'; readonly label: string; readonly change: () => object }
  | { readonly field: 'add'; readonly label: string; readonly change: () => object };

export type FormRow =
  | readonly FormPart[]
  /** A part that may be left out; its fields are there while it is in. */
  | {
      readonly maybe: string;
      readonly isOn: boolean;
      readonly change: Change<boolean>;
      readonly parts: readonly FormPart[];
    };

/** What a form knows of the shop. */
export interface FormAround {
  /** A round sum of about so many euros, in the shop's currency. */
  readonly about: (euros: number) => number;
  /** Milliseconds since 1970. */
  readonly now: number;
  /** What the shop's time zone is called. */
  readonly zone: string;
}
