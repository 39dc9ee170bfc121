/** @jsxImportSource preact */
import { render } from 'preact';
import type { FormColumn } from './columns';
import { moneyIn, type CurrentForm } from './current-form';
import { Row } from './row';
import type { RowChooser } from './row-chooser';
import { ROWS_AT_ONCE, type FormRow } from './rows';
import type { Selection } from './selection';
import type { Windowed } from './windowed';

/** How many found rows are drawn at each letter; the others in sight follow when typing pauses. */
const ROWS_WHILE_TYPING = 6;
/** Typing has paused after so many ms. */
const TYPING_MS = 150;

export interface DrawnRows {
  draw(): void;
  /** Draws these from now on. */
  show(rows: readonly FormRow[]): void;
  /** Somebody is typing: draws less until they pause. */
  startTyping(): void;
  end(): void;
}

interface Parts {
  readonly columns: readonly FormColumn[];
  readonly selection: Selection;
  /** Null where options are not asked in the rows. */
  readonly chooser: RowChooser | null;
}

/** The rows of a table: of long lists only those about the ones in sight are drawn. */
export function createDrawnRows(
  current: CurrentForm,
  all: readonly FormRow[],
  { columns, selection, chooser }: Parts,
): DrawnRows {
  const { form, body } = current;
  const link = (path: string) => path + (form.dataset['query'] ?? '');
  const seenPictures = new Set<string>();
  let rows = all;
  let long: Windowed | null = null;
  let drawnAt: string | undefined;
  let isDue = false;
  let isTyping = false;
  let isBusy = false;
  let hasEnded = false;
  let pause: ReturnType<typeof setTimeout> | undefined;
  const scrolledTo = () => JSON.stringify(long?.shown());

  async function startWindowed(): Promise<void> {
    const { windowed } = await import('./windowed');
    if (hasEnded) return;
    long = windowed(body, rows.length, (i) => rows[i]?.variantId ?? i, drawSoon);
    draw();
  }

  /** Draws once for several changes at once, such as the heights of new rows. */
  function drawSoon(): void {
    if (isDue) return;
    isDue = true;
    queueMicrotask(() => {
      isDue = false;
      // Called at every step of scrolling: most change nothing.
      if (!hasEnded && scrolledTo() !== drawnAt) draw();
    });
  }

  /** New pictures come when typing or scrolling pauses. */
  function hasPicture({ picture }: FormRow): boolean {
    if (picture === null || (isBusy && !seenPictures.has(picture))) return false;
    seenPictures.add(picture);
    return true;
  }

  function draw(): void {
    drawnAt = scrolledTo();
    const inSight = long?.shown() ?? {
      indexes: rows.slice(0, ROWS_AT_ONCE).map((_row, i) => i),
      before: 0,
      after: 0,
      isMoving: false,
    };
    isBusy = isTyping || inSight.isMoving;
    const indexes = isTyping ? inSight.indexes.slice(0, ROWS_WHILE_TYPING) : inSight.indexes;
    body.style.paddingBlock = `${inSight.before}px ${inSight.after}px`;
    render(
      indexes
        .flatMap((index) => rows[index] ?? [])
        .map((row, i) => (
          <Row
            key={row.variantId}
            row={row}
            columns={columns}
            piece={current.piece}
            money={moneyIn(current)}
            link={link}
            language={current.host.language}
            {...(long && { index: indexes[i]!, elementRef: long.measure })}
            state={selection.stateOf(row)}
            hasPicture={hasPicture(row)}
            {...(chooser && { chooseRef: chooser.takesPlaceOf(row) })}
          />
        )),
      body,
    );
  }

  if (all.length > ROWS_AT_ONCE) void startWindowed();
  return {
    draw,
    show(next) {
      rows = next;
      long?.count(rows.length);
      draw();
    },
    startTyping() {
      isTyping = true;
      clearTimeout(pause);
      pause = setTimeout(() => {
        isTyping = false;
        draw();
      }, TYPING_MS);
    },
    end() {
      hasEnded = true;
      clearTimeout(pause);
      long?.end();
    },
  };
}
