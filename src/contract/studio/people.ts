import { z } from 'zod';
import { email } from '~/contract/fields';
import { routes } from '~/contract/route';
import { LEAST_PASSWORD, LETTERS } from '~/core/limits';
import type { AuditFact, ReadAuditEntry } from '~/core/audit/word-audit';
import type { Account, EntryLink, PeopleView, Role, ShownSession } from '~/core/people/index';
import { same } from '~/contract/tools';

const factSchema: z.ZodType<AuditFact> = z.json();

export const readAuditEntrySchema = same<ReadAuditEntry>()(
  z.strictObject({
    id: z.number(),
    /** Of who did it, also where they are gone. */
    name: z.string().nullable(),
    /** Milliseconds since 1970. */
    at: z.number(),
    /** Null: nobody who was signed in. */
    accountId: z.number().nullable(),
    action: z.enum([
      'publish',
      'sign-in',
      'sign-in-failed',
      'sign-out',
      'session-ended',
      'password-changed',
      'password-asked',
      'password-reset',
      'invited',
      'invite-withdrawn',
      'joined',
      'person-removed',
      'draft-changed',
      'plan-publish',
      'take-configuration',
      'take-texts',
      'plan-stopped',
      'plan-refused',
      'restore-revision',
      'change-currency',
      'change-zone',
      'import-catalogue',
      'new-product',
      'edit-product',
      'remove-product',
      'keep-review',
      'edit-options',
      'edit-categories',
      'arrange-category',
      'change-many',
      'undo-many',
      'keep-synonym',
      'decide-pairs',
      'remove-examples',
      'codes-made',
      'codes-exported',
      'orders-exported',
      'order-pack',
      'order-send',
      'order-reopen',
      'order-refund',
      'order-return',
      'order-return-came',
      'order-return-dropped',
      'order-cancel',
      'erase-shopper',
    ]),
    facts: z.record(z.string(), factSchema),
  }),
);

export const roleSchema = same<Role>()(z.enum(['owner', 'editor', 'viewer']));

export const accountSchema = same<Account>()(
  z.strictObject({
    id: z.number(),
    email: z.string(),
    name: z.string(),
    role: roleSchema,
  }),
);

export const shownSessionSchema = same<ShownSession>()(
  z.strictObject({
    device: z.string(),
    isThis: z.boolean(),
    /** By which it can be ended; it opens nothing. */
    key: z.string(),
    beganAt: z.number(),
    seenAt: z.number(),
  }),
);

export const entryLinkSchema = same<EntryLink>()(
  z.strictObject({
    kind: z.enum(['invite', 'password']),
    email: z.string(),
    /** Of who is invited. */
    role: z.enum(['owner', 'editor', 'viewer']).nullable(),
    /** The account that made it; null: the server itself. */
    madeBy: z.number().nullable(),
    madeAt: z.number(),
    until: z.number(),
  }),
);

export const peopleViewSchema = same<PeopleView>('PeopleView')(
  z.strictObject({
    own: accountSchema,
    sessions: z.array(shownSessionSchema),
    /** For owners; empty for others. */
    people: z.array(accountSchema),
    invites: z.array(entryLinkSchema),
  }),
);

export const newPassword = z.string().min(LEAST_PASSWORD).max(LETTERS.password);

export const passwordSchema = z.strictObject({ old: z.string().max(LETTERS.password), next: newPassword });
export const inviteSchema = z.strictObject({ email, role: z.enum(['owner', 'editor', 'viewer']) });
const addressed = z.strictObject({ email });

export const peopleRoutes = routes({
  'DELETE /api/studio/people': { says: 'Removes somebody.', role: 'owner', body: addressed, answer: peopleViewSchema },
  'POST /api/studio/people/invites': {
    says: 'Invites somebody by mail.',
    role: 'owner',
    body: inviteSchema,
    answer: z.strictObject({ link: z.string(), view: peopleViewSchema }),
  },
  'DELETE /api/studio/people/invites': {
    says: 'Takes an invitation back.',
    role: 'owner',
    body: addressed,
    answer: peopleViewSchema,
  },
  'POST /api/studio/people/password': {
    says: 'Changes one’s own password.',
    role: 'viewer',
    body: passwordSchema,
    answer: peopleViewSchema,
  },
  'DELETE /api/studio/people/sessions': {
    says: 'Ends a session of one’s own, or all but the present one.',
    role: 'viewer',
    /** Null: all but the present one. */
    body: z.strictObject({ key: z.string().max(40).nullable() }),
    answer: peopleViewSchema,
  },
  'GET /api/studio/people/audit': {
    says: 'What was done, the newest first, a page at a time.',
    role: 'owner',
    query: z.strictObject({
      before: z.coerce.number().int().min(1).nullable().catch(null).default(null),
      person: z.coerce.number().int().min(1).nullable().catch(null).default(null),
    }),
    answer: z.array(readAuditEntrySchema),
  },
});
