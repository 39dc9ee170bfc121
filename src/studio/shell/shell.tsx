import BadgePercent from 'lucide-react/icons/badge-percent';
import History from 'lucide-react/icons/history';
import Mail from 'lucide-react/icons/mail';
import Link2 from 'lucide-react/icons/link-2';
import MapIcon from 'lucide-react/icons/map';
import Package from 'lucide-react/icons/package';
import ReceiptText from 'lucide-react/icons/receipt-text';
import Settings from 'lucide-react/icons/settings-2';
import Waypoints from 'lucide-react/icons/waypoints';
import Store from 'lucide-react/icons/store';
import { useEffect, useState, type ReactNode } from 'react';
import { Band } from './band';
import { Conflict } from './conflict';
import { FaultGuard } from './fault';
import Users from 'lucide-react/icons/users';
import { FirstSteps } from './first-steps';
import { useDraft } from '~/studio/data/draft-store';
import { Finder } from './finder';
import { ShortcutList, useShortcuts } from './shortcuts';
import { PublishDialog } from './publish-dialog';
import type { ShellData } from '~/studio/data/studio-data';

/** How long it stands what undo has done. */
const BRIEF_MS = 6000;

const ROOMS = [
  { key: 'lane', label: 'Lane', href: '/studio', icon: MapIcon },
  { key: 'offers', label: 'Offers', href: '/studio/offers', icon: BadgePercent, editor: true },
  { key: 'suggestions', label: 'Together', href: '/studio/suggestions', icon: Waypoints, editor: true },
  { key: 'links', label: 'Links', href: '/studio/links', icon: Link2, editor: true },
  { key: 'catalogue', label: 'Catalogue', href: '/studio/catalogue', icon: Package },
  { key: 'orders', label: 'Orders', href: '/studio/orders', icon: ReceiptText, owner: true },
  { key: 'shop', label: 'Settings', href: '/studio/shop', icon: Settings },
  { key: 'mailbox', label: 'Mailbox', href: '/studio/mailbox', icon: Mail, owner: true },
  { key: 'people', label: 'People', href: '/studio/people', icon: Users },
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
  const brief = useDraft((state) => state.brief);
  useEffect(() => {
    if (!brief) return;
    const timer = setTimeout(() => useDraft.setState({ brief: null }), BRIEF_MS);
    return () => clearTimeout(timer);
  }, [brief]);
  const isOpen = useDraft((state) => state.live.revision > 0);
  useShortcuts({ find: () => setOpen('find'), keys: () => setOpen('keys'), publish: () => setOpen('publish') });
  return (
    <div className="grid h-screen min-w-[720px] grid-cols-[76px_minmax(0,1fr)] grid-rows-[66px_minmax(0,1fr)]">
      <a
        href="#main"
        className="fixed start-2 top-2 z-50 -translate-y-24 rounded-stone bg-paint px-4 py-2 font-semibold text-basalt focus:translate-y-0"
      >
        Skip to main content
      </a>
      <Band data={data} stretch={stretch} onPublish={() => setOpen('publish')} />
      <nav aria-label="Rooms" className="flex flex-col overflow-y-auto border-e border-mortar bg-slab py-2">
        {ROOMS.filter(
          (entry) =>
            (!('owner' in entry) || data.account.role === 'owner') &&
            (!('editor' in entry) || data.account.role !== 'viewer'),
        ).map(({ key, label, href, icon: Icon }) => (
          <a
            key={key}
            href={href}
            aria-current={room === key ? 'page' : undefined}
            className="flex shrink-0 flex-col items-center gap-0.5 border-s-[3px] border-transparent py-[7px] text-[12.5px] text-gravel no-underline hover:text-basalt aria-[current]:border-basalt aria-[current]:font-semibold aria-[current]:text-basalt"
          >
            <Icon size={20} strokeWidth={1.75} />
            {label}
          </a>
        ))}
        <a
          href="/shop/"
          target="_blank"
          className="flex shrink-0 flex-col items-center gap-0.5 border-s-[3px] border-transparent py-[7px] text-[12.5px] text-gravel no-underline hover:text-basalt"
          title={isOpen ? 'The live shop, in a new tab' : 'Your shop, in a new tab; only you see it yet'}
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
      <main className="min-h-0 overflow-auto" id="main" aria-label="Studio" tabIndex={0}>
        {data.steps && !isOpen && data.account.role !== 'viewer' && (
          <FirstSteps initial={data.steps} onPublish={() => setOpen('publish')} />
        )}
        <FaultGuard>{children}</FaultGuard>
      </main>
      {message && (
        <p
          role="status"
          className="fixed start-1/2 bottom-5 z-30 flex -translate-x-1/2 items-center gap-4 rounded-stone bg-basalt px-4 py-2.5 text-limestone"
        >
          {message}
          <button className="plain underline" onClick={() => say(null)}>
            OK
          </button>
        </p>
      )}
      {brief && !message && (
        <p
          role="status"
          className="fixed start-1/2 bottom-5 z-30 max-w-[70vw] -translate-x-1/2 rounded-stone bg-basalt px-4 py-2.5 text-limestone"
        >
          {brief}
        </p>
      )}
      <Conflict />
      {open === 'find' && <Finder onClose={() => setOpen(null)} />}
      {open === 'keys' && <ShortcutList onClose={() => setOpen(null)} />}
      {open === 'publish' && <PublishDialog onClose={() => setOpen(null)} />}
    </div>
  );
}
