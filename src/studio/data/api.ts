import type { AnswerOf, Asking, RouteName } from '~/contract';

/** What the server refused, in its own words. */
export class Refusal extends Error {
  constructor(
    readonly status: number,
    message: string,
    readonly body: unknown,
  ) {
    super(message);
  }
}

/** How a request is sent: what may end it, and whether it goes on though the page is left. */
type Sending = Pick<RequestInit, 'signal' | 'keepalive'>;
/** What a route needs to be asked with may be left out where nothing must be given. */
type ToAsk<Name extends RouteName> =
  Record<never, never> extends Asking<Name> ? [asking?: Asking<Name>, sending?: Sending] : [Asking<Name>, Sending?];

interface Loose {
  readonly params?: Readonly<Record<string, string | number>>;
  readonly query?: Readonly<Record<string, unknown>>;
  readonly body?: unknown;
  readonly form?: Readonly<Record<string, unknown>>;
  readonly bytes?: Blob;
}

/** The address of a route: the parts in brackets filled in, what is empty left out behind the question mark. */
export function addressOf<Name extends RouteName>(name: Name, asking: Asking<Name>): string {
  const { params = {}, query = {} }: Loose = asking;
  const path = name
    .slice(name.indexOf(' ') + 1)
    .replace(/\[(\w+)\]/g, (_, key: string) => encodeURIComponent(String(params[key])));
  const pairs = Object.entries(query).flatMap(([key, value]) =>
    (Array.isArray(value) ? value : [value])
      .filter((one) => one !== null && one !== undefined && one !== '')
      .map((one): [string, string] => [key, String(one)]),
  );
  return pairs.length > 0 ? `${path}?${new URLSearchParams(pairs)}` : path;
}

/** Sends what a route of the contract takes. A refusal or a lost connection is thrown with a sentence that can be shown. */
export async function send<Name extends RouteName>(
  name: Name,
  asking: Asking<Name>,
  sending: Sending = {},
): Promise<Response> {
  const method = name.slice(0, name.indexOf(' '));
  const init = Object.assign(bodyOf(asking), sending, { method });
  const response = await fetch(addressOf(name, asking), init).catch((error: unknown) => {
    if (sending.signal?.aborted) throw error;
    throw new Refusal(0, 'The server cannot be reached. What you changed is kept in this window; try again.', null);
  });
  if (response.ok) return response;
  throw await refusalOf(response);
}

/** What a route answers to what it is asked. */
export async function answerTo<Name extends RouteName>(
  name: Name,
  asking: Asking<Name>,
  sending?: Sending,
): Promise<AnswerOf<Name>> {
  return (await (await send(name, asking, sending)).json()) as AnswerOf<Name>;
}

/** Asks a route of the contract and gets what it answers. */
export function ask<Name extends RouteName>(name: Name, ...[asking, sending]: ToAsk<Name>): Promise<AnswerOf<Name>> {
  return answerTo(name, asking ?? ({} as Asking<Name>), sending);
}

function bodyOf({ body, form, bytes }: Loose): RequestInit {
  if (bytes) return { body: bytes, headers: { 'content-type': bytes.type || 'application/octet-stream' } };
  if (form) {
    const fields = new FormData();
    for (const [name, value] of Object.entries(form))
      if (value instanceof File) fields.set(name, value);
      else if (value !== undefined) fields.set(name, typeof value === 'string' ? value : JSON.stringify(value));
    return { body: fields };
  }
  if (body === undefined) return {};
  return { body: JSON.stringify(body), headers: { 'content-type': 'application/json' } };
}

/** A refusal in the server's own words; whoever is not signed in any more is led there. */
async function refusalOf(response: Response): Promise<Refusal> {
  const body: unknown = await response.json().catch(() => null);
  const problems = (body as { problems?: { message?: string }[] } | null)?.problems ?? [];
  const message = problems
    .map((problem) => problem.message)
    .filter(Boolean)
    .join(' ');
  if (response.status === 401)
    location.assign(`/studio/sign-in?next=${encodeURIComponent(location.pathname + location.search)}`);
  return new Refusal(response.status, message || 'Something went wrong on our side. Please try again.', body);
}

/** What a browser sends on for a page that is left, in bytes (Fetch Standard: 64 KiB for all that is under way). */
const MOST_KEPT_ALIVE = 60_000;

/** Small changes of the draft arrive though the page is left meanwhile. */
export function sendPatch(
  edit: number,
  patch: Asking<'PATCH /api/studio/draft'>['body']['patch'],
): Promise<AnswerOf<'PATCH /api/studio/draft'>> {
  const body = { edit, patch };
  const keepalive = new Blob([JSON.stringify(body)]).size < MOST_KEPT_ALIVE;
  return ask('PATCH /api/studio/draft', { body }, { keepalive });
}
