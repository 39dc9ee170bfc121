import { describeDifference } from '~/core/lane';
import { STRETCH_NAMES, STRETCHES } from '~/core/funnel';
import { definitions } from '~/pieces/definitions';
import { useBandFigures } from '~/studio/data/band-figures';
import { useDraft } from '~/studio/data/draft-store';
import { moment, percent, points } from '~/studio/data/format';
import type { ShellData } from '~/studio/data/studio-data';

const STRIP = { width: 126, height: 14 } as const;

interface Props {
  readonly data: ShellData;
  readonly stretch: string | undefined;
  readonly onPublish: () => void;
}

/** The lane in small: navigation and chart in one. Strip widths go by the square root of the share, so that the end stays in sight. */
export function Band({ data, stretch, onPublish }: Props) {
  const own = useBandFigures((state) => state.figures);
  const { funnel, before, days, whose } = own ?? { ...data, days: 28, whose: '' };
  const period = `the last ${days} days${whose && `, ${whose}`}`;
  return (
    <header
      aria-label="The lane in small"
      className="col-span-2 flex items-stretch gap-[1px] bg-basalt py-2 pe-3 text-limestone"
    >
      <a href="/studio" aria-label="Paved Lane, home" className="grid w-[76px] place-items-center">
        <svg viewBox="0 0 34 30" width="36" height="32" aria-hidden="true">
          <path d="M0 0h20v8H0zM0 11h10v8H0zM0 22h20v8H0zM23 22h11v8H23z" fill="#b9ac97" />
          <path d="M13 11h21v8H13z" fill="#f0b429" />
          <path d="M23 0h11v8H23z" fill="#f7f4ee" />
        </svg>
      </a>
      <p className="grid w-[74px] flex-none content-center text-[12px] leading-tight" data-testid="band-period">
        <span>{days} days</span>
        <span className="truncate" title={whose || 'all visits'}>
          {whose || 'all visits'}
        </span>
      </p>
      <nav aria-label="Stretches of the lane" className="flex min-w-0 flex-1 gap-[1px]">
        {STRETCHES.map((key, i) => {
          const here = funnel.stretches[i]!;
          const next = funnel.stretches[i + 1] ?? here;
          const change = here.share - before.stretches[i]!.share;
          const known = before.sessions > 0 && i > 0;
          return (
            <a
              key={key}
              href={`/studio/stretch/${key}`}
              aria-current={stretch === key ? 'page' : undefined}
              title={`${STRETCH_NAMES[key]}: ${percent(here.share)} of visits of ${period} get here${known ? `, ${points(change)} points against the ${days} days before` : ''}. Strip: square root of the share.`}
              className="flex min-w-0 flex-1 flex-col justify-between bg-basalt-2 px-2.5 max-lg:px-1.5 py-1.5 no-underline hover:bg-[#414950] aria-[current]:outline-2 aria-[current]:-outline-offset-2 aria-[current]:outline-paint"
            >
              <span className="flex items-baseline justify-between gap-2 font-head font-semibold max-lg:flex-col max-lg:gap-0 max-lg:text-[13px] max-lg:leading-tight">
                {STRETCH_NAMES[key]} <span>{percent(here.share)}</span>
              </span>
              <span className="flex items-center justify-between gap-2 text-[12px] max-lg:hidden">
                <Strip from={here.share} to={next.share} />
                {known && <span className={change < 0 ? 'text-[#f0a08c]' : 'text-[#a9d6b8]'}>{points(change)}</span>}
              </span>
            </a>
          );
        })}
      </nav>
      <DraftState onPublish={onPublish} role={data.account.role} />
    </header>
  );
}

function Strip({ from, to }: { from: number; to: number }) {
  const half = STRIP.height / 2;
  const [a, b] = [Math.max(1, Math.sqrt(from) * half), Math.max(1, Math.sqrt(to) * half)];
  return (
    <svg
      viewBox={`0 0 ${STRIP.width} ${STRIP.height}`}
      preserveAspectRatio="none"
      className="h-[14px] min-w-0 flex-1"
      aria-hidden="true"
    >
      <polygon
        points={`0,${half - a} ${STRIP.width},${half - b} ${STRIP.width},${half + b} 0,${half + a}`}
        fill="#b9ac97"
      />
    </svg>
  );
}

function DraftState({ onPublish, role }: { onPublish: () => void; role: string }) {
  const { lane, live, saving, plans } = useDraft();
  const [soonest] = plans.filter((plan) => plan.state === 'waiting');
  const refused = plans.filter((plan) => plan.state === 'refused').length;
  const changes = describeDifference(live.lane, lane, definitions).length;
  const state =
    saving === 'saving'
      ? 'saving …'
      : saving === 'failed'
        ? 'not saved'
        : live.revision === 0
          ? 'not open yet'
          : changes === 0
            ? 'live'
            : 'in draft';
  return (
    <div className="flex items-center gap-3 ps-4 max-lg:gap-2 max-lg:ps-2">
      <a
        href="/studio/revisions"
        className="flex items-center gap-2 whitespace-nowrap no-underline hover:underline"
        data-testid="draft-state"
      >
        <span className={`size-2.5 rounded-full ${changes === 0 && live.revision > 0 ? 'bg-[#5fae83]' : 'bg-paint'}`} />
        <span className="leading-tight">
          {changes > 0 && live.revision > 0 && `${changes} ${changes === 1 ? 'change' : 'changes'} `}
          {state}
          {(soonest || refused > 0) && (
            <span className={`block text-[12px] ${refused > 0 ? 'text-[#f0a08c]' : ''}`}>
              {refused > 0 ? `${refused} did not go out` : soonest && `goes out ${moment(soonest.at, live.lane.shop)}`}
            </span>
          )}
        </span>
      </a>
      <button
        className="btn btn-paint whitespace-nowrap"
        onClick={onPublish}
        disabled={(changes === 0 && live.revision > 0) || role === 'viewer'}
      >
        {live.revision === 0 ? 'Open the shop …' : 'Publish …'}
      </button>
    </div>
  );
}
