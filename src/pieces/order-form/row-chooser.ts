import type { Answers } from '~/core/options/answers';
import type { ChooseRow } from './choose-row';
import type { CurrentForm } from './current-form';
import type { FormRow } from './rows';
import type { Selection } from './selection';

/** A ref: gets the element in which a row's options are asked, and null when it is removed. */
type Takes = (element: HTMLElement | null) => void;

export interface RowChooser {
  /** The ref for an open row's options. Null while they are not asked; undefined for a row without options. */
  takesPlaceOf(row: FormRow): Takes | null | undefined;
  toggle(row: FormRow): void;
  end(): void;
}

/** Options asked in a row: of one at a time, and what is answered stays when the row scrolls away. */
export function createRowChooser(current: CurrentForm, selection: Selection, draw: () => void): RowChooser {
  let open: FormRow | null = null;
  let mounted: ChooseRow | null = null;
  const answers = new Map<number, Answers>();

  function takePlace(element: HTMLElement | null): void {
    mounted?.destroy();
    mounted = null;
    const row = open;
    if (!element || !row) return;
    void import('./choose-row').then(({ chooseRow }) => {
      // Another one may have been opened meanwhile.
      if (row !== open || !element.isConnected || mounted) return;
      mounted = chooseRow(element, {
        row,
        current,
        selection,
        answers,
        onAdded() {
          open = null;
          draw();
        },
      });
    });
  }

  return {
    takesPlaceOf: (row) => (row.isOpen ? (open === row ? takePlace : null) : undefined),
    toggle(row) {
      open = open === row ? null : row;
      draw();
    },
    end: () => mounted?.destroy(),
  };
}
