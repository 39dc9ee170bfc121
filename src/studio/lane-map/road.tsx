import isEqual from 'fast-deep-equal';
import { describeDifference, pieceName, type Shop } from '~/core/lane';
import { stretchOf, type Offer } from '~/core/pricing';
import { STRETCH_NAMES, STRETCHES, type Stretch } from '~/core/funnel';
import { definitionOf, definitions, definitionWithRole } from '~/pieces/definitions';
import { useDraft } from '~/studio/data/draft-store';
import { countProblems, useProofs } from '~/studio/data/proofs';
import type { PieceProof } from '~/contract/studio/proofs';
import { count, percent, roughMoney } from '~/studio/data/format';
import type { LaneMap as LaneMapData } from '~/contract/studio/lane-map';

/** The drawing is 1,200 × 228 and stretched to its place; words lie over it, unstretched. */
const LINK = definitionWithRole('link');
const WIDTH = 1200;
const MIDDLE = 82;
const HALF = 76;
const HEIGHT = 228;
/** Above it the exits end: below are three lines of words. */
const BOTTOM = HEIGHT - 22;
const COLUMN = WIDTH / STRETCHES.length;

/** The road: widths by the square root of the visits left, exits by the square root of those who leave. */
export function Road({ map, shop }: { map: LaneMapData; shop: Shop }) {
  const { stretches, sessions } = map.funnel;
  const isWalked = sessions > 0;
  // Before anybody has come it is as wide everywhere: nobody has left it.
  const half = stretches.map((stretch) => (isWalked ? Math.max(2, Math.sqrt(stretch.share) * HALF) : HALF * 0.6));
  const worst = map.losses[0]?.from;
  return (
    <section aria-label="The lane" className="panel overflow-hidden bg-verge">
      <div className="grid grid-cols-6 items-end gap-x-2 px-3 pt-3" style={{ minHeight: 66 }}>
        {STRETCHES.map((stretch) => (
          <Tiles key={stretch} stretch={stretch} map={map} />
        ))}
      </div>
      <div className="relative">
        <svg
          viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
          preserveAspectRatio="none"
          className="block h-[228px] w-full"
          aria-hidden="true"
        >
          <defs>
            <pattern id="paving" width="36" height="20" patternUnits="userSpaceOnUse">
              <rect width="36" height="20" fill="#c4b8a3" />
              <path d="M0 .5H36M0 10.500H36M.5 0V10M18.500 10V20" stroke="#ab9e87" strokeWidth="1" fill="none" />
            </pattern>
          </defs>
          {(isWalked ? stretches.slice(0, -1) : []).map((stretch, i) => (
            <path
              key={stretch.stretch}
              d={exitPath(i, half[i + 1]!)}
              fill="none"
              stroke={stretch.stretch === worst ? '#a8432b' : '#ab9e87'}
              strokeWidth={Math.max(2, (Math.sqrt(stretch.left / sessions) * HALF) / 2.6)}
              strokeLinecap="round"
            />
          ))}
          <path
            d={roadPath(half)}
            fill="url(#paving)"
            stroke="#8f836d"
            strokeWidth="1"
            vectorEffect="non-scaling-stroke"
          />
        </svg>
        <div className="absolute inset-0 grid grid-cols-6">
          {stretches.map((stretch, i) => (
            <a
              key={stretch.stretch}
              href={`/studio/stretch/${stretch.stretch}`}
              className="relative block px-3 no-underline"
              data-testid={`stretch-${stretch.stretch}`}
            >
              <span
                className="absolute start-3 -translate-y-1/2 rounded-stone bg-[#f7f4eee0] px-2 py-0.5 leading-tight"
                style={{ top: MIDDLE }}
              >
                <strong className="block font-head text-[18px]">{STRETCH_NAMES[stretch.stretch]}</strong>
                <span className="whitespace-nowrap text-[12.5px]">
                  {isWalked ? (
                    <>
                      <span data-testid="sessions">{count(stretch.sessions)}</span> · {percent(stretch.share)}
                    </>
                  ) : i < map.excluded.ownDepth ? (
                    'you were here'
                  ) : (
                    'nobody yet'
                  )}
                </span>
              </span>
              {isWalked && stretch.goOn !== null && (
                <span className={`absolute end-0 bottom-1.5 whitespace-nowrap text-end text-[12.5px] leading-[16px] `}>
                  <strong className={stretch.stretch === worst ? 'text-brick' : ''}>{count(stretch.left)} leave</strong>
                  {map.pointMinor[i] !== null && (
                    <>
                      <span className="block">If 1 in 100 more went on:</span>
                      about {roughMoney(map.pointMinor[i]!, shop)}
                    </>
                  )}
                </span>
              )}
            </a>
          ))}
        </div>
      </div>
      <p className="help border-t border-mortar bg-slab px-3 py-1">
        {isWalked
          ? 'Signs are pieces, dashed ones offers. The road is as wide as many are still on it (square root of the visits). “If 1 in 100 more went on” is an estimate: what 30 days would bring if one more of a hundred on that stretch went on and spent like those who do.'
          : 'Each sign is a piece on the way to an order, each dashed one an offer. Press one to shape it. Your own visits are shown here, and counted nowhere.'}
      </p>
    </section>
  );
}

