import type { ProblemCode } from './wording';

/** One problem of an input: where, which kind, and the facts its wording needs. */
export interface Problem {
  readonly path: string;
  readonly code: ProblemCode;
  readonly facts?: Readonly<Record<string, string | number>>;
}

export type Result<T> =
  { readonly ok: true; readonly value: T } | { readonly ok: false; readonly problems: readonly Problem[] };

export function ok<T>(value: T): Result<T> {
  return { ok: true, value };
}

export function fail(path: string, code: ProblemCode, facts?: Problem['facts']): { ok: false; problems: Problem[] } {
  return { ok: false, problems: [facts ? { path, code, facts } : { path, code }] };
}

export function assertNever(value: never): never {
  throw new Error(`Unexpected value: ${JSON.stringify(value)}`);
}
