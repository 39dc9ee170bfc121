import { useState } from 'react';
import type { Planned } from '~/contract/studio/publishing';
import { ask } from '~/studio/data/api';
import { useDraft } from '~/studio/data/draft-store';
import { moment } from '~/studio/data/format';
import { ChangeList } from './change-list';

/** What goes out at a time, and what was to and could not; each is stopped, or put away, with one press. */
export function PlanList() {
  const { plans, live } = useDraft();
  const [problem, setProblem] = useState<string | null>(null);

  async function stop({ id }: Planned): Promise<void> {
    try {
      await ask('DELETE /api/studio/plans/[id]', { params: { id } });
      useDraft.setState({ plans: useDraft.getState().plans.filter((plan) => plan.id !== id) });
      setProblem(null);
    } catch (error) {
      setProblem((error as Error).message);
    }
  }

  if (plans.length === 0 && !problem) return null;
  return (
    <ul aria-label="Planned" className="flex flex-col gap-2">
      {plans.map((plan) => (
        <li key={plan.id} className={`border-s-4 ps-3 ${plan.state === 'refused' ? 'border-brick' : 'border-paint'}`}>
          <p className="flex flex-wrap items-baseline gap-x-3">
            <span>
              {plan.state === 'refused' ? 'Did not go out ' : 'Goes out '}
              <strong>{moment(plan.at, live.lane.shop)}</strong>
              {plan.by && `, planned by ${plan.by}`}
            </span>
            <button className="btn" onClick={() => void stop(plan)}>
              {plan.state === 'refused' ? 'Put away' : 'Stop'}
            </button>
          </p>
          {plan.why && <p className="text-brick">{plan.why} The live shop stays as it is.</p>}
          {plan.note && <p className="text-gravel">{plan.note}</p>}
          <details>
            <summary className="cursor-pointer text-sky">
              {plan.changes.length} {plan.changes.length === 1 ? 'change' : 'changes'}
            </summary>
            <ChangeList changes={plan.changes} />
          </details>
        </li>
      ))}
      {problem && (
        <li role="alert" className="text-brick">
          {problem}
        </li>
      )}
    </ul>
  );
}
