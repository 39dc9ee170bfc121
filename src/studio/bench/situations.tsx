import Monitor from 'lucide-react/icons/monitor';
import Smartphone from 'lucide-react/icons/smartphone';
import Tablet from 'lucide-react/icons/tablet';
import type { Situation } from '~/core/lane';
import { deviceOf } from '~/core/where';
import { Picture } from '~/studio/proof/picture';
import type { Stone } from '~/studio/proof/sheet';

const ICONS = { phone: Smartphone, tablet: Tablet, desktop: Monitor };

interface Props {
  readonly situations: readonly Situation[];
  readonly current: Situation;
  /** What the proof drew of the lane as it is now; null where it has not been asked. */
  readonly stones: ReadonlyMap<string, Stone> | null;
  readonly onPut: (situation: Situation) => void;
}

/** The hard cases of this kind of piece, met by the owner's own products. */
/** Of a small picture in the strip, in px. */
const PICTURE_PX = 44;

export function Situations({ situations, current, stones, onPut }: Props) {
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
        const stone = stones?.get(situation.key);
        const problems = stone?.problems.length ?? 0;
        return (
          <button
            key={situation.key}
            aria-pressed={current.key === situation.key}
            onClick={() => onPut(situation)}
            className={`flex h-[74px] min-w-[86px] flex-none flex-col items-start justify-between rounded-stone border bg-white px-2.5 py-1.5 text-start hover:border-basalt aria-pressed:outline-2 aria-pressed:outline-paint ${problems > 0 ? 'border-brick' : 'border-mortar'}`}
          >
            {stone ? (
              <Picture stone={stone} height={PICTURE_PX} />
            ) : (
              <span className="flex items-center gap-1 text-[11.5px] text-gravel">
                <Icon size={14} strokeWidth={1.75} /> {situation.width}
              </span>
            )}
            <span className="font-medium whitespace-nowrap">
              {situation.label}
              {problems > 0 && <span className="text-brick"> · {problems}</span>}
            </span>
          </button>
        );
      })}
    </section>
  );
}
