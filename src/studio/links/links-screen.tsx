import { useState } from 'react';
import { addPiece, pieceName, type Goods } from '~/core/lane';
import { definitions, definitionWithRole } from '~/pieces/definitions';
import { useDraft } from '~/studio/data/draft-store';
import { Shell } from '~/studio/shell/shell';
import type { ShellData } from '~/studio/data/studio-data';
import type { EarnedDay } from '~/studio/shell/earned-by-day';
import { CameOfIt } from './came-of-it';
import { ExistingPages } from './existing-pages';
import { Outputs } from './outputs';
import { SeenOn, type RefusedSite, type SeenElsewhere } from './seen-on';
import { Sites } from './sites';

const LINK = definitionWithRole('link');

interface Props {
  readonly shell: ShellData;
  /** Id of the piece that was asked for. */
  readonly chosen: string | null;
  /** Of the shop. */
  readonly origin: string;
  /** What came of each in the last days, by id, day by day; one that nobody used is not there. */
  readonly earned: Readonly<Record<string, readonly EarnedDay[]>>;
  readonly days: number;
  /** Where the script was seen in those days, and where it was refused. */
  readonly elsewhere: { readonly seen: readonly SeenElsewhere[]; readonly refused: readonly RefusedSite[] };
}

export function LinksScreen(props: Props) {
  return (
    <Shell data={props.shell} room="/studio/links">
      <Screen {...props} />
    </Shell>
  );
}

function Screen({ chosen, origin, earned, days, elsewhere }: Props) {
  const lane = useDraft((state) => state.lane);
  const change = useDraft((state) => state.change);
  const links = Object.entries(lane.pieces).filter(([, { kind }]) => kind === LINK.kind);
  const [selected, select] = useState(chosen ?? links[0]?.[0] ?? null);
  const piece = selected === null ? undefined : lane.pieces[selected];
  function add(): void {
    let id = '';
    change((draft) => {
      id = addPiece(draft, LINK);
      draft.pieces[id]!.on = true;
      draft.pieces[id]!.where.spot = 'elsewhere';
    });
    select(id);
  }
  return (
    <div className="flex flex-col gap-4 px-7 py-6">
      <header className="flex flex-wrap items-baseline gap-4">
        <h1>Buy links</h1>
        <p className="help">Sell from any page, mail or printed sheet. Each link carries the whole choice.</p>
        <button className="btn main ms-auto" onClick={add}>
          New buy link
        </button>
      </header>
      {links.length === 0 && <p>There are none yet. Make one, and choose what it sells.</p>}
      <div className="grid gap-6 xl:grid-cols-[260px_minmax(0,1fr)]">
        <ul aria-label="Your buy links" className="flex flex-col gap-1">
          {links.map(([id, own]) => (
            <li key={id}>
              <button
                className="btn w-full flex-col items-start text-start aria-pressed:border-basalt aria-pressed:bg-basalt aria-pressed:text-limestone"
                aria-pressed={id === selected}
                onClick={() => select(id)}
              >
                <span>{pieceName(own, definitions)}</span>{' '}
                <span className="text-[13px] font-normal">
                  {(own.settings['goods'] as Goods).sku || 'sells nothing yet'}
                </span>
              </button>
            </li>
          ))}
        </ul>
        {piece?.kind === LINK.kind && selected !== null && (
          <div className="flex min-w-0 flex-col gap-6">
            <Outputs key={selected} id={selected} piece={piece} origin={origin} />
            <CameOfIt
              earned={earned[selected]}
              days={days}
              seen={elsewhere.seen.filter(({ link }) => link === selected)}
            />
          </div>
        )}
      </div>
      <Sites />
      <ExistingPages origin={origin} />
      <SeenOn
        {...elsewhere}
        days={days}
        names={Object.fromEntries(links.map(([id, own]) => [id, pieceName(own, definitions)]))}
      />
    </div>
  );
}
