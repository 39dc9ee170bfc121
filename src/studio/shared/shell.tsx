import History from 'lucide-react/icons/history';
import Mail from 'lucide-react/icons/mail';
import MapIcon from 'lucide-react/icons/map';
import Package from 'lucide-react/icons/package';
import ReceiptText from 'lucide-react/icons/receipt-text';
import Store from 'lucide-react/icons/store';
import { useState, type ReactNode } from 'react';
import { Band } from './band';
import { Conflict } from './conflict';
import { FaultGuard } from './fault';
import { useDraft } from './draft-store';
import { Finder } from './finder';
import { ShortcutList, useShortcuts } from './shortcuts';
import { PublishDialog } from './publish-dialog';
import type { ShellData } from './studio-data';

const ROOMS = [
  { key: 'lane', label: 'Lane', href: '/studio', icon: MapIcon },
  { key: 'catalogue', label: 'Catalogue', href: '/studio/catalogue', icon: Package },
  { key: 'orders', label: 'Orders', href: '/studio/orders', icon: ReceiptText, owner: true },
  { key: 'mailbox', label: 'Mailbox', href: '/studio/mailbox', icon: Mail, owner: true },
  { key: 'revisions', label: 'Revisions', href: '/studio/revisions', icon: History },
] as const;
export type Room = (typeof ROOMS)[number]['key'];

interface Props {
  readonly data: ShellData;
  readonly room: Room;
  readonly stretch?: string;
  readonly children: ReactNode;
}

/** The band above, the rail beside, and the dialogs every screen shares. */
export function Shell({ data, room, stretch, children }: Props) {
  useState(() => useDraft.getState().start(data.draft));
  const [open, setOpen] = useState<'find' | 'keys' | 'publish' | null>(null);
  const message = useDraft((state) => state.message);
  const say = useDraft((state) => state.say);
  useShortcuts({ find: () => setOpen('find'), keys: () => setOpen('keys'), publish: () => setOpen('publish') });
  return (
    <div className="grid h-screen min-w-[1024px] grid-cols-[76px_minmax(0,1fr)] grid-rows-[66px_minmax(0,1fr)]">
      <Band data={data} stretch={stretch} onPublish={() => setOpen('publish')} />
      <nav aria-label="Rooms" className="flex flex-col gap-1 border-e border-mortar bg-slab py-3">
        {ROOMS.filter((entry) => !('owner' in entry) || data.account.role === 'owner').map(
          ({ key, label, href, icon: Icon }) => (
            <a
              key={key}
              href={href}
              aria-current={room === key ? 'page' : undefined}
              className="flex flex-col items-center gap-1 border-s-[3px] border-transparent py-2 text-[12.5px] text-gravel no-underline hover:text-basalt aria-[current]:border-basalt aria-[current]:font-semibold aria-[current]:text-basalt"
            >
              <Icon size={20} strokeWidth={1.75} />
              {label}
            </a>
          ),
        )}
        <a
          href="/shop/"
          target="_blank"
          className="flex flex-col items-center gap-1 border-s-[3px] border-transparent py-2 text-[12.5px] text-gravel no-underline hover:text-basalt"
          title="The live shop, in a new tab"
        >
          <Store size={20} strokeWidth={1.75} />
          Shop
        </a>
        <form method="post" action="/studio/sign-out" className="mt-auto px-1 text-center text-[12px] text-gravel">
          <p className="truncate" title={data.account.name}>
            {data.account.name}
          </p>
          <button className="plain underline">Sign out</button>
        </form>
      </nav>
      <main className="min-h-0 overflow-auto" id="main" tabIndex={0}>
        <FaultGuard>{children}</FaultGuard>
      </main>
      {message && (
        <p
          role="status"
          className="fixed start-1/2 bottom-5 z-30 flex -translate-x-1/2 items-center gap-4 rounded-stone bg-basalt px-4 py-2.5 text-limestone"
        >
          {message}
          <button className="plain underline" onClick={() => say(null)}>
            All right
          </button>
        </p>
      )}
      <Conflict />
      {open === 'find' && <Finder onClose={() => setOpen(null)} />}
      {open === 'keys' && <ShortcutList onClose={() => setOpen(null)} />}
      {open === 'publish' && <PublishDialog onClose={() => setOpen(null)} />}
    </div>
  );
}
