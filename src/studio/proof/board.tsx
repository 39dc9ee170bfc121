import { wordProofProblem } from '~/core/lane';
import { definitions } from '~/pieces/definitions';
import { useDraft } from '~/studio/data/draft-store';
import { countProblems } from '~/studio/data/proofs';
import { Picture } from './picture';
import type { Stone } from './sheet';
import type { Sheet } from './use-sheet';

/** Of a small picture, in px. */
const STONE_PX = 132;

interface Props {
  readonly name: string;
  readonly sheet: Sheet;
  readonly chosen: string | null;
  readonly onChoose: (key: string) => void;
}

/** Every situation of a piece as a small true picture; those that do not hold are lifted out of the row. */
export function Board({ name, sheet, chosen, onChoose }: Props) {
  const stones = sheet.situations.flatMap(({ key }) => sheet.stones.get(key) ?? []);
  const missing = sheet.situations.length - stones.length;
  const bad = stones.filter(({ problems }) => problems.length > 0);
  return (
    <div className="flex min-h-0 flex-1 flex-col">
      <header className="px-4 pt-3 pb-2">
        <h2>
          <span role="status">{heading(name, sheet, bad)}</span>
        </h2>
        <p className="help">
          {sheet.tookMs === null
            ? `${sheet.laid} of ${sheet.situations.length} drawn by the shop itself …`
            : `${stones.length} situations, drawn by the shop itself in ${(sheet.tookMs / 1000).toFixed(1)} s.`}
          {sheet.tookMs !== null &&
            missing > 0 &&
            ` ${missing} more could not be drawn in time: change something, or come back, and they are drawn anew.`}
        </p>
      </header>
      <ul className="flex flex-wrap content-start gap-x-3 gap-y-4 overflow-auto px-4 pt-2 pb-4" aria-label="Situations">
        {stones.map((stone) => (
          <li key={stone.situation.key}>
            <BoardStone
              stone={stone}
              isChosen={stone.situation.key === chosen}
              hasPicture={sheet.tookMs !== null}
              onChoose={() => onChoose(stone.situation.key)}
            />
          </li>
        ))}
      </ul>
    </div>
  );
}

function heading(name: string, { tookMs, stones, situations }: Sheet, bad: readonly Stone[]): string {
  if (tookMs === null) return `Proof of ${name}`;
  if (bad.length > 0) return `Proof of ${name}: ${bad.length} of ${stones.size} do not hold`;
  if (stones.size < situations.length) return `Proof of ${name}: ${stones.size} of ${situations.length} were drawn`;
  return `The board is level: ${name} holds in all ${stones.size} situations`;
}

function BoardStone({
  stone,
  isChosen,
  hasPicture,
  onChoose,
}: {
  readonly stone: Stone;
  /** Pictures come when all is drawn: putting them up would hold up the drawing. */
  readonly hasPicture: boolean;
  readonly isChosen: boolean;
  readonly onChoose: () => void;
}) {
  const { lane } = useDraft();
  const { situation, problems } = stone;
  const [first] = problems;
  return (
    <button
      className={`plain block text-start ${first ? '-translate-y-1' : ''}`}
      aria-pressed={isChosen}
      onClick={onChoose}
      title={first && wordProofProblem(first, lane, definitions).heading}
    >
      <span
        className={`block w-fit rounded-stone border-2 ${first ? 'border-brick shadow-[0_4px_0_rgb(0_0_0/.12)]' : 'border-mortar'} ${isChosen ? 'outline-2 outline-offset-2 outline-paint' : ''}`}
      >
        {hasPicture ? (
          <Picture stone={stone} height={STONE_PX} />
        ) : (
          <span
            className="block bg-limestone"
            style={{ height: STONE_PX, width: (STONE_PX * situation.width) / stone.height }}
          />
        )}
      </span>
      <span className={`mt-1 block max-w-[211px] min-w-[62px] text-[12.5px] ${first ? 'text-brick' : ''}`}>
        <span className={first ? 'font-semibold' : ''}>{situation.label}</span>
        {first && <span className="block">{countProblems(problems.length)}</span>}
      </span>
    </button>
  );
}
