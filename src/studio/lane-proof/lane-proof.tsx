import { useEffect, useRef, useState } from 'react';
import type { KeptProblem, KeptProof, PieceProof } from '~/contract/studio/proofs';
import { STRETCH_NAMES, STRETCHES } from '~/core/funnel';
import { pieceName } from '~/core/lane';
import { definitionOf, definitions } from '~/pieces/definitions';
import { useDraft } from '~/studio/data/draft-store';
import { moment } from '~/studio/data/format';
import { countProblems, newProblems } from '~/studio/data/proofs';
import { useAnswer } from '~/studio/data/query';
import type { ShellData } from '~/studio/data/studio-data';
import type { Samples } from '~/studio/preview/samples';
import { Progress } from '~/studio/fields/progress';
import { Shell } from '~/studio/shell/shell';
import { Picture } from '~/studio/proof/picture';
import { ShopFrames } from '~/studio/proof/shop-frames';
import type { Stone } from '~/studio/proof/sheet';
import { pictureKey, provedPieces, useLaneProof, type LaneProof, type Proved } from './use-lane-proof';

/** Of a problem's picture, in px. */
const PICTURE_PX = 104;

interface Props {
  readonly shell: ShellData;
  readonly samples: Samples;
  readonly categories: readonly { readonly slug: string }[];
  /** What is proved at once, without a press. */
  readonly run: Proved | null;
  readonly only: string | null;
}

/** All sheets of the lane, one after the other: what holds, what does not, and what would mend it. */
export function LaneProofPage(props: Props) {
  return (
    <Shell data={props.shell} room="/studio">
      <LaneProofScreen {...props} />
    </Shell>
  );
}

function LaneProofScreen({ samples, categories, run, only }: Props) {
  const { lane: draft, live, proofs } = useDraft();
  const [proved, setProved] = useState<Proved>(run ?? 'draft');
  const frames = useRef<(HTMLIFrameElement | null)[]>([]);
  const { answer, problem, askAgain } = useAnswer('GET /api/studio/proofs', {}, { keepsLast: true });
  const proof = useLaneProof({ samples, categories, frames, onKept: askAgain });
  const { start } = proof;
  useEffect(() => {
    if (run) start(run, only);
  }, []);

  const lane = proved === 'live' ? live.lane : draft;
  const ids = provedPieces(lane);
  const byId = new Map((answer ?? proofs.found).map((piece) => [piece.pieceId, piece]));
  return (
    <div className="relative isolate h-full overflow-hidden">
      <ShopFrames frames={frames} />
      <div className="h-full overflow-auto px-[18px] py-4">
        <div className="flex max-w-[1080px] flex-col gap-4">
          <header>
            <h1>Prove the whole lane</h1>
            <p className="text-gravel">
              The shop draws every piece in all its hard situations and looks for what a shopper could not read, reach
              or close.
            </p>
          </header>
          <div className="flex flex-wrap items-center gap-3">
            <fieldset className="flex gap-4" disabled={proof.done !== null}>
              <legend className="sr-only">What is proved</legend>
              {(['draft', 'live'] as const).map((of) => (
                <label key={of} className="flex items-center gap-1.5">
                  <input
                    type="radio"
                    name="proved"
                    className="size-4 accent-moss"
                    checked={proved === of}
                    disabled={of === 'live' && live.revision === 0}
                    onChange={() => setProved(of)}
                  />
                  {of === 'draft' ? 'The draft' : 'What is live'}
                </label>
              ))}
            </fieldset>
            {proof.done === null && (
              <button className="btn btn-go" onClick={() => start(proved, null)}>
                Prove all {ids.length} pieces
              </button>
            )}
            <Progress work={{ done: proof.done, problem: proof.problem, cancel: proof.stop }} label="Pieces proved" />
            {proof.done !== null && proof.piece && <span className="text-gravel">{proof.piece}</span>}
          </div>
          <Summary
            pieces={ids.map((id) => byId.get(id)?.[proved] ?? null)}
            problem={problem}
            isRunning={proof.done !== null}
          />
          {STRETCHES.map((stretch) => {
            const here = ids.filter((id) => definitionOf(lane.pieces[id]!.kind)?.stretch === stretch);
            return (
              here.length > 0 && (
                <section key={stretch} aria-label={STRETCH_NAMES[stretch]}>
                  <h2 className="mb-1.5">{STRETCH_NAMES[stretch]}</h2>
                  <ul className="panel divide-y divide-mortar bg-limestone">
                    {here.map((id) => (
                      <PieceRow
                        key={id}
                        id={id}
                        name={pieceName(lane.pieces[id]!, definitions)}
                        proved={proved}
                        kept={byId.get(id) ?? null}
                        pictures={proof.pictures}
                      />
                    ))}
                  </ul>
                </section>
              )
            );
          })}
        </div>
      </div>
    </div>
  );
}

