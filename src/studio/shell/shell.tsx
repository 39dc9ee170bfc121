import { mayDo } from '~/core/people';
import Store from 'lucide-react/icons/store';
import { useEffect, useState, type ReactNode } from 'react';
import { Band } from './band';
import { Conflict } from './conflict';
import { FaultGuard } from './fault';
import { FirstSteps } from './first-steps';
import { useDraft } from '~/studio/data/draft-store';
import { Finder } from './finder';
import { ShortcutList, useShortcuts } from './shortcuts';
import { PublishDialog } from '~/studio/publish/publish-dialog';
import { SCREENS, type Screen, type ScreenAddress } from '~/studio/screens';
import type { ShellData } from '~/studio/data/studio-data';

/** How long it stands what undo has done. */
const BRIEF_MS = 6000;

const RAIL = Object.entries<Screen>(SCREENS).flatMap(([address, { name, role, rail }]) =>
  rail ? [{ address, label: rail.label ?? name, icon: rail.icon, role: role! }] : [],
);

interface Props {
  readonly data: ShellData;
  /** The screen of the rail it belongs to. */
  readonly room: ScreenAddress;
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
        {RAIL.filter(({ role }) => mayDo(data.account.role, role)).map(({ address, label, icon: Icon }) => (
          <a
            key={address}
            href={address}
            aria-current={room === address ? 'page' : undefined}
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
