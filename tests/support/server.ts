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
  stop(): Promise<void>;
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

/** The built server on a seeded database of its own. */
export async function startServer(scale: number): Promise<TestServer> {
  const dataDir = await mkdtemp(path.join(tmpdir(), 'paved-lane-'));
  const app = await createApp({ dataDir, logLevel: 'silent' });
  await seedDemo(app, scale);
  await app.db.close();
  const port = await freePort();
  const child = spawn(process.execPath, ['server.mjs'], {
    env: {
      ...process.env,
      PORT: String(port),
      PAVED_LANE_DATA: dataDir,
      PAVED_LANE_DEMO: '1',
      PAVED_LANE_LOG: 'error',
      NODE_OPTIONS: '',
    },
    stdio: ['ignore', 'ignore', 'inherit'],
  });
  const origin = `http://127.0.0.1:${port}`;
  for (let tries = 0; ; tries += 1) {
    const healthy = await fetch(`${origin}/api/health`).then(
      (response) => response.ok,
      () => false,
    );
    if (healthy) break;
    if (tries > 100) throw new Error('The server did not become healthy within 20 seconds');
    await new Promise((resolve) => setTimeout(resolve, 200));
  }
  return {
    origin,
    dataDir,
    stop: async () => {
      const ended = new Promise((resolve) => child.once('exit', resolve));
      child.kill('SIGTERM');
      await ended;
      await rm(dataDir, { recursive: true, force: true });
    },
  };
}
