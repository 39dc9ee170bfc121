import { STRETCH_NAMES, STRETCHES, type Funnel, type Stretch } from '~/core/funnel';
import type { Device } from '~/core/where';
import { pieceName } from '~/core/lane';
import { definitionOf, definitions } from '~/pieces/definitions';
import { useDraft } from '~/studio/data/draft-store';
import type { PieceProof } from '~/contract/studio/proofs';
import { count, percent } from '~/studio/data/format';
import { countProblems, useProofs } from '~/studio/data/proofs';
import { Shell } from '~/studio/shell/shell';
import { AddPiece } from './add-piece';
import { Blocks, type EarnedBlock } from './blocks';
import type { ShellData } from '~/studio/data/studio-data';

const DEVICES: Readonly<Record<Device, string>> = { phone: 'Phones', tablet: 'Tablets', desktop: 'Desktops' };

const PURPOSE: Readonly<Record<Stretch, string>> = {
  browse: 'Let shoppers find something to look at',
  look: 'Let shoppers see enough to decide',
  add: 'Let shoppers choose and add',
  cart: 'Let shoppers keep and change what they chose',
  pay: 'Let shoppers pay',
  after: 'Keep in touch after the order',
};

interface Props {
  readonly shell: ShellData;
  readonly stretch: Stretch;
  readonly byDevice: readonly { readonly device: Device; readonly funnel: Funnel }[];
  /** Of thank-you pages, by id: what came of their blocks in the last days. */
  readonly blocks?: Readonly<Record<string, readonly EarnedBlock[]>>;
}

/** One stretch: how each device fares on it, and the pieces that stand there. */
export function StretchPage(props: Props) {
  return (
    <Shell data={props.shell} room="/studio" stretch={props.stretch}>
      <StretchScreen {...props} />
    </Shell>
  );
}

function StretchScreen({ stretch, byDevice, shell, blocks = {} }: Props) {
  const lane = useDraft((state) => state.lane);
  const proofs = useProofs();
  const change = useDraft((state) => state.change);
  const i = STRETCHES.indexOf(stretch);
  const next = STRETCHES[i + 1];
  const pieces = Object.entries(lane.pieces).filter(([, piece]) => definitionOf(piece.kind)?.stretch === stretch);
  const here = shell.funnel.stretches[i]!;
  return (
    <div className="flex flex-col gap-4 px-[18px] py-4">
      <header>
        <h1>{PURPOSE[stretch]}</h1>
        <p className="text-gravel">
          {STRETCH_NAMES[stretch]}: {count(here.sessions)} visits of the last 28 days got here
          {next && here.goOn !== null && `; ${percent(here.goOn)} of them went on to ${STRETCH_NAMES[next]}`}.
        </p>
      </header>
      <table className="tbl panel max-w-[1080px]">
        <thead>
          <tr>
            <th>Device</th>
            <th className="w-[300px]">Its lane here</th>
            <th className="num">Got here</th>
            <th className="num">of all visits</th>
            {next && <th className="num">Left from here</th>}
            {next && <th className="num">Went on to {STRETCH_NAMES[next]}</th>}
          </tr>
        </thead>
        <tbody>
          {byDevice.map(({ device, funnel }) => {
            const own = funnel.stretches[i]!;
            return (
              <tr key={device}>
                <td>{DEVICES[device]}</td>
                <td>
                  <Paving from={own.share} to={own.share * (own.goOn ?? 1)} />
                </td>
                <td className="num">{count(own.sessions)}</td>
                <td className="num">{percent(own.share)}</td>
                {next && <td className="num">{count(own.left)}</td>}
                {next && <td className="num">{own.goOn === null ? '–' : percent(own.goOn)}</td>}
              </tr>
            );
          })}
        </tbody>
      </table>
      <p className="help -mt-2">
        Each lane is as wide as the square root of its share of visits, from those who got here on the left to those who
        went on on the right.
      </p>
      <section>
        <h2 className="mb-2">Pieces on this stretch</h2>
        {pieces.length === 0 ? (
          <p className="panel max-w-[760px] px-4 py-4 text-gravel">
            The shop’s own pages do the work here. There is no piece to shape on this stretch yet.
          </p>
        ) : (
          <ul className="flex flex-wrap gap-3">
            {pieces.map(([id, piece]) => {
              const { summary, isAlwaysOn, parts } = definitionOf(piece.kind)!;
              const isOn = piece.on || isAlwaysOn;
              return (
                <li
                  key={id}
                  className={`panel flex ${blocks[id] ? 'w-[600px]' : 'w-[372px]'} flex-col gap-2 px-4 py-3`}
                >
                  <h3 className="flex items-center gap-2 text-[16px] font-semibold">
                    <span className={`size-2.5 rounded-full ${isOn ? 'bg-moss' : 'border border-gravel'}`} />
                    {pieceName(piece, definitions)}
                  </h3>
                  <p className="text-gravel">{summary}</p>
                  <ProofLink id={id} proof={proofs.get(id)} />
                  {blocks[id] && <Blocks blocks={blocks[id]} labels={parts} />}
                  <div className="mt-auto flex items-center gap-2">
                    <a className="btn btn-go" href={`/studio/bench/${id}`}>
                      Shape it
                    </a>
                    {isAlwaysOn ? (
                      <span className="text-gravel">always there</span>
                    ) : (
                      <button
                        className="btn"
                        onClick={() => change((draft) => void (draft.pieces[id]!.on = !piece.on))}
                      >
                        Turn {piece.on ? 'off' : 'on'} in the draft
                      </button>
                    )}
                  </div>
                </li>
              );
            })}
          </ul>
        )}
      </section>
      {shell.account.role !== 'viewer' && <AddPiece stretch={stretch} />}
    </div>
  );
}

/** What the proof of a piece found; nothing where it has not been proved since it was changed. */
function ProofLink({ id, proof }: { id: string; proof: PieceProof | undefined }) {
  const found = proof?.draft;
  if (!found) return null;
  return (
    <a href={`/studio/bench/${id}?task=proof`} className={found.problems.length > 0 ? 'text-brick' : 'text-gravel'}>
      {found.problems.length > 0
        ? `${countProblems(found.problems.length)} in its proof`
        : `Holds in all ${found.situations} situations`}
    </a>
  );
}

const PAVING = { width: 280, height: 46 } as const;

/** The lane of one device across this stretch. */
function Paving({ from, to }: { from: number; to: number }) {
  const half = PAVING.height / 2;
  const [a, b] = [from, to].map((share) => Math.max(1, Math.sqrt(share) * half));
  return (
    <svg viewBox={`0 0 ${PAVING.width} ${PAVING.height}`} className="h-[46px] w-[280px] bg-verge" aria-hidden="true">
      <defs>
        <pattern id="stones" width="24" height="14" patternUnits="userSpaceOnUse">
          <rect width="24" height="14" fill="#c4b8a3" />
          <path d="M0 .5H24M0 7.500H24M.5 0V7M12.500 7V14" stroke="#ab9e87" fill="none" />
        </pattern>
      </defs>
      <path
        d={`M0 ${half - a!}H90C150 ${half - a!} 140 ${half - b!} 200 ${half - b!}H280V${half + b!}H200C140 ${half + b!} 150 ${half + a!} 90 ${half + a!}H0Z`}
        fill="url(#stones)"
        stroke="#8f836d"
      />
    </svg>
  );
}
