import path from 'node:path';
import proxyAddr from 'proxy-addr';
import { z } from 'zod';
import { SENT_PER_MINUTE } from '~/services/limits';

const origin = z
  .url({ protocol: /^https?$/, error: 'must be the public address, such as https://shop.example' })
  .transform((text) => new URL(text))
  .refine((url) => url.pathname === '/' && !url.search && !url.username, 'must be an address without a path')
  .transform((url) => url.origin);

/** Addresses or networks (`10.0.0.0/8`), parted by commas; `loopback` and the like as proxy-addr knows them. */
const proxies = z
  .string()
  .transform((text) =>
    text
      .split(',')
      .map((part) => part.trim())
      .filter(Boolean),
  )
  .superRefine((list, context) => {
    try {
      proxyAddr.compile(list);
    } catch (error) {
      context.addIssue({ code: 'custom', message: (error as Error).message });
    }
  });

const schema = z.object({
  PORT: z.coerce.number().int().min(0).max(65_535).default(4321),
  HOST: z.string().min(1).default('127.0.0.1'),
  PAVED_LANE_DATA: z.string().min(1).optional(),
  PAVED_LANE_ORIGIN: origin.optional(),
  PAVED_LANE_TRUSTED_PROXIES: proxies.default([]),
  PAVED_LANE_LOG: z.enum(['trace', 'debug', 'info', 'warn', 'error', 'fatal', 'silent']).default('info'),
  PAVED_LANE_SENT_PER_MINUTE: z.coerce.number().int().min(1).default(SENT_PER_MINUTE),
  PAVED_LANE_DEMO: z.enum(['0', '1', '']).default('0'),
});

/** Everything the server takes from its environment, checked. */
export interface Environment {
  readonly port: number;
  readonly host: string;
  readonly dataDir: string;
  /** The public address, without a slash at its end; null: only this machine's own names are answered. */
  readonly origin: string | null;
  /** Whose `x-forwarded-*` headers count. */
  readonly trustedProxies: readonly string[];
  /** How often one address may send something (anything but a GET) in a minute. */
  readonly sentPerMinute: number;
  readonly logLevel: string;
  readonly isDemo: boolean;
}

/** Reads the environment; throws with one line for each variable that is wrong. */
export function readEnvironment(variables: Readonly<Record<string, string | undefined>>, root: string): Environment {
  const parsed = schema.safeParse(variables);
  if (!parsed.success)
    throw new Error(parsed.error.issues.map((issue) => `${issue.path.join('.')} ${issue.message}`).join('\n'));
  const { data } = parsed;
  return {
    port: data.PORT,
    host: data.HOST,
    dataDir: path.resolve(data.PAVED_LANE_DATA ?? path.join(root, 'var/demo')),
    origin: data.PAVED_LANE_ORIGIN ?? null,
    trustedProxies: data.PAVED_LANE_TRUSTED_PROXIES,
    sentPerMinute: data.PAVED_LANE_SENT_PER_MINUTE,
    logLevel: data.PAVED_LANE_LOG,
    isDemo: data.PAVED_LANE_DEMO === '1',
  };
}
