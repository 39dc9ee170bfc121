import BadgePercent from 'lucide-react/icons/badge-percent';
import History from 'lucide-react/icons/history';
import Link2 from 'lucide-react/icons/link-2';
import Mail from 'lucide-react/icons/mail';
import MapIcon from 'lucide-react/icons/map';
import Package from 'lucide-react/icons/package';
import ReceiptText from 'lucide-react/icons/receipt-text';
import Settings from 'lucide-react/icons/settings-2';
import Users from 'lucide-react/icons/users';
import Waypoints from 'lucide-react/icons/waypoints';
import type { Role } from '~/core/people';

export interface Screen {
  /** At the head of the window, and on the rail where the rail has no shorter word. */
  readonly name: string;
  /** Whose account opens it, at least; null: anybody's way in. */
  readonly role: Role | null;
  /** Where it stands on the rail. */
  readonly rail?: { readonly label?: string; readonly icon: typeof MapIcon };
}

/** Every screen of the studio by its address, as the folders of `src/pages` spell it; those of the rail in its order. */
export const SCREENS = {
  '/studio': { name: 'Lane', role: 'viewer', rail: { icon: MapIcon } },
  '/studio/offers': { name: 'Offers', role: 'editor', rail: { icon: BadgePercent } },
  '/studio/suggestions': { name: 'Suggestions', role: 'editor', rail: { label: 'Together', icon: Waypoints } },
  '/studio/links': { name: 'Buy links', role: 'editor', rail: { label: 'Links', icon: Link2 } },
  '/studio/catalogue': { name: 'Catalogue', role: 'viewer', rail: { icon: Package } },
  '/studio/orders': { name: 'Orders', role: 'owner', rail: { icon: ReceiptText } },
  '/studio/shop': { name: 'Settings', role: 'viewer', rail: { icon: Settings } },
  '/studio/mailbox': { name: 'Mailbox', role: 'owner', rail: { icon: Mail } },
  '/studio/people': { name: 'People', role: 'viewer', rail: { icon: Users } },
  '/studio/revisions': { name: 'Revisions', role: 'viewer', rail: { icon: History } },
  '/studio/bench/[piece]': { name: 'Shape', role: 'viewer' },
  '/studio/proof': { name: 'Proof', role: 'viewer' },
  '/studio/words': { name: 'Words', role: 'viewer' },
  '/studio/seen': { name: 'Who sees what', role: 'viewer' },
  '/studio/stretch/[stretch]': { name: 'Stretch', role: 'viewer' },
  '/studio/catalogue/[slug]': { name: 'Product', role: 'viewer' },
  '/studio/catalogue/[slug]/options': { name: 'Options', role: 'viewer' },
  '/studio/catalogue/categories': { name: 'Categories', role: 'editor' },
  '/studio/catalogue/import': { name: 'Import a file', role: 'editor' },
  '/studio/catalogue/searches': { name: 'Searches', role: 'editor' },
  '/studio/orders/[id]': { name: 'Order', role: 'owner' },
  '/studio/orders/[id]/print': { name: 'Packing slip', role: 'owner' },
  '/studio/mend': { name: 'Replace the draft', role: 'editor' },
  '/studio/begin': { name: 'Begin', role: null },
  '/studio/enter': { name: 'A new password', role: null },
  '/studio/forgot': { name: 'A new password', role: null },
  '/studio/sign-in': { name: 'Sign in', role: null },
  '/studio/sign-out': { name: 'Sign out', role: null },
} as const satisfies Readonly<Record<string, Screen>>;

export type ScreenAddress = keyof typeof SCREENS;

/** The screen of a route; null where there is none. */
export function screenOf(route: string): Screen | null {
  return Object.hasOwn(SCREENS, route) ? SCREENS[route as ScreenAddress] : null;
}
