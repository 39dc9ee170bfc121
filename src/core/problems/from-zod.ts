import type { z } from 'zod';
import type { Problem } from './result';

/** Turns a schema's complaint into our problems; paths read `lines.0.quantity`. */
export function problemsFromZod(error: z.ZodError): Problem[] {
  return error.issues.map((issue) => ({
    path: issue.path.map(String).join('.'),
    code: 'invalid' as const,
    facts: { message: `${issue.path.length ? `${issue.path.map(String).join('.')}: ` : ''}${issue.message}` },
  }));
}
