import { useState } from 'react';
import { Tick } from '~/studio/fields/tick';
import { useShop } from '~/studio/data/sums';
import { moment } from '~/studio/data/format';
import { Shell } from '~/studio/shell/shell';
import type { ShellData } from '~/studio/data/studio-data';

interface MailRow {
  readonly id: string;
  readonly at: number;
  readonly to: string;
  readonly subject: string;
  readonly text: string;
  readonly html: string;
}

export function Mailbox({ shell, mails }: { shell: ShellData; mails: readonly MailRow[] }) {
  return (
    <Shell data={shell} room="/studio/mailbox">
      <MailScreen mails={mails} />
    </Shell>
  );
}

function MailScreen({ mails }: { mails: readonly MailRow[] }) {
  const shop = useShop();
  const [chosen, choose] = useState(mails[0]?.id ?? null);
  const [asText, setAsText] = useState(false);
  const mail = mails.find((candidate) => candidate.id === chosen);
  return (
    <div className="flex h-full flex-col px-[18px] py-4">
      <h1>Read what buyers were sent</h1>
      <p className="mb-3 text-gravel">A stand-in keeps the mails here; none leaves this machine.</p>
      {mails.length === 0 ? (
        <p className="panel px-4 py-6 text-center">No mail yet. Visit the shop and order something.</p>
      ) : (
        <div className="grid min-h-0 flex-1 grid-cols-[240px_minmax(0,1fr)] lg:grid-cols-[320px_minmax(0,1fr)] gap-4">
          <ul className="panel min-h-0 overflow-auto" aria-label="Mails">
            {mails.map((item) => (
              <li key={item.id} className="border-b border-slab">
                <button
                  className="plain w-full px-3 py-2 text-start aria-pressed:bg-slab"
                  aria-pressed={item.id === chosen}
                  onClick={() => choose(item.id)}
                >
                  <span className="block truncate font-medium">{item.subject}</span>
                  <span className="help block truncate">
                    to {item.to}, {moment(item.at, shop)}
                  </span>
                </button>
              </li>
            ))}
          </ul>
          {mail && (
            <article className="panel flex min-h-0 flex-col">
              <header className="flex items-center justify-between gap-4 border-b border-mortar px-4 py-2.5">
                <div className="min-w-0">
                  <h2 className="truncate">{mail.subject}</h2>
                  <p className="help">to {mail.to}</p>
                </div>
                <Tick label="as plain text" checked={asText} onChange={setAsText} />
              </header>
              {asText ? (
                <pre className="min-h-0 flex-1 overflow-auto px-4 py-3 font-sans whitespace-pre-wrap">{mail.text}</pre>
              ) : (
                // Nothing in a mail may run, reach this page or load anything.
                <iframe title="The mail" sandbox="" srcDoc={mail.html} className="min-h-0 w-full flex-1" />
              )}
            </article>
          )}
        </div>
      )}
    </div>
  );
}
