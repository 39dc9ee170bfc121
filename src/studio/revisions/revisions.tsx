import { useState } from 'react';
import { describeDifference, dropChange, type LaneChange } from '~/core/lane';
import { definitions } from '~/pieces/definitions';
import { ask as askServer } from '~/studio/data/api';
import { ChangeList } from '~/studio/publish/change-list';
import { PlanList } from '~/studio/publish/plan-list';
import { useDraft } from '~/studio/data/draft-store';
import { moment } from '~/studio/data/format';
import { Modal } from '~/studio/fields/modal';
import { Shell } from '~/studio/shell/shell';
import { Compare } from './compare';
import { Configuration } from './configuration';
import { LookAt } from './look-at';
import type { ShellData } from '~/studio/data/studio-data';

interface Revision {
  readonly id: number;
  readonly note: string;
  readonly publishedAt: number;
  readonly publishedBy: string | null;
  readonly changes: readonly LaneChange[];
}

export function Revisions({ shell, revisions }: { shell: ShellData; revisions: readonly Revision[] }) {
  return (
    <Shell data={shell} room="/studio/revisions">
      <RevisionScreen revisions={revisions} />
    </Shell>
  );
}

function RevisionScreen({ revisions }: { revisions: readonly Revision[] }) {
  const { lane, live, names, plans, start, flush, say, change } = useDraft();
  const [asked, ask] = useState<Revision | 'live' | null>(null);
  const [looked, lookAt] = useState<number | null>(null);
  const changes = describeDifference(live.lane, lane, definitions, names);

  async function restore(revision: number | 'latest'): Promise<void> {
    ask(null);
    try {
      if (!(await flush())) return;
      start(await askServer('PUT /api/studio/draft', { body: { edit: useDraft.getState().edit, revision } }));
      say(
        revision === 'latest'
          ? 'The draft is as the live shop again.'
          : `Revision ${revision} is in the draft now. Publish it to make it live.`,
      );
    } catch (error) {
      say((error as Error).message);
    }
  }

  return (
    <div className="grid gap-6 px-[18px] py-4 lg:grid-cols-[minmax(0,1fr)_minmax(0,1.2fr)]">
      <section>
        {plans.length > 0 && (
          <div className="panel mb-5 px-4 py-3">
            <h1 className="mb-2">Planned</h1>
            <PlanList />
          </div>
        )}
        <h1>Compare draft and live</h1>
        <p className="mb-3 text-gravel">
          Revision {live.revision} is live. Nothing below reaches shoppers until it is published.
        </p>
        <div className="panel px-4 py-3">
          {changes.length === 0 ? (
            <p>The draft is the same as the live shop. Shape a piece, and what differs is listed here.</p>
          ) : (
            <ChangeList
              changes={changes}
              level={2}
              onDrop={(dropped) => change((draft) => dropChange(draft, live.lane, dropped))}
            />
          )}
        </div>
        {changes.length > 0 && (
          <button className="btn mt-3" onClick={() => ask('live')}>
            Discard changes …
          </button>
        )}
        {revisions.length > 1 && <Compare ids={revisions.map(({ id }) => id)} />}
        <Configuration />
      </section>
      <section>
        <h1>Go back to a revision</h1>
        <p className="mb-3 text-gravel">
          Restoring puts a revision into the draft; the live shop stays as it is until you publish.
        </p>
        <ol className="flex flex-col gap-2">
          {revisions.map((revision) => (
            <li
              key={revision.id}
              className={`panel flex gap-4 px-4 py-3 ${revision.id === live.revision ? 'border-moss' : ''}`}
            >
              <div className="min-w-0 flex-1">
                <p>
                  <strong className="font-head">Revision {revision.id}</strong>
                  {revision.id === live.revision && (
                    <span className="ms-2 rounded-stone bg-moss px-1.5 text-[12px] text-white">live</span>
                  )}
                  <span className="ms-2 text-gravel">
                    {moment(revision.publishedAt, live.lane.shop)}
                    {revision.publishedBy && `, ${revision.publishedBy}`}
                  </span>
                </p>
                {revision.note && <p>{revision.note}</p>}
                {revision.changes.length > 0 && (
                  <details>
                    <summary className="cursor-pointer text-sky">
                      {revision.changes.length} {revision.changes.length === 1 ? 'change' : 'changes'}
                    </summary>
                    <ChangeList changes={revision.changes} />
                  </details>
                )}
              </div>
              <div className="flex flex-none flex-col gap-1">
                <button className="btn" onClick={() => lookAt(revision.id)}>
                  Look at it …
                </button>
                <button className="btn" onClick={() => ask(revision)}>
                  Restore …
                </button>
              </div>
            </li>
          ))}
        </ol>
      </section>
      {looked !== null && <LookAt revision={looked} onClose={() => lookAt(null)} />}
      {asked && (
        <Modal
          title={asked === 'live' ? 'Drop the changes in draft' : `Restore revision ${asked.id}`}
          text={
            changes.length > 0
              ? 'These changes in the draft will be lost:'
              : 'The draft holds no changes of its own; nothing will be lost.'
          }
          onClose={() => ask(null)}
        >
          <ChangeList changes={changes} />
          <div className="mt-4 flex justify-end gap-2">
            <button className="btn" onClick={() => ask(null)}>
              Keep the draft
            </button>
            <button className="btn btn-go" onClick={() => void restore(asked === 'live' ? 'latest' : asked.id)}>
              {asked === 'live' ? 'Drop them' : 'Restore into the draft'}
            </button>
          </div>
        </Modal>
      )}
    </div>
  );
}
