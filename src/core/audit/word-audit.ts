import { orderNumber } from '~/core/orders/order-number';

/** Entries told at a time. */
export const AUDIT_PAGE = 50;

/** What is kept of something that was done, beside who did it and when. */
export type AuditFacts = Readonly<Record<string, AuditFact>>;
/** Whatever JSON can hold. */
export type AuditFact = string | number | boolean | null | undefined | object;

const text = (value: unknown): string =>
  typeof value === 'string' ? value : typeof value === 'number' ? String(value) : '';
const many = (value: unknown, one: string, several: string): string =>
  `${text(value) || '0'} ${value === 1 ? one : several}`;
const again = (times: unknown): string => (times === 1 ? '' : `, ${text(times)} times`);
const number = (value: unknown): string => (typeof value === 'number' ? orderNumber({ id: value }) : '');

/** Everything that is written down, and how it is told. A sentence goes on from the name of who did it. */
const SENTENCES = {
  'sign-in': () => 'signed in',
  'sign-in-failed': ({ times = 1 }: AuditFacts) => `was refused at the sign-in${again(times)}`,
  'sign-out': () => 'signed out',
  'session-ended': ({ count = 1 }: AuditFacts) => `ended ${many(count, 'other session', 'other sessions')}`,
  'password-changed': () => 'changed their password',
  'password-asked': () => 'asked for a link to choose a new password',
  'password-reset': () => 'chose a new password by a link',
  invited: ({ email, role }: AuditFacts) => `invited ${text(email)} as ${text(role)}`,
  'invite-withdrawn': ({ email }: AuditFacts) => `withdrew the invitation of ${text(email)}`,
  joined: ({ role }: AuditFacts) => `joined as ${text(role)}`,
  'person-removed': ({ email }: AuditFacts) => `removed ${text(email)}`,
  'draft-changed': ({ times = 1 }: AuditFacts) => `changed the draft${again(times)}`,
  publish: ({ revision }: AuditFacts) => `published revision ${text(revision)}`,
  'plan-publish': ({ at }: AuditFacts) =>
    `planned changes to go out${typeof at === 'number' ? ` at ${new Date(at).toISOString().slice(0, 16).replace('T', ' ')} UTC` : ''}`,
  'plan-stopped': () => 'stopped changes that were planned to go out',
  'plan-refused': () => 'planned changes that could not go out',
  'take-texts': () => 'put translations from a file into the draft',
  'take-configuration': () => 'put a configuration from a file into the draft',
  'restore-revision': ({ revision }: AuditFacts) => `put revision ${text(revision)} into the draft`,
  'change-currency': ({ from, to }: AuditFacts) => `changed the currency from ${text(from)} to ${text(to)}`,
  'change-zone': ({ from, to }: AuditFacts) => `changed the time zone from ${text(from)} to ${text(to)}`,
  'import-catalogue': ({ productsCreated, productsChanged }: AuditFacts) =>
    `imported ${many(productsCreated, 'new product', 'new products')} and changed ${text(productsChanged) || '0'}`,
  'new-product': ({ slug }: AuditFacts) => `made the product ${text(slug)}`,
  'edit-product': ({ slug }: AuditFacts) => `changed the product ${text(slug)}`,
  'remove-product': ({ slug }: AuditFacts) => `removed the product ${text(slug)}`,
  'keep-review': ({ slug }: AuditFacts) => `answered or hid a review of ${text(slug)}`,
  'edit-options': ({ slug }: AuditFacts) => `changed the options of ${text(slug)}`,
  'edit-categories': ({ count }: AuditFacts) => `changed the categories, ${text(count)} in all`,
  'arrange-category': ({ category }: AuditFacts) => `put the products of ${text(category)} in order`,
  'change-many': ({ rows }: AuditFacts) => `changed ${many(rows, 'row', 'rows')} of the catalogue at once`,
  'undo-many': () => 'undid a change of many products',
  'keep-synonym': ({ term }: AuditFacts) => `taught the search the word “${text(term)}”`,
  'decide-pairs': ({ state, pairs }: AuditFacts) => `${text(state)} ${many(pairs, 'suggestion', 'suggestions')}`,
  'remove-examples': ({ products }: AuditFacts) => `removed ${many(products, 'example product', 'example products')}`,
  'codes-made': ({ offer, count }: AuditFacts) => `made ${many(count, 'code', 'codes')} for the offer ${text(offer)}`,
  'codes-exported': ({ offer }: AuditFacts) => `exported the codes of the offer ${text(offer)}`,
  'orders-exported': ({ orders }: AuditFacts) => `exported ${many(orders, 'order', 'orders')}`,
  'order-pack': ({ order }: AuditFacts) => `packed order ${number(order)}`,
  'order-send': ({ order }: AuditFacts) => `sent order ${number(order)}`,
  'order-reopen': ({ order }: AuditFacts) => `took order ${number(order)} back to be packed`,
  'order-refund': ({ order }: AuditFacts) => `refunded a part of order ${number(order)}`,
  'order-return': ({ order }: AuditFacts) => `noted that items of order ${number(order)} come back`,
  'order-return-came': ({ order }: AuditFacts) => `noted that items of order ${number(order)} are back`,
  'order-return-dropped': ({ order }: AuditFacts) => `noted that nothing of order ${number(order)} comes back`,
  'order-cancel': ({ order }: AuditFacts) => `cancelled order ${number(order)}`,
  'erase-shopper': () => 'erased the data of a shopper',
} satisfies Record<string, (facts: AuditFacts) => string>;

export type AuditAction = keyof typeof SENTENCES;

export interface AuditEntry {
  /** Milliseconds since 1970. */
  readonly at: number;
  /** Null: nobody who was signed in. */
  readonly accountId: number | null;
  readonly action: AuditAction;
  readonly facts: AuditFacts;
}

export interface ReadAuditEntry extends AuditEntry {
  readonly id: number;
  /** Of who did it, also where they are gone. */
  readonly name: string | null;
}

/** An entry in words; what this program knows no words for (written by a newer one) is told by its key. */
export function wordAudit({ action, facts }: { readonly action: string; readonly facts: AuditFacts }): string {
  return Object.hasOwn(SENTENCES, action) ? SENTENCES[action as AuditAction](facts) : action;
}
