import { describeDifference } from '~/core/lane';
import { definitions } from '~/pieces/definitions';
import { ChangeList } from '~/studio/publish/change-list';
import { useDraft } from '~/studio/data/draft-store';
import { Modal } from '~/studio/fields/modal';

/** Two windows changed the same place: nothing is lost until the owner says which stands. */
export function Conflict() {
  const { theirs, lane, names, settle } = useDraft();
  if (!theirs) return null;
  return (
    <Modal
      title="This draft was changed in another window"
      text="Both windows changed the same places. This is how yours differs from the other."
      onClose={() => undefined}
    >
      <ChangeList changes={describeDifference(theirs.lane, lane, definitions, names)} />
      <div className="mt-5 flex justify-end gap-2">
        <button className="btn" onClick={() => settle('theirs')}>
          Take the other window’s
        </button>
        <button className="btn btn-go" onClick={() => settle('mine')}>
          Keep mine
        </button>
      </div>
    </Modal>
  );
}
