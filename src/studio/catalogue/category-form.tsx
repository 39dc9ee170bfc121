import type { EditedCategory } from '~/core/catalogue';
import type { Lane } from '../../core/lane';
import { directionOf } from '~/core/words';
import { PictureControl } from '~/studio/fields/picture-control';
import { SelectField, TextField } from '~/studio/fields/fields';
import { piecesInTexts } from '../text/pieces-in-texts';
import { RichField } from '../text/rich-field';

/** A category with a key of its own: a new one has no slug yet. */
export type Row = EditedCategory & { readonly key: string };

export function CategoryForm({
  current,
  change,
  lane,
  rows,
  setRows,
  chosen,
  setArranged,
  setGone,
}: {
  current: Row;
  change: (part: Partial<Row>) => void;
  lane: Lane;
  rows: Row[];
  setRows: (next: Row[]) => void;
  chosen: string | null;
  setArranged: (next: Row | null) => void;
  setGone: (next: Row | null) => void;
}) {
  return (
    <section aria-label={current.name} className="flex max-w-[520px] flex-col gap-4" key={current.key}>
      <TextField
        label="Name"
        value={current.name}
        maxLength={80}
        check={(text) => (text === '' ? 'A category needs a name.' : null)}
        onChange={(text) => change({ name: text })}
      />
      <RichField
        label="Text"
        help="Above its products."
        rows={4}
        value={current.text}
        most={2000}
        dir={directionOf(lane.shop.languages[0]!)}
        pieces={piecesInTexts(lane)}
        onChange={(text) => change({ text })}
      />
      <SelectField
        label="Stands in"
        value={current.parent ?? ''}
        options={[
          ['', 'the top'],
          ...rows
            .filter((row) => row.parent === null && row.slug !== '' && row.key !== current.key)
            .map((row) => [row.slug, row.name] as const),
        ]}
        onChange={(parent) =>
          setRows(inTreeOrder(rows.map((row) => (row.key === chosen ? { ...row, parent: parent || null } : row))))
        }
      />
      <div className="flex flex-col gap-1">
        <span id="category-picture" className="font-semibold">
          Picture
        </span>
        <PictureControl
          labelId="category-picture"
          use="picture"
          value={current.picture ?? ''}
          onChange={(src) => change({ picture: src || null })}
        />
      </div>
      {current.slug !== '' && current.products > 0 && (
        <button className="btn self-start" onClick={() => setArranged(current)}>
          Arrange its products …
        </button>
      )}
      <button className="btn self-start text-brick" onClick={() => setGone(current)}>
        Delete this category …
      </button>
    </section>
  );
}

/** Every category at the top, each followed by those within it, in the order they had. */
export function inTreeOrder<Item extends { readonly slug: string; readonly parent: string | null }>(
  rows: readonly Item[],
): Item[] {
  const top = rows.filter((row) => row.parent === null);
  return top.flatMap((row) => [row, ...rows.filter((child) => child.parent !== null && child.parent === row.slug)]);
}