/** Left and right of each step the road has the width of its stretch; between them it narrows softly. */
function roadPath(half: readonly number[]): string {
  const edge = (sign: 1 | -1) =>
    half.map((width, i) => {
      const [x0, x1] = [i * COLUMN, (i + 1) * COLUMN];
      const next = half[i + 1] ?? width;
      const y = (value: number) => MIDDLE + sign * value;
      return {
        start: `${x0} ${y(width)}`,
        end: `${x1} ${y(next)}`,
        forth: `L${x1 - 70} ${y(width)}C${x1 - 30} ${y(width)} ${x1 - 40} ${y(next)} ${x1} ${y(next)}`,
        back: `C${x1 - 40} ${y(next)} ${x1 - 30} ${y(width)} ${x1 - 70} ${y(width)}L${x0} ${y(width)}`,
      };
    });
  const [top, bottom] = [edge(-1), edge(1)];
  return `M${top[0]!.start}${top.map((step) => step.forth).join('')}L${bottom.at(-1)!.end}${bottom
    .map((step) => step.back)
    .reverse()
    .join('')}Z`;
}

/** An exit leaves the road's lower edge and turns down to its count. */
function exitPath(i: number, nextHalf: number): string {
  const x = (i + 1) * COLUMN - 66;
  const y = MIDDLE + nextHalf - 4;
  return `M${x} ${y}C${x + 26} ${y + 10} ${x + 14} ${BOTTOM - 62} ${x + 34} ${BOTTOM - 42}`;
}

/** What the proof of a piece found, where it found something. */
function ProofMark({ proof }: { proof: PieceProof | undefined }) {
  const count = proof?.draft?.problems.length ?? 0;
  return count > 0 && <span className="block text-[12.5px] text-brick">{countProblems(count)} in its proof</span>;
}

/** More are one tile: the list of them has a room of its own. */
const MOST_LINKS = 1;

/** Whether an offer counts at a moment. */
function runs({ when: { from, until, code } }: Offer, now: number): string {
  if (from !== null && Date.parse(from) > now) return 'planned';
  if (until !== null && Date.parse(until) <= now) return 'over';
  return code === null ? 'runs' : `code ${code}`;
}

function Tiles({ stretch, map }: { stretch: Stretch; map: LaneMapData }) {
  const { lane, live } = useDraft();
  const proofs = useProofs();
  const changes = describeDifference(live.lane, lane, definitions);
  const own = Object.entries(lane.pieces).filter(([, piece]) => definitionOf(piece.kind)?.stretch === stretch);
  const links = own.filter(([, { kind }]) => kind === LINK.kind);
  const offers = Object.entries(lane.offers).filter(([, offer]) => offer.on && stretchOf(offer) === stretch);
  return (
    <div className="flex flex-col gap-1.5">
      {offers.map(([id, offer]) => (
        <a
          key={id}
          href={`/studio/offers?offer=${id}`}
          aria-label={`Offer: ${offer.name || id}`}
          className={`rounded-full border border-dashed bg-slab px-2.5 py-0.5 leading-[17px] no-underline hover:border-basalt ${isEqual(live.lane.offers[id], offer) ? 'border-gravel' : 'border-paint'}`}
        >
          {offer.name || id}
          <span className="text-[12.5px] text-gravel"> · {runs(offer, Date.now())}</span>
        </a>
      ))}
      {links.length > MOST_LINKS && (
        <a
          href="/studio/links"
          className="rounded-stone border border-mortar bg-white px-2.5 py-1.5 leading-[17px] no-underline hover:border-basalt"
        >
          <strong>{links.length} buy links</strong>
          <span className="block text-[12.5px] text-gravel">on other sites and in mails</span>
        </a>
      )}
      {(links.length > MOST_LINKS ? own.filter(([, { kind }]) => kind !== LINK.kind) : own).map(([id, piece]) => {
        const own = changes.filter((change) => change.pieceId === id).length;
        const definition = definitionOf(piece.kind)!;
        const used = map.pieceUse[id] ?? 0;
        // What records no use of its own has no share to show.
        const isOn = definition.isAlwaysOn ? 'always there' : 'on';
        const use = used > 0 ? `${percent(used / map.funnel.sessions)} of visits` : isOn;
        return (
          <a
            key={id}
            href={`/studio/bench/${id}`}
            className={`flex gap-2 rounded-stone border bg-white px-2.5 py-1.5 leading-[17px] no-underline hover:border-basalt ${own > 0 ? 'border-paint' : 'border-mortar'}`}
          >
            <span className={`mt-1 size-2.5 flex-none rounded-full ${piece.on ? 'bg-moss' : 'border border-gravel'}`} />
            <span className="min-w-0">
              <strong>{pieceName(piece, definitions)}</strong>
              <span className="block text-[12.5px] text-gravel">
                {piece.on || definition.isAlwaysOn ? use : 'off'}
                {own > 0 && ` · ${own} in draft`}
              </span>
              <ProofMark proof={proofs.get(id)} />
            </span>
          </a>
        );
      })}
    </div>
  );
}
