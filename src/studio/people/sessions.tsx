import { useState } from 'react';
import type { PeopleView, ShownSession } from '~/core/people';
import { ask } from '~/studio/data/api';
import { moment } from '~/studio/data/format';
import { useShop } from '~/studio/data/sums';

interface Props {
  readonly sessions: readonly ShownSession[];
  readonly onView: (view: PeopleView) => void;
}

/** Where one is signed in, each to be ended. */
export function Sessions({ sessions, onView }: Props) {
  const shop = useShop();
  const [problem, setProblem] = useState<string | null>(null);
  async function end(key: string | null): Promise<void> {
    try {
      onView(await ask('DELETE /api/studio/people/sessions', { body: { key } }));
      setProblem(null);
    } catch (error) {
      setProblem((error as Error).message);
    }
  }
  return (
    <section aria-labelledby="sessions" className="flex flex-col gap-3">
      <h2 id="sessions">Where you are signed in</h2>
      <ul className="panel">
        {sessions.map(({ key, device, beganAt, seenAt, isThis }) => (
          <li key={key} className="flex items-center gap-3 border-b border-slab px-4 py-2 last:border-0">
            <span className="me-auto">
              {device}
              <span className="help block">
                since {moment(beganAt, shop)}, last seen {moment(seenAt, shop)}
              </span>
            </span>
            {isThis ? (
              <span className="help">this one</span>
            ) : (
              <button className="btn" aria-label={`End the session of ${device}`} onClick={() => void end(key)}>
                End
              </button>
            )}
          </li>
        ))}
      </ul>
      {problem && (
        <p role="alert" className="text-brick">
          {problem}
        </p>
      )}
      {sessions.length > 1 && (
        <button className="btn self-start" onClick={() => void end(null)}>
          End all others
        </button>
      )}
    </section>
  );
}
