import type { MeasuredControl, MeasuredSurface, MeasuredText, PageMeasure, PlaceInPiece } from '~/core/proof';

/** A place of a piece, called “Add”. */
export const placeIn = (pieceId: string, more: Partial<PlaceInPiece> = {}): PlaceInPiece => ({
  pieceId,
  part: null,
  slot: null,
  word: null,
  called: 'Add',
  ...more,
});

/** A text with nothing wrong. */
export const measuredText = (more: Partial<MeasuredText> = {}): MeasuredText => ({
  at: placeIn('quick-view'),
  box: { x: 20, y: 20, width: 200, height: 20 },
  text: 'A kite that flies',
  language: 'en',
  colour: '#000000',
  grounds: ['#ffffff'],
  sizePx: 16,
  isBold: false,
  isDisabled: false,
  lines: 1,
  hiddenPx: { across: 0, down: 0 },
  sticksOutPx: 0,
  ...more,
});

/** A button with nothing wrong. */
export const measuredControl = (more: Partial<MeasuredControl> = {}): MeasuredControl => ({
  at: placeIn('quick-view'),
  box: { x: 20, y: 60, width: 120, height: 44 },
  name: 'Add to cart',
  use: null,
  isInText: false,
  coveredBy: null,
  mark: null,
  focusRatio: null,
  dead: null,
  ...more,
});

/** A panel with nothing wrong but that only its close button closes it. */
export const measuredSurface = (more: Partial<MeasuredSurface> = {}): MeasuredSurface => ({
  at: placeIn('quick-view'),
  box: { x: 0, y: 0, width: 390, height: 844 },
  name: 'Kite',
  isModal: true,
  isClosedBeside: false,
  widerByPx: 0,
  isAnnounced: true,
  holdsTab: false,
  ...more,
});

export const measuredPage = (more: Partial<PageMeasure> = {}): PageMeasure => ({
  language: 'en',
  width: 390,
  height: 844,
  widerByPx: 0,
  texts: [],
  controls: [],
  surfaces: [],
  shifts: [],
  sums: [],
  moving: [],
  ...more,
});
