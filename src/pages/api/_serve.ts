import type { APIContext, APIRoute } from 'astro';
import { contract, type AnswerOf, type Asked, type ConflictOf, type LinesOf, type RouteName } from '~/contract';
import type { ReadOnly } from '~/contract/tools';
import type { Route } from '~/contract/route';
import { parseJson } from '~/core/formats/parse-json';
import type { SignedIn } from '~/core/people';
import { fail, ok, type Problem, type Result } from '~/core/problems';
import { refusalOf } from '~/services/accounts/access';
import type { App } from '~/services/app';
import { streamWork } from '~/services/offers/slices';
import { readForm } from '../_read-form';
import { check, readBody, refuse } from './_respond';

/** Who may ask a route without an account gets null. */
type AccountOf<Name extends RouteName> = (typeof contract)[Name]['role'] extends 'anybody' ? SignedIn | null : SignedIn;

/** A request as its handler gets it: what it asks has been read by the contract, and whoever asks may. */
export interface Ask<Name extends RouteName> extends Asked<Name> {
  readonly app: App;
  readonly account: AccountOf<Name>;
  readonly language: string;
  /** The file, where the body is one. */
  readonly bytes: Uint8Array;
  readonly context: APIContext;
}

/** A long computation whose answer comes as the last of its lines. */
export interface Lines<Answer> {
  readonly ok: true;
  readonly work: Generator<number, unknown>;
  readonly show: (result: never) => Answer;
}

type Refused<Name extends RouteName> = {
  readonly ok: false;
  readonly problems: readonly Problem[];
  readonly conflict?: ReadOnly<ConflictOf<Name>>;
};
type Done<Name extends RouteName> = {
  readonly ok: true;
  readonly value: ReadOnly<AnswerOf<Name>>;
  readonly status?: number;
};
type Handled<Name extends RouteName> = Done<Name> | Refused<Name> | Lines<ReadOnly<LinesOf<Name>>> | Response;

const guards = new WeakMap<APIRoute, RouteName>();
/** Tests hold every answer to the contract; a shop that sells does not stop to look. */
const checksAnswers = process.env['PAVED_LANE_CHECK_ANSWERS'] === '1';

/**
 * A route of the contract: asks for the account it needs, reads what was sent, and answers what the handler says.
 * What cannot be read is refused with the field it stands in.
 */
export function serve<Name extends RouteName>(
  name: Name,
  handler: (ask: Ask<Name>) => Handled<Name> | Promise<Handled<Name>>,
): APIRoute {
  const route: Route = contract[name];
  const guarded: APIRoute = async (context) => {
    const { locals } = context;
    const reader = route.role === 'anybody' ? locals : undefined;
    const refusal = route.role === 'anybody' ? null : refusalOf(locals.account, route.role);
    if (refusal) return refuse([refusal], reader);
    const asked = await readAsked(route, context);
    if (!asked.ok) return refuse(asked.problems, reader);
    const { app, account, language } = locals;
    const handled = await handler({ app, account, language, context, ...asked.value } as Ask<Name>);
    if (handled instanceof Response) return handled;
    if (!handled.ok) {
      const refused = refuse(handled.problems, reader);
      if (!handled.conflict || refused.status !== 409) return refused;
      return Response.json(Object.assign(await refused.json(), handled.conflict), { status: 409 });
    }
    if ('work' in handled)
      return streamWork(handled.work, (result) => held(route.lines, handled.show(result as never), name));
    held(route.answer, handled.value, name);
    return Response.json(handled.value, {
      status: handled.status ?? 200,
      headers: headersOf(route),
    });
  };
  guards.set(guarded, name);
  return guarded;
}

function headersOf({ cache, vary }: Route): Record<string, string> {
  return { ...(cache && { 'cache-control': cache }), ...(vary && { vary }) };
}

/** The route a handler serves; undefined for one that is not in the contract. */
export function routeOfHandler(handler: APIRoute): RouteName | undefined {
  return guards.get(handler);
}

/** An answer, held to its schema where tests run. */
function held<Answer>(schema: Route['answer'], answer: Answer, name: RouteName): Answer {
  if (!checksAnswers) return answer;
  const parsed = schema?.safeParse(JSON.parse(JSON.stringify(answer)));
  if (parsed?.success) return answer;
  throw new Error(
    `${name} answered what the contract does not say: ${JSON.stringify(parsed?.error.issues.slice(0, 5))}`,
  );
}

interface Read {
  params?: unknown;
  query?: unknown;
  body?: unknown;
  form?: unknown;
  bytes?: Uint8Array;
}

async function readAsked(route: Route, { params, url, request }: APIContext): Promise<Result<Read>> {
  const read: Read = {};
  if (route.params) {
    const parsed = route.params.safeParse(params);
    // An address that cannot be is one where nothing is.
    if (!parsed.success) return fail(String(parsed.error.issues[0]?.path[0] ?? ''), 'not-found');
    read.params = parsed.data;
  }
  if (route.query) {
    const query = check(readQuery(url.searchParams, Object.keys(route.query.shape)), route.query);
    if (!query.ok) return query;
    read.query = query.value;
  }
  if (route.body) {
    const body = await readBody(request, route.body);
    if (!body.ok) return body;
    read.body = body.value;
  }
  if (route.form) {
    const form = await readFileForm(request, route);
    if (!form.ok) return form;
    read.form = form.value;
  } else if (route.mostBytes !== undefined) {
    read.bytes = new Uint8Array(await request.arrayBuffer());
    const problem = fileProblem(read.bytes.length, route.mostBytes);
    if (problem) return { ok: false, problems: [problem] };
  }
  return ok(read);
}

/** Empty values count as not given; a value given several times is a list. */
function readQuery(given: URLSearchParams, keys: readonly string[]): Record<string, string | string[]> {
  const names = new Set([...given.keys(), ...keys]);
  const values = [...names].flatMap((name): [string, string | string[]][] => {
    const all = given.getAll(name).filter((value) => value !== '');
    return all.length === 0 ? [] : [[name, all.length === 1 ? all[0]! : all]];
  });
  return Object.fromEntries(values);
}

async function readFileForm(request: Request, route: Route): Promise<Result<unknown>> {
  const form = await readForm(request);
  const file = form?.get('file');
  if (!form || !(file instanceof File)) return fail('file', 'missing');
  const problem = fileProblem(file.size, route.mostBytes!);
  if (problem) return { ok: false, problems: [problem] };
  const fields: Record<string, unknown> = Object.fromEntries(form);
  if (typeof fields['options'] === 'string') {
    const options = parseJson(fields['options']);
    if (options === undefined) return fail('options', 'invalid', { message: 'The options are not JSON.' });
    fields['options'] = options;
  }
  return check(fields, route.form!);
}

function fileProblem(bytes: number, mostBytes: number): Problem | null {
  if (bytes === 0) return { path: 'file', code: 'missing' };
  if (bytes <= mostBytes) return null;
  return { path: 'file', code: 'body-too-large', facts: { limit: `${Math.floor(mostBytes / 1_000_000)} MB` } };
}
