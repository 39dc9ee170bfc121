import { Tabs } from 'radix-ui';
import { useEffect, useRef, useState } from 'react';
import type { Samples } from '~/studio/preview/samples';
import { Board } from './board';
import { ProblemPanel } from './problem-panel';
import { ShopFrames } from './shop-frames';
import type { Stone } from './sheet';
import { useSheet } from './use-sheet';

interface Props {
  readonly pieceId: string;
  /** As the owner calls the piece. */
  readonly name: string;
  readonly samples: Samples;
  readonly categories: readonly { readonly slug: string }[];
  readonly panelClass: string;
  /** The situation that is looked at first, by its key. */
  readonly first: string | null;
  /** Puts the panel away, where it lies over the board. */
  readonly onClose: () => void;
  /** What was drawn, whenever the sheet is complete. */
  readonly onDrawn: (stones: ReadonlyMap<string, Stone>) => void;
}

/** The proof sheet in the middle of the bench, and beside it the situation that was chosen. */
export function ProofTask({ pieceId, name, samples, categories, panelClass, first, onClose, onDrawn }: Props) {
  const frames = useRef<(HTMLIFrameElement | null)[]>([]);
  const sheet = useSheet({ pieceId, samples, categories, frames });
  const [chosen, setChosen] = useState<string | null>(first);
  const stones = sheet.situations.flatMap(({ key }) => sheet.stones.get(key) ?? []);
  const stone =
    sheet.stones.get(chosen ?? '') ?? stones.find(({ problems }) => problems.length > 0) ?? stones[0] ?? null;

  useEffect(() => {
    if (sheet.tookMs !== null) onDrawn(sheet.stones);
  }, [sheet.tookMs, sheet.stones, onDrawn]);

  return (
    <>
      <section
        aria-label="Proof sheet"
        className="relative isolate col-start-2 row-span-2 row-start-2 flex min-h-0 flex-col overflow-hidden bg-slab"
      >
        <ShopFrames frames={frames} />
        <Board name={name} sheet={sheet} chosen={stone?.situation.key ?? null} onChoose={setChosen} />
      </section>
      <Tabs.Content value="proof" className={panelClass}>
        <button className="btn self-end lg:hidden" onClick={onClose}>
          Close the panel
        </button>
        {stone ? <ProblemPanel stone={stone} sheet={sheet} /> : <p className="help">The first pictures are drawn …</p>}
      </Tabs.Content>
    </>
  );
}
