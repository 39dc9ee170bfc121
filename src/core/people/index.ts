export type Role = 'owner' | 'editor' | 'viewer';
const RANK: Readonly<Record<Role, number>> = { viewer: 0, editor: 1, owner: 2 };

/** Whether an account of a role may do what another role is needed for: owners what editors may, editors what viewers may. */
export function mayDo(role: Role, needed: Role): boolean {
  return RANK[role] >= RANK[needed];
}

export interface Account {
  readonly id: number;
  readonly email: string;
  readonly name: string;
  readonly role: Role;
}

/** Somebody who is signed in, and by which session. */
export interface SignedIn extends Account {
  readonly session: string;
}

/** Somebody signed in on one device. Times in milliseconds since 1970. */
export interface Session {
  /** By which it can be ended; it opens nothing. */
  readonly key: string;
  readonly beganAt: number;
  readonly seenAt: number;
  /** What the browser called itself. */
  readonly agent: string;
}

/** A session as its owner knows it: “Firefox on Linux”. */
export interface ShownSession extends Omit<Session, 'agent'> {
  readonly device: string;
  readonly isThis: boolean;
}

/** A link that lets somebody in once: a new person, or one who has forgotten the password. */
export interface EntryLink {
  readonly kind: 'invite' | 'password';
  readonly email: string;
  /** Of who is invited. */
  readonly role: Role | null;
  /** The account that made it; null: the server itself. */
  readonly madeBy: number | null;
  readonly madeAt: number;
  readonly until: number;
}

/** Who works on the shop, as one of them sees it. */
export interface PeopleView {
  readonly own: Account;
  readonly sessions: readonly ShownSession[];
  /** For owners; empty for others. */
  readonly people: readonly Account[];
  readonly invites: readonly EntryLink[];
}