function Summary({
  pieces,
  problem,
  isRunning,
}: {
  readonly pieces: readonly (KeptProof | null)[];
  readonly problem: string | null;
  readonly isRunning: boolean;
}) {
  if (problem)
    return (
      <p role="alert" className="text-brick">
        {problem}
      </p>
    );
  const known = pieces.filter((piece) => piece !== null);
  const problems = known.reduce((sum, piece) => sum + piece.problems.length, 0);
  const situations = known.reduce((sum, piece) => sum + piece.situations, 0);
  const unproved = pieces.length - known.length;
  return (
    <p role="status" className="font-semibold">
      {known.length > 0 &&
        (problems === 0
          ? `${known.length} pieces hold in all ${situations} situations. `
          : `${countProblems(problems)} in ${known.filter((piece) => piece.problems.length > 0).length} of ${known.length} pieces, over ${situations} situations. `)}
      {unproved > 0 && !isRunning && `${unproved} not proved since they were changed.`}
    </p>
  );
}

interface RowProps {
  readonly id: string;
  readonly name: string;
  readonly proved: Proved;
  readonly kept: PieceProof | null;
  readonly pictures: LaneProof['pictures'];
}

function PieceRow({ id, name, proved, kept, pictures }: RowProps) {
  const { live } = useDraft();
  const found = kept?.[proved] ?? null;
  const isLive = live.revision > 0 && Object.hasOwn(live.lane.pieces, id);
  const fresh = (proved === 'draft' && kept && newProblems(kept, isLive)) || [];
  return (
    <li className="flex flex-col gap-2 px-4 py-2.5">
      <p className="flex flex-wrap items-baseline gap-x-3">
        <a href={`/studio/bench/${id}?task=proof`} className="font-semibold">
          {name}
        </a>
        {found === null ? (
          <span className="text-gravel">not proved since it was changed</span>
        ) : (
          <>
            <span className={found.problems.length > 0 ? 'text-brick' : ''}>
              {found.problems.length === 0
                ? `holds in all ${found.situations} situations`
                : `${countProblems(found.problems.length)} in ${found.situations} situations${fresh.length > 0 ? `, ${fresh.length} new since what is live` : ''}`}
            </span>
            <span className="help">{moment(found.at, live.lane.shop)}</span>
          </>
        )}
      </p>
      {found && found.problems.length > 0 && (
        <ul className="flex flex-wrap gap-3">
          {found.problems.map((problem) => (
            <li key={problem.key}>
              <ProblemStone
                pieceId={id}
                problem={problem}
                isNew={fresh.includes(problem)}
                stone={pictures.get(pictureKey(id, problem.key)) ?? null}
              />
            </li>
          ))}
        </ul>
      )}
    </li>
  );
}

/** One problem, lifted by its brick edge: where it was met, and what mends it. */
function ProblemStone({
  pieceId,
  problem,
  isNew,
  stone,
}: {
  readonly pieceId: string;
  readonly problem: KeptProblem;
  readonly isNew: boolean;
  readonly stone: Stone | null;
}) {
  return (
    <a
      href={`/studio/bench/${pieceId}?task=proof&situation=${encodeURIComponent(problem.situation)}`}
      className="flex max-w-[420px] gap-3 rounded-stone border-2 border-brick bg-white p-2 text-basalt no-underline hover:underline"
    >
      {stone && <Picture stone={stone} height={PICTURE_PX} />}
      <span className="min-w-0">
        <span className="block font-semibold">
          {problem.heading}
          {isNew && <span className="ms-2 rounded-stone bg-paint px-1.5 text-[12px]">new</span>}
        </span>
        <span className="block text-[12.5px] text-gravel">{problem.label}</span>
        <span className="block">{problem.sentence}</span>
        {problem.setting && <span className="mt-1 block">Mended by: {problem.setting}</span>}
      </span>
    </a>
  );
}
