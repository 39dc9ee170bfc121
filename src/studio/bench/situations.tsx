import Monitor from 'lucide-react/icons/monitor';
import Smartphone from 'lucide-react/icons/smartphone';
import Tablet from 'lucide-react/icons/tablet';
import type { Situation } from '~/core/lane';
import { deviceOf } from '~/core/where';

const ICONS = { phone: Smartphone, tablet: Tablet, desktop: Monitor };

interface Props {
  readonly situations: readonly Situation[];
  readonly current: Situation;
  readonly onPut: (situation: Situation) => void;
}

/** The hard cases of this kind of piece, met by the owner's own products. */
export function Situations({ situations, current, onPut }: Props) {
  return (
    <section
      aria-label="Situations"
      className="col-start-2 flex lg:col-span-2 items-center gap-3 overflow-x-auto border-t border-mortar bg-slab px-4"
    >
      <p className="w-36 flex-none leading-tight">
        <strong className="font-head">{situations.length} situations</strong>
        <span className="help block">Each with products of your own. Press one to see it.</span>
      </p>
      {situations.map((situation) => {
        const Icon = ICONS[deviceOf(situation.width)];
        return (
          <button
            key={situation.key}
            aria-pressed={current.key === situation.key}
            onClick={() => onPut(situation)}
            className="flex h-[62px] min-w-[86px] flex-none flex-col items-start justify-between rounded-stone border border-mortar bg-white px-2.5 py-1.5 text-start hover:border-basalt aria-pressed:outline-2 aria-pressed:outline-paint"
          >
            <span className="flex items-center gap-1 text-[11.5px] text-gravel">
              <Icon size={14} strokeWidth={1.75} /> {situation.width}
            </span>
            <span className="font-medium whitespace-nowrap">{situation.label}</span>
          </button>
        );
      })}
    </section>
  );
}
