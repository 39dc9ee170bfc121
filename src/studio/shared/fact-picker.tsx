import { useState } from 'react';
import { FACTS, writeFact, type AskedFact, type Fact } from '~/core/facts';
import { SelectField, TextField } from '../shop/fields';
import { Modal } from './modal';
import { PickedProducts } from './picked-products';

interface Props {
  readonly onPick: (asked: AskedFact) => void;
  readonly onClose: () => void;
}

const EMPTY: AskedFact = { product: '', fact: 'price', attribute: '', before: '', after: '', fallback: '' };

/** Words before and after stand apart from the fact. */
const spaced = (asked: AskedFact): AskedFact => ({
  ...asked,
  before: asked.before && `${asked.before} `,
  after: asked.after && ` ${asked.after}`,
});

/** Makes the snippet that says a fact of a product, kept right by the catalogue. */
export function FactPicker({ onPick, onClose }: Props) {
  const [asked, setAsked] = useState(EMPTY);
  const put = (part: Partial<AskedFact>) => setAsked((before) => ({ ...before, ...part }));
  const isReady = asked.product !== '' && (asked.fact !== 'attribute' || asked.attribute !== '');
  return (
    <Modal title="Insert a product fact" text="It is always as the catalogue has it now." onClose={onClose}>
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
        {isReady && (
          <code className="block rounded-stone border border-mortar bg-white p-2 text-[12.5px] break-all">
            {writeFact(spaced(asked))}
          </code>
        )}
        <div className="flex justify-end gap-2">
          <button className="btn" onClick={onClose}>
            Cancel
          </button>
          <button className="btn btn-go" disabled={!isReady} onClick={() => onPick(spaced(asked))}>
            Insert
          </button>
        </div>
      </div>
    </Modal>
  );
}
