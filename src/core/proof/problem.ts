import type { DeadReason, DrawnBox, MeasuredMark, PlaceInPiece } from './page-measure';

/** A text that is hard to read where it stands. WCAG 2.2, 1.4.3. */
export interface FaintProblem {
  readonly check: 'faint';
  /** 1 to 21. */
  readonly ratio: number;
  readonly wanted: number;
  /** #rrggbb. */
  readonly colour: string;
  readonly ground: string;
}

/** A part of a text that cannot be read, however one scrolls. */
export interface CutProblem {
  readonly check: 'cut';
  readonly hiddenPx: number;
}

/** A text that is larger than the control it names. */
export interface SticksOutProblem {
  readonly check: 'sticks-out';
  readonly byPx: number;
}

/** A text in a column so narrow that its words are broken into letters. */
export interface NarrowProblem {
  readonly check: 'narrow';
  readonly lines: number;
  readonly letters: number;
}

/** A control too small to be pressed safely. WCAG 2.2, 2.5.8. */
export interface SmallProblem {
  readonly check: 'small';
  readonly widthPx: number;
  readonly heightPx: number;
}

/** Something lies over what an order needs. */
export interface CoveredProblem {
  readonly check: 'covered';
  readonly by: PlaceInPiece;
}

/** A surface that nothing in sight closes. */
export interface NoCloseProblem {
  readonly check: 'no-close';
}

/** Several surfaces at one moment. */
export interface SeveralProblem {
  readonly check: 'several';
  readonly others: readonly PlaceInPiece[];
}

/** A control or a surface that a screen reader cannot name. WCAG 2.2, 4.1.2. */
export interface UnnamedProblem {
  readonly check: 'unnamed';
}

/** The page, or what lies over it, has to be scrolled sideways. WCAG 2.2, 1.4.10. */
export interface SidewaysProblem {
  readonly check: 'sideways';
  readonly byPx: number;
}

/** A field or a drawing on a button that is hard to see. WCAG 2.2, 1.4.11. */
export interface UnmarkedProblem {
  readonly check: 'unmarked';
  readonly what: MeasuredMark['what'];
  /** 1 to 21. */
  readonly ratio: number;
  readonly wanted: number;
  /** #rrggbb. */
  readonly colour: string;
  readonly ground: string;
}

/** Whoever goes by keyboard does not see where they are. WCAG 2.2, 2.4.7 and 1.4.11. */
export interface UnseenFocusProblem {
  readonly check: 'unseen-focus';
  /** 1 to 21. */
  readonly ratio: number;
  readonly wanted: number;
}

/** Whoever goes by keyboard does not get out again. WCAG 2.2, 2.1.2. */
export interface HoldsTabProblem {
  readonly check: 'holds-tab';
}

/** Something opens, and a screen reader does not say so. WCAG 2.2, 4.1.3. */
export interface UnannouncedProblem {
  readonly check: 'unannounced';
}

/** What is there moves away when a picture comes. */
export interface ShiftsProblem {
  readonly check: 'shifts';
  readonly byPx: number;
}

/** A control that does nothing. */
export interface DeadProblem {
  readonly check: 'dead';
  readonly why: DeadReason;
}

/** A text that is not in the language of the page. */
export interface UntranslatedProblem {
  readonly check: 'untranslated';
  /** ISO 639-1. */
  readonly language: string;
}

/** The same sum told as two. */
export interface DiffersProblem {
  readonly check: 'differs';
  readonly text: string;
  readonly other: string;
  readonly by: PlaceInPiece;
}

/** Something moves though the shopper asked for no motion. WCAG 2.2, 2.3.3. */
export interface MovesProblem {
  readonly check: 'moves';
}

export type ProblemFacts =
  | FaintProblem
  | CutProblem
  | SticksOutProblem
  | NarrowProblem
  | SmallProblem
  | CoveredProblem
  | NoCloseProblem
  | SeveralProblem
  | UnnamedProblem
  | SidewaysProblem
  | UnmarkedProblem
  | UnseenFocusProblem
  | HoldsTabProblem
  | UnannouncedProblem
  | ShiftsProblem
  | DeadProblem
  | UntranslatedProblem
  | DiffersProblem
  | MovesProblem;

/** Something wrong with what was drawn, where it is. */
export type ProofProblem = ProblemFacts & {
  readonly at: PlaceInPiece;
  readonly box: DrawnBox;
  /** How many there are of the same kind, this one included. */
  readonly count: number;
};

export type CheckKey = ProofProblem['check'];

/** The worst for whoever wants to order first. */
export const CHECK_KEYS = [
  'covered',
  'dead',
  'no-close',
  'several',
  'differs',
  'faint',
  'cut',
  'sticks-out',
  'narrow',
  'small',
  'unnamed',
  'sideways',
  'unmarked',
  'unseen-focus',
  'holds-tab',
  'unannounced',
  'shifts',
  'untranslated',
  'moves',
] as const satisfies readonly CheckKey[];

/** What a check finds, before equal ones are counted. */
export type Found = ProblemFacts & Pick<ProofProblem, 'at' | 'box'>;

/** What belongs together is told once: the same fault of the same place of a piece, as on sixty cards of a list. */
export const problemKey = ({ check, at }: Pick<ProofProblem, 'check' | 'at'>): string =>
  JSON.stringify([
    check,
    at.pieceId,
    at.part,
    at.slot,
    at.word,
    at.slot === null && at.part === null ? at.called : null,
  ]);
