import { useEffect, useState } from 'react';
import { LETTERS } from '~/core/limits';
import { changeKey, describeDifference, dropChange, type Fix, type LaneChange } from '~/core/lane';
import { definitions } from '~/pieces/definitions';
import { ask, Refusal } from '~/studio/data/api';
import { moment } from '~/studio/data/format';
import { ChangeList } from './change-list';
import { PlanList } from './plan-list';
import { useDraft } from '~/studio/data/draft-store';
import { FloorCheck } from './floor-check';
import { Modal } from '~/studio/fields/modal';
import { Findings } from './findings';
import { ProofNote } from './proof-note';
import { WhenField } from './when-field';
import type { DraftView } from '~/contract/studio/draft';

function pressWords(going: number, all: number, isPlanned: boolean): string {
  const many = all === 1 ? 'change' : 'changes';
  return `${isPlanned ? 'Plan' : 'Publish'} ${going === all ? all : `${going} of ${all}`} ${many}`;
}

/** Shows what shoppers will notice, then makes it live. */
export function PublishDialog({ onClose }: { onClose: () => void }) {
  const { lane, live, names, flush, start, change } = useDraft();
  const [checked, setChecked] = useState<DraftView | null>(null);
  const [note, setNote] = useState('');
  const [problem, setProblem] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const [fixes, setFixes] = useState(0);
  const [left, setLeft] = useState<ReadonlySet<string>>(new Set());
  /** In the shop's own zone; null: now. */
  const [local, setLocal] = useState<string | null>(null);
  const changes = describeDifference(live.lane, lane, definitions, { ...names, ...checked?.names });
  const isFirst = live.revision === 0;
  const going = changes.filter((change) => !left.has(changeKey(change)));
  const { timeZone } = live.lane.shop;

  useEffect(() => {
    void flush()
      .then((stored) =>
        stored
          ? ask('GET /api/studio/draft').then(setChecked)
          : setProblem('The draft is not stored yet. Settle that first.'),
      )
      .catch((error: unknown) => setProblem((error as Error).message));
  }, [flush, fixes]);

  function drop(dropped: LaneChange): void {
    setChecked(null);
    change((draft) => dropChange(draft, live.lane, dropped));
    setFixes((count) => count + 1);
  }

  function mend(fix: Fix): void {
    setChecked(null);
    change(fix.change);
    setFixes((count) => count + 1);
  }

  function tick(change: LaneChange, goes: boolean): void {
    const next = new Set(left);
    if (goes) next.delete(changeKey(change));
    else next.add(changeKey(change));
    setLeft(next);
  }

  async function send(): Promise<string> {
    const there = new Set(changes.map(changeKey));
    const body = { edit: useDraft.getState().edit, note, left: [...left].filter((key) => there.has(key)) };
    if (local !== null) {
      const { at } = await ask('POST /api/studio/plans', { body: { ...body, local } });
      return `Goes out ${moment(at, live.lane.shop)}. Until then it can be stopped under Revisions.`;
    }
    await ask('POST /api/studio/publish', { body });
    return isFirst
      ? 'Your shop is open. Visit it from the left.'
      : 'Published. Shoppers see it from their next page on.';
  }

  async function publish(): Promise<void> {
    setBusy(true);
    try {
      const said = await send();
      start(await ask('GET /api/studio/draft'));
      useDraft.getState().say(said);
      onClose();
    } catch (error) {
      setProblem(error instanceof Refusal ? error.message : 'Publishing did not work. Nothing was changed.');
    } finally {
      setBusy(false);
    }
  }

  const errors = checked?.lint.filter((finding) => finding.level === 'error') ?? [];
  return (
    <Modal
      title={isFirst ? 'Open the shop' : 'Publish to the live shop'}
      text={isFirst ? 'From then on anybody can walk in and order.' : 'This is what shoppers will notice.'}
      onClose={onClose}
    >
      <div className="flex flex-col gap-4">
        {!isFirst && (
          <ChangeList
            changes={changes}
            onDrop={drop}
            {...(changes.length > 1 && { left: { keys: left, onTick: tick } })}
          />
        )}
        {going.length < changes.length && <p className="text-gravel">What is not ticked stays in the draft.</p>}
        <PlanList />
        {checked && <Findings checked={checked} lane={lane} isFirst={isFirst} onMend={mend} />}
        {checked && <ProofNote proofs={checked.proofs} />}
        {checked && <FloorCheck key={fixes} lane={lane} live={live.lane} />}
        {problem && (
          <p role="alert" className="text-brick">
            {problem}
          </p>
        )}
        {!isFirst && <WhenField local={local} timeZone={timeZone} onChange={setLocal} />}
        <label className="flex flex-col gap-1">
          A note for later, if you like
          <input
            className="field"
            maxLength={LETTERS.publishNote}
            value={note}
            onChange={(event) => setNote(event.target.value)}
          />
        </label>
        <div className="flex justify-end gap-2">
          <button className="btn" onClick={onClose}>
            Cancel
          </button>
          <button
            className="btn btn-go"
            disabled={busy || !checked || errors.length > 0 || (going.length === 0 && !isFirst) || local === ''}
            onClick={() => void publish()}
          >
            {isFirst ? 'Open the shop' : pressWords(going.length, changes.length, local !== null)}
          </button>
        </div>
      </div>
    </Modal>
  );
}
