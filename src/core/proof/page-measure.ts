/** In CSS px, from the upper left corner of the window. */
export interface DrawnBox {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

/** What something measured belongs to. */
export interface PlaceInPiece {
  /** Empty: the page itself, no piece. */
  readonly pieceId: string;
  readonly part: string | null;
  readonly slot: string | null;
  readonly word: string | null;
  /** How a person would call it: its text or its name, at most 60 letters. */
  readonly called: string;
}

export interface MeasuredText {
  readonly at: PlaceInPiece;
  readonly box: DrawnBox;
  readonly text: string;
  /** ISO 639-1, as the page says of it. */
  readonly language: string;
  /** #rrggbb, as it comes to on its ground. */
  readonly colour: string;
  /** Colours behind it, #rrggbb: one for an even ground, several sampled from a picture. */
  readonly grounds: readonly string[];
  readonly sizePx: number;
  readonly isBold: boolean;
  /** True where nobody can use what it names now. */
  readonly isDisabled: boolean;
  readonly lines: number;
  /** Px of it that no scrolling brings into sight, across and down. */
  readonly hiddenPx: { readonly across: number; readonly down: number };
  /** Px by which it sticks out of the control it names. */
  readonly sticksOutPx: number;
}

/** What a button is for, where that is to order, or to close what lies over the page. */
export type ControlUse = 'order' | 'close';

export interface MeasuredControl {
  readonly at: PlaceInPiece;
  readonly box: DrawnBox;
  /** Its accessible name; empty where it has none, null where screen readers pass it by. */
  readonly name: string | null;
  readonly use: ControlUse | null;
  /** A link within a sentence. */
  readonly isInText: boolean;
  /** What a pointer hits in its place, however the page is scrolled; null when it hits the control. */
  readonly coveredBy: PlaceInPiece | null;
  /** What it is known by where it is no text: the line around a field, or the drawing on a button. */
  readonly mark: MeasuredMark | null;
  /** How well its focus is seen, 1 (not at all) to 21; null: another of the same look was asked. */
  readonly focusRatio: number | null;
  /** Why nothing happens when it is pressed. */
  readonly dead: DeadReason | null;
}

/** Colours that a control is known by, each with what lies behind it. */
export interface MeasuredMark {
  readonly what: 'edge' | 'drawing';
  /** #rrggbb. */
  readonly colour: string;
  readonly ground: string;
  /** 1 to 21. */
  readonly ratio: number;
}

/** It takes no press, or leads to nowhere on this page. */
export type DeadReason = 'takes-no-press' | 'leads-nowhere';

/** Something that lies over the page. */
export interface MeasuredSurface {
  readonly at: PlaceInPiece;
  readonly box: DrawnBox;
  /** Its accessible name; empty where it has none. */
  readonly name: string;
  readonly isModal: boolean;
  /** Some of the page beside it can be pressed, which closes it. */
  readonly isClosedBeside: boolean;
  /** Px by which what it shows is wider than itself. */
  readonly widerByPx: number;
  /** Whether a screen reader says that it is there: by its focus, or a live text in it. */
  readonly isAnnounced: boolean;
  /** The page stays in use, yet Tab does not lead out of it. */
  readonly holdsTab: boolean;
}

/** Something that jumps when a picture comes. */
export interface MeasuredShift {
  readonly at: PlaceInPiece;
  readonly box: DrawnBox;
  readonly byPx: number;
}

/** A sum as it is told in one place. */
export interface MeasuredSum {
  readonly at: PlaceInPiece;
  readonly box: DrawnBox;
  /** What it is the sum of: wherever that is told it is the same. */
  readonly of: string;
  readonly text: string;
}

/** What stands in a window that shows the shop in a situation, measured by the browser that drew it. */
export interface PageMeasure {
  readonly language: string;
  readonly width: number;
  readonly height: number;
  /** Px by which the page is wider than its window. */
  readonly widerByPx: number;
  readonly texts: readonly MeasuredText[];
  readonly controls: readonly MeasuredControl[];
  readonly surfaces: readonly MeasuredSurface[];
  readonly shifts: readonly MeasuredShift[];
  readonly sums: readonly MeasuredSum[];
  /** What moves, or would begin to, though the shopper asked for no motion. */
  readonly moving: readonly Pick<MeasuredShift, 'at' | 'box'>[];
}
