import type { z } from 'zod';
import { problemsFromZod, wordProblem, type Problem, type ProblemCode, type Result } from '~/core/problems';
import type { Rename } from '~/core/words';
import { parseJson } from '~/core/formats/parse-json';

const STATUS: Partial<Record<ProblemCode, number>> = {
  'our-fault': 500,
  'not-found': 404,
  'not-signed-in': 401,
  'not-allowed': 403,
  'wrong-sign-in': 401,
  'too-many-tries': 429,
  'too-many-visits': 429,
  'body-too-large': 413,
  'upload-too-many': 429,
  'download-over': 410,
  'stale-draft': 409,
  'shop-closed': 503,
  'stale-product': 409,
  'catalogue-not-empty': 409,
  'sold-out': 409,
  'not-enough-stock': 409,
  'key-reused': 409,
  'erase-waits': 409,
  'import-running': 409,
  'cart-ordered': 409,
  'cart-changed': 409,
  'payment-in-progress': 409,
  'payment-declined': 402,
  'payment-timed-out': 402,
};

/** Who is answered: in which language, and what their shop calls its cart. */
export interface Reader {
  readonly language: string;
  readonly rename: Rename;
}

const STUDIO: Reader = { language: 'en', rename: (text) => text };

/** Problems as a browser gets them: code, place, facts and the sentence for people. */
export function refuse(problems: readonly Problem[], { language, rename }: Reader = STUDIO): Response {
  const status = STATUS[problems[0]?.code ?? 'invalid'] ?? 422;
  return Response.json(
    { problems: problems.map((problem) => ({ ...problem, message: rename(wordProblem(problem, language)) })) },
    { status },
  );
}

/** A service's answer as a response. */
export function answer<T>(result: Result<T>, reader: Reader = STUDIO): Response {
  return result.ok ? Response.json(result.value) : refuse(result.problems, reader);
}

/** Reads a JSON body; what cannot be parsed is a problem, not an exception. */
export async function readBody<Schema extends z.ZodType>(
  request: Request,
  schema: Schema,
): Promise<Result<z.infer<Schema>>> {
  const body = parseJson(await request.text());
  if (body === undefined)
    return { ok: false, problems: [{ path: '', code: 'invalid', facts: { message: 'The body is not JSON.' } }] };
  return check(body, schema);
}

export function check<Schema extends z.ZodType>(input: unknown, schema: Schema): Result<z.infer<Schema>> {
  const parsed = schema.safeParse(input);
  return parsed.success ? { ok: true, value: parsed.data } : { ok: false, problems: problemsFromZod(parsed.error) };
}
