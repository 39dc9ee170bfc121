import { useState } from 'react';
import { FACTS, type AskedFact, type Fact } from '~/core/facts';
import { SelectField, TextField } from '~/studio/fields/fields';
import { Modal } from '~/studio/fields/modal';
import { PickedProducts } from '~/studio/fields/picked-products';

interface Props {
  /** The one to change; without it a new one is made. */
  readonly first?: AskedFact;
  readonly onPick: (asked: AskedFact) => void;
  readonly onClose: () => void;
}

const EMPTY: AskedFact = { product: '', fact: 'price', attribute: '', before: '', after: '', fallback: '' };

/** Words before and after stand apart from the fact. */
const spaced = (asked: AskedFact): AskedFact => ({
  ...asked,
  before: asked.before.trim() && `${asked.before.trim()} `,
  after: asked.after.trim() && ` ${asked.after.trim()}`,
});

/** Picks a fact of a product, which the catalogue keeps right. */
export function FactPicker({ first, onPick, onClose }: Props) {
  const [asked, setAsked] = useState(first ?? EMPTY);
  const put = (part: Partial<AskedFact>) => setAsked((before) => ({ ...before, ...part }));
  const isReady = asked.product !== '' && (asked.fact !== 'attribute' || asked.attribute !== '');
  return (
    <Modal
      title={first ? 'Change the product fact' : 'Insert a product fact'}
      text="It is always as the catalogue has it now."
      onClose={onClose}
    >
      <div className="flex flex-col gap-3">
        <PickedProducts
          label="Product"
          help="Whose fact it is."
          slugs={asked.product ? [asked.product] : []}
          most={1}
          onChange={([product = '']) => put({ product })}
        />
        <SelectField
          label="Fact"
          value={asked.fact}
          options={Object.entries(FACTS)}
          onChange={(fact) => put({ fact: fact as Fact })}
        />
        {asked.fact === 'attribute' && (
          <TextField
            label="Name of the attribute"
            help="As it stands on the product, such as Weight."
            maxLength={60}
            value={asked.attribute}
            onChange={(attribute) => put({ attribute })}
          />
        )}
        <div className="grid grid-cols-2 gap-3">
          <TextField label="Words before" maxLength={80} value={asked.before} onChange={(before) => put({ before })} />
          <TextField label="Words after" maxLength={80} value={asked.after} onChange={(after) => put({ after })} />
        </div>
        <TextField
          label="If there is no such fact"
          help="Shown when the product is gone, or has no such fact."
          maxLength={120}
          value={asked.fallback}
          onChange={(fallback) => put({ fallback })}
        />
        <div className="flex justify-end gap-2">
          <button className="btn" onClick={onClose}>
            Cancel
          </button>
          <button className="btn btn-go" disabled={!isReady} onClick={() => onPick(spaced(asked))}>
            {first ? 'Apply' : 'Insert'}
          </button>
        </div>
      </div>
    </Modal>
  );
}
