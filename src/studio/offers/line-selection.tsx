import { useContext } from 'react';
import { readSelection, type Offer } from '~/core/pricing';
import { CategoriesContext } from '~/studio/data/categories-context';
import { PickedProducts } from '~/studio/fields/picked-products';
import { NamesContext } from './names-context';

type Selection = Offer['when']['counts'];
type Named = NonNullable<NonNullable<Selection>['only']>;

interface Props {
  /** What it is about, for whoever hears the field only. */
  readonly label: string;
  readonly value: Selection;
  readonly onChange: (value: Selection) => void;
}

/** Which goods a clause is about: everything, or only some, and some left out. Folded into its own words. */
export function LineSelection({ label, value, onChange }: Props) {
  const { reader } = useContext(NamesContext);
  const only = value?.only ?? null;
  const except = value?.except ?? null;
  const put = (next: { only: Named | null; except: Named | null }) => {
    const isBare = !next.except || Object.values(next.except).every((names) => !names?.length);
    onChange(
      next.only === null && isBare
        ? null
        : { ...(next.only && { only: next.only }), ...(!isBare && { except: next.except }) },
    );
  };
  return (
    <details className="group inline-block align-top">
      <summary className="clause cursor-pointer" aria-label={`${label}: ${readSelection(value, reader)}`}>
        {readSelection(value, reader)}
      </summary>
      <div className="panel mt-1 flex w-[420px] max-w-full flex-col gap-3 p-3 text-[14px] font-normal">
        <fieldset className="flex flex-col gap-2">
          <legend className="font-semibold">{label}</legend>
          <label className="flex items-center gap-2">
            <input
              type="radio"
              className="accent-moss"
              checked={only === null}
              onChange={() => put({ only: null, except })}
            />
            the whole shop
          </label>
          <label className="flex items-center gap-2">
            <input
              type="radio"
              className="accent-moss"
              checked={only !== null}
              onChange={() => put({ only: only ?? {}, except })}
            />
            only
          </label>
          {only !== null && (
            <Names label={`${label}, only`} value={only} onChange={(next) => put({ only: next, except })} />
          )}
        </fieldset>
        <fieldset className="flex flex-col gap-2">
          <legend className="font-semibold">but not</legend>
          <Names label={`${label}, but not`} value={except ?? {}} onChange={(next) => put({ only, except: next })} />
        </fieldset>
      </div>
    </details>
  );
}

function Names({ label, value, onChange }: { label: string; value: Named; onChange: (value: Named) => void }) {
  const categories = useContext(CategoriesContext);
  const { names } = useContext(NamesContext);
  const chosen = value.categories ?? [];
  const put = (part: Named) => {
    const next = { ...value, ...part };
    onChange(Object.fromEntries(Object.entries(next).filter(([, list]) => list?.length)));
  };
  return (
    <div className="flex flex-col gap-2 border-s-2 border-mortar ps-3">
      <div className="flex flex-wrap gap-1">
        {chosen.map((slug) => (
          <button
            key={slug}
            className="btn min-h-7 py-0"
            onClick={() => put({ categories: chosen.filter((other) => other !== slug) })}
            aria-label={`Remove the category ${slug}`}
          >
            {categories.find((category) => category.slug === slug)?.name ?? slug} ×
          </button>
        ))}
        <select
          className="field min-h-7 py-0"
          aria-label={`Add a category: ${label}`}
          value=""
          onChange={(event) => put({ categories: [...chosen, event.target.value] })}
        >
          <option value="">+ category</option>
          {categories
            .filter(({ slug }) => !chosen.includes(slug))
            .map(({ slug, name }) => (
              <option key={slug} value={slug}>
                {name}
              </option>
            ))}
        </select>
      </div>
      <ListField label="Tags" value={value.tags ?? []} onChange={(tags) => put({ tags })} />
      <ListField label="Variants, by SKU" value={value.variants ?? []} onChange={(variants) => put({ variants })} />
      <PickedProducts
        label="Products"
        help="By name."
        slugs={value.products ?? []}
        known={(value.products ?? []).map((slug) => ({ slug, name: names.get(`product ${slug}`) ?? slug }))}
        most={100}
        onChange={(products) => put({ products })}
      />
    </div>
  );
}

/** Names with commas between them. */
function ListField({
  label,
  value,
  onChange,
}: {
  label: string;
  value: string[];
  onChange: (value: string[]) => void;
}) {
  return (
    <label className="flex items-center gap-2">
      <span className="w-32 shrink-0">{label}</span>
      <input
        className="field min-h-7 w-full py-0"
        defaultValue={value.join(', ')}
        placeholder="with commas between them"
        onBlur={(event) => {
          const list = event.target.value
            .split(',')
            .map((text) => text.trim())
            .filter(Boolean);
          if (list.join() !== value.join()) onChange(list);
        }}
      />
    </label>
  );
}
