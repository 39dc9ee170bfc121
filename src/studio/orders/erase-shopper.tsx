import { useState, type FormEvent } from 'react';
import { ask } from '~/studio/data/api';
import { plural } from '~/studio/data/format';

interface Traces {
  readonly orders: number;
  readonly checkouts: number;
  readonly files: number;
  readonly mails: number;
}

function wordTraces({ orders, checkouts, files, mails }: Traces): string {
  const parts = [
    plural(orders, 'order', 'orders'),
    plural(mails, 'mail', 'mails'),
    plural(files, 'file', 'files'),
    plural(checkouts, 'checkout form', 'checkout forms'),
  ];
  return `${parts.slice(0, -1).join(', ')} and ${parts.at(-1)}`;
}

/** Erases one buyer by mail address: first what there is of them, then, when that is wanted, gone. */
export function EraseShopper() {
  const [email, setEmail] = useState('');
  const [found, setFound] = useState<Traces | null>(null);
  const [said, setSaid] = useState<{ text: string; isBad: boolean } | null>(null);
  const [busy, setBusy] = useState(false);

  async function send(apply: boolean): Promise<void> {
    setBusy(true);
    try {
      const traces = await ask('POST /api/studio/erase', { body: { email, apply } });
      const isNothing = Object.values(traces).every((n) => n === 0);
      setFound(apply || isNothing ? null : traces);
      if (apply) setSaid({ text: `Erased: ${wordTraces(traces)} of ${email}.`, isBad: false });
      else setSaid(isNothing ? { text: `Nothing is kept of ${email}.`, isBad: false } : null);
      if (apply) setEmail('');
    } catch (error) {
      setSaid({ text: (error as Error).message, isBad: true });
    } finally {
      setBusy(false);
    }
  }

  function look(event: FormEvent): void {
    event.preventDefault();
    void send(false);
  }

  return (
    <section className="mt-8 max-w-[620px] border-t border-mortar pt-4">
      <h2>Erase a buyer</h2>
      <p className="help mb-2">
        When a buyer asks for it: their names, addresses, answers, files and mails go. Their orders stay as sales
        without a name.
      </p>
      <form onSubmit={look} className="flex items-end gap-2">
        <label className="flex min-w-0 flex-1 flex-col gap-1">
          Their e-mail address
          <input
            className="field"
            type="email"
            required
            value={email}
            onChange={(event) => {
              setEmail(event.target.value);
              setFound(null);
            }}
          />
        </label>
        <button className="btn" disabled={busy}>
          Look for it
        </button>
      </form>
      {found && (
        <div className="panel mt-3 flex items-center justify-between gap-4 px-4 py-3">
          <p>There are {wordTraces(found)}. This cannot be undone.</p>
          <button className="btn btn-stop whitespace-nowrap" disabled={busy} onClick={() => void send(true)}>
            Erase {email}
          </button>
        </div>
      )}
      {said && (
        <p role={said.isBad ? 'alert' : 'status'} className={`mt-3 ${said.isBad ? 'text-brick' : ''}`}>
          {said.text}
        </p>
      )}
    </section>
  );
}
