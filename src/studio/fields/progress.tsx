import type { RouteName } from '~/contract';
import type { Work } from '~/studio/data/work';

/** How far something is, and the way to stop it. */
export function Progress({
  work,
  label,
}: {
  work: Pick<Work<RouteName>, 'done' | 'cancel' | 'problem'>;
  label: string;
}) {
  if (work.problem)
    return (
      <p role="alert" className="text-brick">
        {work.problem}
      </p>
    );
  if (work.done === null) return null;
  return (
    <div className="flex items-center gap-3">
      <progress className="h-3 w-56 accent-moss" max={1} value={work.done} aria-label={label} />
      <span className="tabular-nums">{Math.round(work.done * 100)} %</span>
      <button className="btn" onClick={work.cancel}>
        Stop
      </button>
    </div>
  );
}
