// npm run demo [-- --port N --data DIR --fresh --scale X --products N]: sets everything up and serves the seeded shop and studio.
import { spawn } from 'node:child_process';
import { existsSync, rmSync } from 'node:fs';
import path from 'node:path';
import { parseArgs } from 'node:util';
import { installPackages, run } from './set-up.mjs';

const { values } = parseArgs({
  options: {
    port: { type: 'string', default: '4321' },
    data: { type: 'string', default: 'var/demo' },
    fresh: { type: 'boolean' },
    scale: { type: 'string', default: '1' },
    products: { type: 'string', default: '0' },
  },
});
const port = Number(values.port);
const scale = Number(values.scale);
const products = Number(values.products);
if (!Number.isInteger(port) || port < 1 || port > 65535)
  throw new Error(`--port must be a whole number from 1 to 65535, not “${values.port}”`);
if (!(scale >= 0 && scale <= 50)) throw new Error(`--scale must be from 0 to 50, not “${values.scale}”`);
if (!Number.isInteger(products) || products < 0 || products > 100_000)
  throw new Error(`--products must be a whole number from 0 to 100000, not “${values.products}”`);

installPackages();
run(process.execPath, ['scripts/build.mjs']);
const database = path.join(values.data, 'paved-lane.sqlite');
if (values.fresh) process.env.PAVED_LANE_BEGIN_ANEW = '1';
if (values.fresh) for (const file of [database, `${database}-wal`, `${database}-shm`]) rmSync(file, { force: true });
console.log(
  existsSync(database) ? `Using the shop in ${values.data}` : `Seeding Hollowtarn Kites into ${values.data} …`,
);
const seeded = ['data', 'scale', 'products'].flatMap((name) => [`--${name}`, values[name]]);
run(process.execPath, ['--import', 'tsx', 'demo/seed.ts', ...seeded]);
process.env.PAVED_LANE_DATA = path.resolve(values.data);
process.env.PAVED_LANE_DEMO = '1';
process.env.PORT = values.port;
process.env.PAVED_LANE_LOG ??= 'warn';
await import('../server.mjs');
const shop = `http://127.0.0.1:${port}`;
const outside = `http://127.0.0.1:${port + 1}`;
const sites = spawn(
  process.execPath,
  ['--import', 'tsx', 'outside/serve.ts', '--shop', shop, '--port', String(port + 1)],
  {
    stdio: ['ignore', 'ignore', 'inherit'],
  },
);
process.on('exit', () => sites.kill());
console.log(`
  The shop     ${shop}/shop/
  Other sites  ${outside}/   (stand-ins whose links lead to the shop)
  The studio   ${shop}/studio   (the sign-in page shows the demo owner's account)

  Stop with Ctrl+C.`);
