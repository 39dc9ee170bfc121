import { spawn } from 'node:child_process';
import { mkdtemp, rm } from 'node:fs/promises';
import { createServer } from 'node:net';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { createApp } from '~/services/app';
import { seedDemo } from '../../demo/seed';

export interface TestServer {
  readonly origin: string;
  readonly dataDir: string;
  readonly pid: number;
  /** What it has told its console so far. */
  said(): string;
  /** Ends it and leaves its data; answers what it ended with. */
  end(signal: 'SIGTERM' | 'SIGKILL'): Promise<number | null>;
  /** Asks it to end, and takes its data away. */
  stop(): Promise<void>;
  /** Ends it where it stands, as a power cut would; the data stays. */
  kill(): Promise<void>;
}

async function freePort(): Promise<number> {
  return new Promise((resolve, reject) => {
    const probe = createServer().on('error', reject);
    probe.listen(0, '127.0.0.1', () => {
      const { port } = probe.address() as { port: number };
      probe.close(() => resolve(port));
    });
  });
}

/** A data folder with the demo in it, so many times as busy. */
export async function seedFolder(scale: number, products = 0, showcase = false): Promise<string> {
  const dataDir = await mkdtemp(path.join(tmpdir(), 'paved-lane-'));
  const app = await createApp({ dataDir, logLevel: 'silent' });
  await seedDemo(app, scale, { products, showcase });
  await app.db.close();
  return dataDir;
}

/** The built server on a seeded database of its own. */
export async function startServer(scale: number): Promise<TestServer> {
  return serve(await seedFolder(scale));
}

/** The server built in `program` on a data folder, in an environment of the demo's and what is given. */
export async function serve(
  dataDir: string,
  environment: Record<string, string> = {},
  program = process.cwd(),
): Promise<TestServer> {
  const port = await freePort();
  const child = spawn(process.execPath, ['server.mjs'], {
    cwd: program,
    env: {
      ...process.env,
      PORT: String(port),
      PAVED_LANE_DATA: dataDir,
      PAVED_LANE_DEMO: '1',
      // Every answer of a server that tests ask is held to the contract; the bench asks one as it sells.
      PAVED_LANE_CHECK_ANSWERS: process.env['PAVED_LANE_CHECK_ANSWERS'] ?? '1',
      PAVED_LANE_LOG: 'error',
      // All tests come from one address.
      PAVED_LANE_SENT_PER_MINUTE: '1000000',
      NODE_OPTIONS: '',
      ...environment,
    },
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  let said = '';
  child.stdout.on('data', (chunk: Buffer) => (said += chunk.toString()));
  // A test that failed before it could stop its server must not leave it behind.
  const endWithUs = () => child.kill('SIGKILL');
  process.once('exit', endWithUs);
  child.once('exit', () => process.off('exit', endWithUs));
  const origin = `http://127.0.0.1:${port}`;
  for (let tries = 0; ; tries += 1) {
    const healthy = await fetch(`${origin}/api/health`).then(
      (response) => response.ok,
      () => false,
    );
    if (healthy) break;
    if (tries > 400) throw new Error('The server did not become healthy within 20 seconds');
    await new Promise((resolve) => setTimeout(resolve, 50));
  }
  const end = async (signal: 'SIGTERM' | 'SIGKILL') => {
    const ended = new Promise<number | null>((resolve) => child.once('exit', resolve));
    child.kill(signal);
    return ended;
  };
  return {
    origin,
    dataDir,
    pid: child.pid!,
    said: () => said,
    end,
    stop: async () => {
      await end('SIGTERM');
      await rm(dataDir, { recursive: true, force: true });
    },
    kill: async () => void (await end('SIGKILL')),
  };
}

/** The cookie of the demo's owner. */
export function signInOwner(origin: string): Promise<string> {
  return signInAs(origin, 'owner@hollowtarn.example');
}

/** The cookie of an account with the demo's password. */
export async function signInAs(origin: string, email: string): Promise<string> {
  const form = new URLSearchParams({ email, password: 'windward' });
  const signed = await fetch(`${origin}/studio/sign-in`, {
    method: 'POST',
    body: form,
    redirect: 'manual',
    headers: { origin },
  });
  const cookie = signed.headers.getSetCookie().find((one) => one.startsWith('pl_sign_in'));
  if (!cookie) throw new Error(`Signing in was answered with ${signed.status}`);
  return cookie.split(';')[0]!;
}
