import { useState } from 'react';
import { AUDIT_PAGE, wordAudit } from '~/core/audit';
import type { ReadAuditEntry } from '~/core/audit';
import type { Account } from '~/core/people';
import { ask } from '~/studio/data/api';
import { moment } from '~/studio/data/format';
import { useShop } from '~/studio/data/sums';
import { SelectField } from '~/studio/fields/fields';

interface Props {
  readonly first: readonly ReadAuditEntry[];
  readonly people: readonly Account[];
}

/** What was done in the studio, the newest first; entries are never changed. */
export function AuditTrail({ first, people }: Props) {
  const shop = useShop();
  const [entries, setEntries] = useState(first);
  const [person, setPerson] = useState('');
  const [isEnd, setEnd] = useState(first.length < AUDIT_PAGE);
  const [problem, setProblem] = useState<string | null>(null);

  async function read(of: string, before: number | null): Promise<void> {
    try {
      const found = await ask('GET /api/studio/people/audit', { query: { person: of, before } });
      setEntries(before === null ? found : [...entries, ...found]);
      setEnd(found.length < AUDIT_PAGE);
      setProblem(null);
    } catch (error) {
      setProblem((error as Error).message);
    }
  }
  function choose(of: string): void {
    setPerson(of);
    void read(of, null);
  }
  const last = entries.at(-1);
  return (
    <section aria-labelledby="audit" className="flex flex-col gap-3">
      <h2 id="audit">What was done</h2>
      <div className="self-start">
        <SelectField
          label="By"
          value={person}
          options={[['', 'Everybody'], ...people.map(({ id, name }) => [String(id), name] as const)]}
          onChange={choose}
        />
      </div>
      {entries.length === 0 ? (
        <p>Nothing is written down yet.</p>
      ) : (
        <table className="tbl panel w-full">
          <thead>
            <tr>
              <th scope="col">When</th>
              <th scope="col">What</th>
            </tr>
          </thead>
          <tbody>
            {entries.map((entry) => (
              <tr key={entry.id}>
                <td className="whitespace-nowrap">{moment(entry.at, shop)}</td>
                <td>
                  <strong>{entry.name ?? nobody(entry.action)}</strong> {wordAudit(entry)}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      {problem && (
        <p role="alert" className="text-brick">
          {problem}
        </p>
      )}
      {last && !isEnd && (
        <button className="btn self-start" onClick={() => void read(person, last.id)}>
          Show earlier
        </button>
      )}
    </section>
  );
}

/** Whom an entry is of that belongs to no account. */
const nobody = (action: string) => (action === 'sign-in-failed' ? 'Somebody without an account' : 'The server');
