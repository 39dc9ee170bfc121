import { useContext } from 'react';
import { LETTERS } from '~/core/limits';
import {
  MOST_SELECTED,
  SELECTION_ORDERS,
  SELECTION_SOURCES,
  type Selection,
  type SelectionOrder,
  type SelectionSource,
} from '~/core/lane';
import { useAnswer } from '~/studio/data/query';
import { useSettled } from '~/studio/data/use-settled';
import { SelectField, TextField } from './fields';
import { CategoriesContext } from '~/studio/data/categories-context';
import { Tick } from './tick';
import { NumberField } from './number-field';
import { PickedProducts } from './picked-products';

interface Props {
  readonly value: Selection;
  readonly canFollowPage: boolean;
  readonly onChange: (value: Selection) => void;
}

/** Which products a piece shows. */
export function SelectionControl({ value, canFollowPage, onChange }: Props) {
  const categories = useContext(CategoriesContext);
  const put = (part: Partial<Selection>) => onChange({ ...value, ...part });
  const sources = Object.entries(SELECTION_SOURCES).filter(([key]) => key !== 'page' || canFollowPage);
  return (
    <div className="flex flex-col gap-3">
      <Held selection={value} />
      <SelectField
        label="From"
        value={value.from}
        options={sources}
        onChange={(from) => put({ from: from as SelectionSource })}
      />
      {value.from === 'category' && (
        <SelectField
          label="Category"
          value={value.category}
          options={[['', 'Choose one …'] as const, ...categories.map(({ slug, name }) => [slug, name] as const)]}
          onChange={(category) => put({ category })}
        />
      )}
      {value.from === 'tag' && (
        <TextField label="Tag" value={value.tag} maxLength={LETTERS.tag} onChange={(tag) => put({ tag })} />
      )}
      {value.from === 'search' && (
        <TextField
          label="Search for"
          value={value.search}
          maxLength={LETTERS.search}
          onChange={(search) => put({ search })}
        />
      )}
      {value.from === 'picked' ? (
        <PickedProducts
          label="Products"
          help="In this order."
          slugs={value.picked.slugs}
          most={200}
          onChange={(slugs) => put({ picked: { slugs } })}
        />
      ) : (
        <>
          <SelectField
            label="Order"
            value={value.order}
            options={Object.entries(SELECTION_ORDERS)}
            onChange={(order) => put({ order: order as SelectionOrder })}
          />
          <PickedProducts
            label="Without"
            help="Products that are left out."
            slugs={value.without.slugs}
            most={200}
            onChange={(slugs) => put({ without: { slugs } })}
          />
        </>
      )}
      <Tick
        label="Only what is in stock"
        checked={value.inStockOnly}
        onChange={(inStockOnly) => put({ inStockOnly })}
      />
      <span className="flex items-center gap-2">
        At most
        <NumberField
          label="At most how many products"
          value={value.most}
          min={1}
          max={MOST_SELECTED}
          onChange={(most) => put({ most })}
        />
        products
      </span>
    </div>
  );
}

/** A pause as long ends a change, in ms. */
const PAUSE_MS = 300;

/** What is in the selection now, so that nobody publishes an empty one unknowingly. */
function Held({ selection }: { selection: Selection }) {
  const followsPage = selection.from === 'page';
  const asked = useSettled(selection, PAUSE_MS);
  const { answer: held } = useAnswer('POST /api/studio/selection', followsPage ? null : { body: asked });
  if (followsPage || !held) return null;
  const { total, names } = held;
  if (total === 0)
    return (
      <p className="text-brick" role="status">
        There is no such product at the moment. Shoppers read the words for “nothing to show”.
      </p>
    );
  const others = total - names.length;
  return (
    <p className="help" role="status">
      {total === 1 ? '1 product' : `${total} products`} now:{' '}
      {others > 0 ? `${names.join(', ')} and ${others} more` : new Intl.ListFormat('en').format(names)}.
    </p>
  );
}
