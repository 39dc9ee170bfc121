import type { DrawnBox, PlaceInPiece } from './page-measure';

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
  | SidewaysProblem;

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
  'no-close',
  'several',
  'faint',
  'cut',
  'sticks-out',
  'narrow',
  'small',
  'unnamed',
  'sideways',
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
