import { useState } from 'react';
import type { BulkSummary } from '~/core/catalogue';
import { ask } from '~/studio/data/api';
import { moment, money, plural } from '~/studio/data/format';
import { Modal } from '~/studio/fields/modal';
import { useShop } from '~/studio/data/sums';

/** The last changes of many products, each of which can still be undone. */
export function PastChanges() {
  const shop = useShop();
  const [list, setList] = useState<readonly BulkSummary[] | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const [said, setSaid] = useState<string | null>(null);

  async function attempt(work: () => Promise<void>): Promise<void> {
    setBusy(true);
    setProblem(null);
    try {
      await work();
    } catch (error) {
      setProblem((error as Error).message);
    } finally {
      setBusy(false);
    }
  }
  const load = async () => setList(await ask('GET /api/studio/bulk'));
  const undo = ({ id }: BulkSummary) =>
    attempt(async () => {
      await ask('DELETE /api/studio/bulk/[id]', { params: { id } });
      setSaid('Undone. What was changed again since then stays as it is.');
      await load();
    });

  const told = ({ what, rows }: BulkSummary) => {
    const ending = what.kind === 'price' && what.endMinor !== null ? `, ending on ${money(what.endMinor, shop)}` : '';
    switch (what.kind) {
      case 'price':
        return `${plural(rows, 'price', 'prices')} ${what.percent < 0 ? 'lowered' : 'raised'} by ${Math.abs(what.percent)} %${ending}`;
      case 'tag':
        return `Tag “${what.tag}” ${what.on ? 'added to' : 'removed from'} ${plural(rows, 'product', 'products')}`;
      case 'shown':
        return `${plural(rows, 'product', 'products')} ${what.on ? 'shown' : 'taken off the shelf'}`;
    }
  };

  return (
    <>
      <button className="btn" disabled={busy} onClick={() => void attempt(load)}>
        Past changes …
      </button>
      {problem && !list && (
        <p role="alert" className="text-brick">
          {problem}
        </p>
      )}
      {list && (
        <Modal
          title="Changes of many products"
          text="The last 20. What somebody has changed again since then stays as it is."
          onClose={() => (said ? location.reload() : setList(null))}
          width={640}
        >
          {list.length === 0 && <p>None yet. Tick products in the list to change them at once.</p>}
          <ul className="flex flex-col gap-2">
            {list.map((change) => (
              <li key={change.id} className="flex items-center gap-3 border-b border-slab pb-2">
                <span className="me-auto">
                  {told(change)}
                  <span className="help block">
                    {moment(change.at, shop)}, {change.by ?? 'somebody who is gone'}
                  </span>
                </span>
                {change.undoneAt === null ? (
                  <button
                    className="btn"
                    disabled={busy}
                    aria-label={`Undo: ${told(change)}`}
                    onClick={() => void undo(change)}
                  >
                    Undo
                  </button>
                ) : (
                  <span className="text-gravel">undone</span>
                )}
              </li>
            ))}
          </ul>
          {said && (
            <p role="status" className="mt-3 text-moss">
              {said}
            </p>
          )}
          {problem && (
            <p role="alert" className="mt-3 text-brick">
              {problem}
            </p>
          )}
        </Modal>
      )}
    </>
  );
}
