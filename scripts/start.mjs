// npm start [-- --port N --data DIR]: installs and builds what is missing, then serves the shop in a data folder, new or not.
import path from 'node:path';
import { parseArgs } from 'node:util';
import { installPackages, run } from './set-up.mjs';

const { values } = parseArgs({ options: { port: { type: 'string' }, data: { type: 'string' } } });

installPackages();
run(process.execPath, ['scripts/build.mjs']);
process.env.PAVED_LANE_DATA = path.resolve(values.data ?? process.env.PAVED_LANE_DATA ?? 'var/shop');
if (values.port) process.env.PORT = values.port;
process.env.PAVED_LANE_LOG ??= 'warn';
await import('../server.mjs');
console.log(`
  The shop     ${globalThis.pavedLane.origin}/shop/
  The studio   ${globalThis.pavedLane.origin}/studio

  Stop with Ctrl+C.`);
