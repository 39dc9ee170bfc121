import { useRef, useState } from 'react';
import { ask } from '~/studio/data/api';
import { plural } from '~/studio/data/format';
import { Modal } from '~/studio/fields/modal';

interface Dispatched {
  readonly sent: number;
  readonly already: number;
  readonly problems: readonly { readonly row: number; readonly message: string }[];
}

/** Takes in the list a parcel service gives back, and marks its orders as sent. */
export function DispatchImport() {
  const [isOpen, setOpen] = useState(false);
  const [busy, setBusy] = useState(false);
  const [done, setDone] = useState<Dispatched | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const file = useRef<HTMLInputElement>(null);

  async function take(): Promise<void> {
    const chosen = file.current?.files?.[0];
    if (!chosen) return setProblem('Choose a file first.');
    setBusy(true);
    setProblem(null);
    try {
      setDone(await ask('POST /api/studio/orders/dispatch', { bytes: chosen }));
    } catch (error) {
      setProblem((error as Error).message);
    } finally {
      setBusy(false);
    }
  }

  const close = () => (done && done.sent > 0 ? location.reload() : setOpen(false));
  return (
    <>
      <button
        className="btn"
        onClick={() => {
          setDone(null);
          setProblem(null);
          setOpen(true);
        }}
      >
        Mark as sent from a CSV …
      </button>
      {isOpen && (
        <Modal
          title="Mark orders as sent"
          text="A CSV file with a column Order, and one called Tracking if there are tracking numbers. Each buyer is written to once."
          onClose={close}
        >
          {done ? (
            <div role="status" className="flex flex-col gap-2">
              <p>
                {plural(done.sent, 'order is', 'orders are')} marked as sent.
                {done.already > 0 && ` ${plural(done.already, 'was', 'were')} sent before.`}
              </p>
              {done.problems.length > 0 && (
                <ul className="text-brick">
                  {done.problems.map(({ row, message }) => (
                    <li key={row}>
                      Row {row}: {message}
                    </li>
                  ))}
                </ul>
              )}
              <button className="btn btn-go self-end" onClick={close}>
                Done
              </button>
            </div>
          ) : (
            <div className="flex flex-col gap-3">
              <input ref={file} type="file" accept=".csv,text/csv" aria-label="File with sent orders" />
              {problem && (
                <p role="alert" className="text-brick">
                  {problem}
                </p>
              )}
              <button className="btn btn-go self-end" disabled={busy} onClick={() => void take()}>
                Mark as sent
              </button>
            </div>
          )}
        </Modal>
      )}
    </>
  );
}
