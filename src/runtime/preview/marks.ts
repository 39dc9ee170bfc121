import type { LookState } from '~/core/lane';
import type { FromPreview } from '~/core/lane/preview/preview-message';
import { measureLooks } from './measure-looks';
import { ownerOf, pieceElements } from './preview-pieces';

/** Colours that move stand still after as long, in ms. */
const STILL_MS = 250;
/** What opens is drawn when what it shows has come: it is marked again after each of these, in ms. */
const MARKED_AFTER_MS = [50, 300, 1000, 3000];

const OUTLINE =
  '[data-part][data-chosen]{outline:2px solid #f0b429;outline-offset:3px}[data-part]:hover{cursor:pointer}';

export interface PreviewMarks {
  /** Outlines a part of every piece. */
  choose(part: string | null): void;
  /** Shows hover, focus or press without a hand. */
  force(state: LookState): void;
  /** Measures this piece from now on. */
  measure(pieceId: string | null): void;
  mark(): void;
  markWhatComes(): void;
  /** Every root a piece is drawn in. */
  roots(): (ShadowRoot | HTMLElement)[];
  end(): void;
}

/** Marks in the preview what is chosen in the bench, and tells how the piece that is shaped looks. */
export function createPreviewMarks(tell: (message: FromPreview) => void): PreviewMarks {
  let chosen: string | null = null;
  let forced: LookState = 'rest';
  let shaped: string | null = null;
  let measuring: number | undefined;
  let coming: number[] = [];
  const sheet = new CSSStyleSheet();
  sheet.replaceSync(OUTLINE);

  const roots = () =>
    pieceElements(document).map((element) => {
      const root = element.shadowRoot;
      const styled = root ?? document;
      if (!styled.adoptedStyleSheets.includes(sheet)) styled.adoptedStyleSheets.push(sheet);
      return root ?? element;
    });

  function mark(): void {
    for (const root of roots()) {
      for (const element of root.querySelectorAll<HTMLElement>('[data-part]'))
        element.toggleAttribute('data-chosen', Boolean(chosen) && chosen === element.dataset['part']);
      for (const element of root.querySelectorAll<HTMLElement>('[data-slot]')) element.dataset['force'] = forced;
    }
    window.clearTimeout(measuring);
    measuring = window.setTimeout(tellLooks, STILL_MS);
  }

  /** Tells how the shaped piece looks, once nothing has been redrawn for a moment. */
  function tellLooks(): void {
    if (shaped === null) return;
    const own = pieceElements(document).filter((element) => ownerOf(element) === shaped);
    const slots = measureLooks(own.map((element) => element.shadowRoot ?? element));
    tell({ pl: 'measured', pieceId: shaped, state: forced, slots });
  }

  return {
    roots,
    mark,
    choose(part) {
      chosen = part;
      mark();
    },
    force(state) {
      forced = state;
      mark();
    },
    measure(pieceId) {
      shaped = pieceId;
    },
    markWhatComes() {
      for (const timer of coming) window.clearTimeout(timer);
      coming = MARKED_AFTER_MS.map((ms) => window.setTimeout(mark, ms));
    },
    end() {
      for (const timer of [measuring, ...coming]) window.clearTimeout(timer);
    },
  };
}
