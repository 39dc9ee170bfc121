// npm run dev [-- --port N --data DIR]: serves the demo, and builds and serves anew whenever a source changes.
import { spawn } from 'node:child_process';
import { existsSync, watch } from 'node:fs';
import path from 'node:path';
import { parseArgs } from 'node:util';
import { installPackages, run } from './set-up.mjs';

const { values } = parseArgs({
  options: { port: { type: 'string', default: '4321' }, data: { type: 'string', default: 'var/dev' } },
});
const WATCHED = ['src', 'public'];
/** What is saved together is built together. */
const PAUSE_MS = 300;

installPackages();
if (!existsSync(path.join(values.data, 'paved-lane.sqlite')))
  run(process.execPath, ['--import', 'tsx', 'demo/seed.ts', '--data', values.data, '--scale', '0.1']);
const env = {
  ...process.env,
  PORT: values.port,
  PAVED_LANE_DATA: path.resolve(values.data),
  PAVED_LANE_DEMO: '1',
  PAVED_LANE_LOG: process.env.PAVED_LANE_LOG ?? 'warn',
};
let server = null;
let timer = null;
let isBuilding = false;
let isAgain = false;

const ended = (child) => new Promise((resolve) => child.once('exit', resolve));

async function serveAnew() {
  if (isBuilding) return void (isAgain = true);
  isBuilding = true;
  isAgain = false;
  // A build that fails leaves what runs running.
  const build = spawn(process.execPath, ['scripts/build.mjs'], { stdio: 'inherit' });
  const code = await ended(build);
  if (code === 0) {
    if (server) {
      const over = ended(server);
      server.kill('SIGTERM');
      await over;
    }
    server = spawn(process.execPath, ['server.mjs'], { stdio: 'inherit', env });
    console.log(`  http://127.0.0.1:${values.port}/shop/ and /studio, ${new Date().toLocaleTimeString()}`);
  }
  isBuilding = false;
  if (isAgain) await serveAnew();
}

for (const folder of WATCHED)
  watch(folder, { recursive: true }, (_, file) => {
    // The runtime is built into a folder that is watched.
    if (file === null || `${folder}/${file}`.startsWith('public/rt')) return;
    clearTimeout(timer);
    timer = setTimeout(() => void serveAnew(), PAUSE_MS);
  });
for (const signal of ['SIGINT', 'SIGTERM'])
  process.on(signal, () => {
    server?.kill('SIGTERM');
    process.exit(0);
  });
await serveAnew();
