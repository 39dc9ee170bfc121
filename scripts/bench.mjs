// Measures against the bars of the house: `npm run bench` all of it, `npm run bench -- sums` one part.
import { build } from 'esbuild';
import { installPackages, run } from './set-up.mjs';

installPackages();
run(process.execPath, ['scripts/build.mjs']);
const [only] = process.argv.slice(2);
if (only === undefined || only === 'sums') {
  // As it is served: without what a loader of sources adds to every function.
  const outfile = 'node_modules/.bench/sums.mjs';
  await build({
    entryPoints: ['tests/bench/sums.ts'],
    outfile,
    bundle: true,
    packages: 'external',
    format: 'esm',
    platform: 'node',
    target: 'node20',
    logLevel: 'warning',
  });
  run(process.execPath, [outfile]);
}
if (only !== 'sums') run(process.execPath, ['--import', 'tsx', 'tests/bench/bench.ts', ...process.argv.slice(2)]);
