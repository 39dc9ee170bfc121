import type { MeasuredText, PageMeasure } from './page-measure';
import type { Found } from './problem';

/** Rounding and the overhang of letters, in px. */
const SLACK_PX = 2;
/** As few letters a line over so many lines are words broken apart. */
const FEW_LETTERS = 2.5;
const MANY_LINES = 3;

/** Whether its longest word is broken: figures and short words one below the other are not. */
const hasLongWord = ({ text }: MeasuredText): boolean => /\p{L}{5,}/u.test(text);

export function findCut({ texts }: PageMeasure): Found[] {
  return texts.flatMap(({ at, box, hiddenPx }): Found[] => {
    const hidden = Math.max(hiddenPx.across, hiddenPx.down);
    return hidden > SLACK_PX ? [{ check: 'cut', at, box, hiddenPx: Math.round(hidden) }] : [];
  });
}

export function findSticksOut({ texts }: PageMeasure): Found[] {
  return texts.flatMap(({ at, box, sticksOutPx }): Found[] =>
    sticksOutPx > SLACK_PX ? [{ check: 'sticks-out', at, box, byPx: Math.round(sticksOutPx) }] : [],
  );
}

export function findNarrow({ texts }: PageMeasure): Found[] {
  return texts.flatMap((text): Found[] => {
    const { at, box, lines } = text;
    const letters = text.text.length;
    return lines >= MANY_LINES && letters / lines <= FEW_LETTERS && hasLongWord(text)
      ? [{ check: 'narrow', at, box, lines, letters }]
      : [];
  });
}

export function findSideways({ widerByPx, width, height, surfaces }: PageMeasure): Found[] {
  const at = { pieceId: '', part: null, slot: null, word: null, called: '' };
  return [{ at, box: { x: 0, y: 0, width, height }, widerByPx }, ...surfaces].flatMap((one): Found[] =>
    one.widerByPx > SLACK_PX ? [{ check: 'sideways', at: one.at, box: one.box, byPx: Math.round(one.widerByPx) }] : [],
  );
}
