// The server around the built app: its environment, its doors, a start that is whole or not at all, and a clean stop.
import { inject } from 'light-my-request';
import { createServer, type RequestListener } from 'node:http';
import type { AddressInfo } from 'node:net';
import path from 'node:path';
import { fileURLToPath, pathToFileURL } from 'node:url';
import { processSlot } from '~/services/process-slot';
import { readEnvironment, type Environment } from './environment';
import { createListener } from './serve';
import { writeServedAt } from './served-at';

const MOST_STOP_MS = 3000;
const root = path.resolve(path.dirname(fileURLToPath(import.meta.url)), '..');

/** One that answers from this machine: a server may listen to all of its addresses. */
const localName = (host: string) => (host === '0.0.0.0' || host === '::' ? '127.0.0.1' : host);

function say(level: number, msg: string, facts: object = {}): void {
  console.log(JSON.stringify({ level, time: Date.now(), msg, ...facts }));
}

function fail(why: string): never {
  console.error(why);
  process.exit(1);
}

function environmentOrEnd(): Environment {
  try {
    return readEnvironment(process.env, root);
  } catch (error) {
    return fail(`The server cannot start with this environment:\n${(error as Error).message}`);
  }
}

const environment = environmentOrEnd();
process.env['PAVED_LANE_DATA'] = environment.dataDir;
process.env['ASTRO_NODE_AUTOSTART'] = 'disabled';
const { handler } = (await import(pathToFileURL(path.join(root, 'dist/server/entry.mjs')).href)) as {
  handler: RequestListener;
};

// Opens, locks, migrates and reads the database before anybody is told that we listen.
const health = await inject(handler as never, '/api/health');
const app = await Promise.resolve(processSlot().app).catch(() => undefined);
if (!app) fail(`The server cannot start: ${processSlot().fault ?? health.body}`);
if (health.statusCode !== 200) say(50, 'not healthy', { health: health.body });

const server = createServer(createListener(environment, root, handler));
server.on('error', (error) => fail(`The server cannot listen: ${error.message}`));
await new Promise<void>((resolve) => server.listen(environment.port, environment.host, resolve));
const { port } = server.address() as AddressInfo;
const origin = (processSlot().origin = environment.origin ?? `http://${environment.host}:${port}`);
writeServedAt(environment.dataDir, environment.origin ?? `http://${localName(environment.host)}:${port}`);
say(30, 'listening', { host: environment.host, port, dataDir: environment.dataDir, origin: environment.origin });
if (origin.startsWith('https:') && environment.trustedProxies.length === 0)
  say(
    40,
    'no proxy is trusted: all shoppers count as one address, and are limited as one; set PAVED_LANE_TRUSTED_PROXIES',
  );
const { beginKey } = processSlot();
// The one place where this secret is told: whoever reads the console may begin.
if (beginKey)
  console.log(`
  Nobody has an account yet. Open this link to make yours; it works once:

  ${origin}/studio/begin?key=${beginKey}
`);

let isStopping = false;
async function stop(signal: string): Promise<void> {
  if (isStopping) return;
  isStopping = true;
  say(30, 'stopping', { signal });
  const slow = setTimeout(() => app!.db.interrupt(), MOST_STOP_MS);
  // Nothing waits for ever: what a second interrupt does not end is left to the operating system.
  setTimeout(() => process.kill(process.pid, 'SIGKILL'), 3 * MOST_STOP_MS).unref();
  const closed = new Promise<void>((resolve) => server.close(() => resolve()));
  server.closeIdleConnections();
  app!.stopping.abort();
  setTimeout(() => server.closeAllConnections(), MOST_STOP_MS).unref();
  await closed;
  await app!.close();
  clearTimeout(slow);
  process.exit(0);
}
for (const signal of ['SIGTERM', 'SIGINT'] as const) process.on(signal, () => void stop(signal));
