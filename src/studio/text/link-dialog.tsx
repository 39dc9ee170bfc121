import { useState } from 'react';
import { Labelled } from '~/studio/fields/fields';
import { Modal } from '~/studio/fields/modal';

interface Props {
  readonly first: string;
  /** Empty: no link any more. */
  readonly onSet: (href: string) => void;
  readonly onClose: () => void;
}

/** Addresses a text may lead to. */
const ADDRESS = /^(https?:\/\/[^\s]+|mailto:[^\s]+|tel:[^\s]+|\/[^\s]*|#[^\s]*)$/i;

/** Where a link in a text leads. */
export function LinkDialog({ first, onSet, onClose }: Props) {
  const [typed, type] = useState(first);
  const href = typed.trim();
  const isWrong = href !== '' && !ADDRESS.test(href);
  return (
    <Modal title="Link" text="What is selected leads there." onClose={onClose}>
      <form
        className="flex flex-col gap-4"
        onSubmit={(event) => {
          event.preventDefault();
          if (!isWrong) onSet(href);
        }}
      >
        <Labelled
          label="Address"
          help="A page of the shop, such as /shop/pages/sizes, or https://…, mailto:… or tel:…"
          problem={isWrong ? 'Begin the address with /, https://, mailto: or tel:, without spaces.' : null}
        >
          {(id, describedBy) => (
            <input
              id={id}
              className="field w-full"
              aria-describedby={describedBy}
              maxLength={500}
              value={typed}
              onChange={(event) => type(event.target.value)}
            />
          )}
        </Labelled>
        <div className="flex justify-end gap-2">
          {first !== '' && (
            <button type="button" className="btn me-auto text-brick" onClick={() => onSet('')}>
              Remove the link
            </button>
          )}
          <button type="button" className="btn" onClick={onClose}>
            Cancel
          </button>
          <button className="btn btn-go" disabled={href === '' || isWrong}>
            Apply
          </button>
        </div>
      </form>
    </Modal>
  );
}
