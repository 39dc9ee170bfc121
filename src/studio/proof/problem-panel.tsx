import { useEffect, useRef, useState } from 'react';
import { wordProofProblem } from '~/core/lane';
import { problemKey, type DrawnBox, type ProofProblem } from '~/core/proof';
import { definitions } from '~/pieces/definitions';
import { useDraft } from '~/studio/data/draft-store';
import { Picture } from './picture';
import type { Stone, TriedMend } from './sheet';
import type { Sheet } from './use-sheet';

/** Of the large picture, in px. */
const WIDTH_PX = 236;

interface Props {
  readonly stone: Stone;
  readonly sheet: Sheet;
}

/** The situation that was chosen, large, with what does not hold in it and what would mend that. */
export function ProblemPanel({ stone, sheet }: Props) {
  const { lane } = useDraft();
  const [at, setAt] = useState(0);
  useEffect(() => setAt(0), [stone.situation.key]);
  const problem = stone.problems[Math.min(at, stone.problems.length - 1)];
  return (
    <>
      <h2>{stone.situation.label}</h2>
      <Detail stone={stone} at={problem?.box ?? null} isMarked className="max-h-[40vh] border-mortar" />
      {!problem && <p role="status">Everything holds here.</p>}
      {stone.problems.length > 1 && (
        <ol className="flex flex-col gap-1" aria-label="Problems">
          {stone.problems.map((other, i) => (
            <li key={problemKey(other)}>
              <button
                className="plain text-start underline aria-pressed:font-semibold aria-pressed:no-underline"
                aria-pressed={other === problem}
                onClick={() => setAt(i)}
              >
                {wordProofProblem(other, lane, definitions).heading}
              </button>
            </li>
          ))}
        </ol>
      )}
      {problem && (
        <Problem key={`${stone.situation.key} ${problemKey(problem)}`} problem={problem} stone={stone} sheet={sheet} />
      )}
    </>
  );
}

/** A picture as wide as the panel, scrolled to what matters in it. */
function Detail({
  stone,
  at,
  isMarked = false,
  className,
}: {
  readonly stone: Stone;
  readonly at: DrawnBox | null;
  readonly isMarked?: boolean;
  readonly className: string;
}) {
  const frame = useRef<HTMLDivElement>(null);
  const scale = WIDTH_PX / stone.situation.width;
  useEffect(() => {
    const { current } = frame;
    if (current && at) current.scrollTop = (at.y + at.height / 2) * scale - current.clientHeight / 2;
  }, [at, scale, stone]);
  return (
    <div ref={frame} className={`self-center overflow-auto rounded-stone border ${className}`}>
      <Picture stone={stone} height={stone.height * scale} mark={isMarked ? at : null} />
    </div>
  );
}

type Search = 'searching' | TriedMend | null;

function Problem({ problem, stone, sheet }: Props & { readonly problem: ProofProblem }) {
  const { lane, change } = useDraft();
  const [found, setFound] = useState<Search>('searching');
  const { heading, sentence } = wordProofProblem(problem, lane, definitions);
  const { mendFor } = sheet;

  useEffect(() => {
    const stop = new AbortController();
    setFound('searching');
    void mendFor(stone, problem, stop.signal).then((mend) => {
      if (mend !== 'stopped') setFound(mend);
    });
    return () => stop.abort();
  }, [stone, problem, mendFor]);

  return (
    <section aria-label="Problem" className="flex flex-col gap-2">
      <h3>{heading}</h3>
      <p>
        {sentence}
        {problem.count > 1 && ` So are ${problem.count - 1} more like it.`}
      </p>
      {found === 'searching' && <p className="help">Trying what would mend it …</p>}
      {found === null && (
        <p className="help">
          No change of one setting mends it without another problem. Change it by hand, and it is proved anew.
        </p>
      )}
      {found !== null && found !== 'searching' && (
        <>
          <p>
            <strong>{found.mend.setting}</strong>. {found.mend.label}, and it would look like this:
          </p>
          <Detail stone={found.after} at={problem.box} className="max-h-44 border-moss" />
          <div className="flex flex-wrap gap-2">
            <button className="btn btn-go" onClick={() => change(found.mend.change)}>
              Mend it
            </button>
            <a
              className="btn"
              href={`/studio/bench/${found.mend.pieceId}?task=${found.mend.task}${found.mend.part ? `&part=${found.mend.part}` : ''}`}
            >
              Go to the setting
            </a>
          </div>
        </>
      )}
    </section>
  );
}
