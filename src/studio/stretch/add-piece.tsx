import { addPiece, canAdd } from '~/core/lane';
import type { Stretch } from '~/core/funnel';
import { definitions } from '~/pieces/definitions';
import { useDraft } from '~/studio/data/draft-store';

/** Kinds of piece that this stretch can still take. */
export function AddPiece({ stretch }: { readonly stretch: Stretch }) {
  const { lane, change, flush } = useDraft();
  const offered = definitions.filter((definition) => definition.stretch === stretch && canAdd(lane, definition));
  if (offered.length === 0) return null;

  async function add(kind: string): Promise<void> {
    let id = '';
    change(
      (draft) =>
        void (id = addPiece(
          draft,
          definitions.find((definition) => definition.kind === kind)!,
        )),
    );
    if (await flush()) location.assign(`/studio/bench/${id}?task=where`);
  }

  return (
    <section aria-label="Add a piece">
      <h2 className="mb-2">Add a piece</h2>
      <ul className="flex flex-wrap gap-3">
        {offered.map((definition) => (
          <li key={definition.kind} className="panel flex w-[372px] flex-col gap-2 px-4 py-3">
            <h3 className="text-[16px] font-semibold">{definition.name}</h3>
            <p className="text-gravel">{definition.summary}</p>
            <button
              className="btn self-start"
              aria-label={`Add: ${definition.name}`}
              onClick={() => void add(definition.kind)}
            >
              Add
            </button>
          </li>
        ))}
      </ul>
    </section>
  );
}
