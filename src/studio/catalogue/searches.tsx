import { useState } from 'react';
import { ask } from '~/studio/data/api';
import { plural } from '~/studio/data/format';
import { Shell } from '~/studio/shell/shell';
import type { ShellData } from '~/studio/data/studio-data';
import { TextField } from '~/studio/fields/fields';

interface Room {
  readonly lost: readonly { readonly term: string; readonly times: number; readonly lastAt: number }[];
  readonly synonyms: readonly { readonly term: string; readonly means: readonly string[] }[];
}

interface Props {
  readonly shell: ShellData;
  readonly room: Room;
}

export function Searches(props: Props) {
  return (
    <Shell data={props.shell} room="/studio/catalogue">
      <Screen {...props} />
    </Shell>
  );
}

/** Words of a list, as they are typed: parted by commas. */
const listed = (text: string) =>
  text
    .split(',')
    .map((word) => word.trim())
    .filter(Boolean);

/** What shoppers searched for in vain, and what their words stand for. */
function Screen({ room }: Props) {
  const [{ lost, synonyms }, setRoom] = useState(room);
  const [term, setTerm] = useState('');
  const [means, setMeans] = useState('');
  const [said, setSaid] = useState<string | null>(null);
  const [problem, setProblem] = useState<string | null>(null);

  async function keep(word: string, others: readonly string[]): Promise<void> {
    setProblem(null);
    setSaid(null);
    try {
      setRoom(await ask('PUT /api/studio/searches', { body: { term: word, means: others } }));
      setTerm('');
      setMeans('');
      setSaid(
        others.length > 0 ? `Whoever searches for “${word}” finds it now.` : `“${word}” stands for itself again.`,
      );
    } catch (error) {
      setProblem((error as Error).message);
    }
  }

  return (
    <div className="flex flex-col gap-4 px-[18px] py-4">
      <header>
        <p className="help">
          <a href="/studio/catalogue">Catalogue</a>
        </p>
        <h1>Mend searches</h1>
        <p className="text-gravel">
          What shoppers looked for and did not find, in the last 90 days. Say what they mean by it, or add the word as a
          tag to the products. The same search is counted once a minute at most.
        </p>
      </header>
      <div className="grid items-start gap-5 lg:grid-cols-2">
        <section className="panel" aria-label="Found nothing">
          <h2 className="px-4 pt-3">Found nothing</h2>
          {lost.length === 0 ? (
            <p className="px-4 py-3">Every search found something.</p>
          ) : (
            <table className="w-full">
              <thead>
                <tr className="text-start text-gravel">
                  <th scope="col" className="px-4 py-1 text-start font-normal">
                    Searched for
                  </th>
                  <th scope="col" className="py-1 text-end font-normal">
                    Times
                  </th>
                  <td />
                </tr>
              </thead>
              <tbody>
                {lost.map((search) => (
                  <tr key={search.term} className="border-t border-slab">
                    <th scope="row" className="px-4 py-1 text-start font-semibold">
                      {search.term}
                    </th>
                    <td className="py-1 text-end tabular-nums">{search.times}</td>
                    <td className="px-4 py-1 text-end">
                      <button className="btn" onClick={() => setTerm(search.term.split(' ').at(-1)!)}>
                        Say what it means
                        <span className="sr-only">: {search.term}</span>
                      </button>
                    </td>
                  </tr>
                ))}
              </tbody>
            </table>
          )}
        </section>
        <section className="panel flex flex-col gap-3 p-4" aria-label="Synonyms">
          <h2>Synonyms</h2>
          <form
            className="flex flex-col gap-3"
            onSubmit={(event) => {
              event.preventDefault();
              void keep(term, listed(means));
            }}
          >
            <TextField label="When shoppers type" maxLength={60} value={term} onChange={setTerm} />
            <TextField
              label="They mean"
              help="Words that stand in your catalogue, parted by commas."
              maxLength={300}
              value={means}
              onChange={setMeans}
            />
            <button className="btn btn-go self-start" disabled={term === '' || listed(means).length === 0}>
              Save synonym
            </button>
          </form>
          {problem && (
            <p role="alert" className="border-s-4 border-brick ps-3 text-brick">
              {problem}
            </p>
          )}
          {said && (
            <p role="status" className="text-moss">
              {said}
            </p>
          )}
          <p className="help">{plural(synonyms.length, 'synonym', 'synonyms')}</p>
          <ul>
            {synonyms.map((synonym) => (
              <li key={synonym.term} className="flex items-center gap-2 border-t border-slab py-1">
                <span className="min-w-0 flex-1">
                  <strong>{synonym.term}</strong> → {synonym.means.join(', ')}
                </span>
                <button
                  className="btn"
                  onClick={() => {
                    setTerm(synonym.term);
                    setMeans(synonym.means.join(', '));
                  }}
                >
                  Change<span className="sr-only"> {synonym.term}</span>
                </button>
                <button className="btn" onClick={() => void keep(synonym.term, [])}>
                  Remove<span className="sr-only"> {synonym.term}</span>
                </button>
              </li>
            ))}
          </ul>
        </section>
      </div>
    </div>
  );
}
