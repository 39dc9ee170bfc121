// Everything that can be said about the code without running it, and the sizes of what shoppers download.
import { spawnSync } from 'node:child_process';
import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import { gzipSync } from 'node:zlib';

const KB = 1024;
/** Bars in kB gzip: the first script with all it imports, and the chunk of each piece. */
const FIRST_SCRIPT_KB = 12;
const CHUNK_KB = { 'quick-view': 8, 'cart-surface': 10 };

const STEPS = [
  ['formatting', 'npx', ['prettier', '--check', '--log-level', 'warn', '.']],
  ['types', 'npx', ['astro', 'check', '--minimumFailingSeverity', 'error', '--noSync']],
  ['lint', 'npx', ['eslint', '.', '--max-warnings', '0']],
  [
    'import rules',
    'npx',
    ['depcruise', 'src', 'scripts', 'demo', '--config', '.dependency-cruiser.cjs', '--output-type', 'err'],
  ],
  ['dead code', 'npx', ['knip', '--no-config-hints']],
];

let failed = 0;
for (const [name, command, args] of STEPS) {
  const started = Date.now();
  const result = spawnSync(command, args, { encoding: 'utf8', env: { ...process.env, ASTRO_TELEMETRY_DISABLED: '1' } });
  const isGood = result.status === 0;
  if (!isGood) {
    failed += 1;
    console.log(`${result.stdout}\n${result.stderr}`);
  }
  console.log(`${isGood ? 'ok    ' : 'FAILED'} ${name} (${((Date.now() - started) / 1000).toFixed(1)} s)`);
}

const sizeOf = (file) => gzipSync(readFileSync(file), { level: 9 }).length;
const known = JSON.parse(readFileSync('public/rt/pieces.json', 'utf8'));
if (Object.keys(known).length === 0) throw new Error('The runtime has been built without pieces');
// What pieces share is counted with the first script: every page with a piece on it loads both.
const ownChunks = new Set(Object.values(known).map((chunk) => path.basename(chunk)));
const shared = readdirSync('public/rt/c').filter((file) => !ownChunks.has(file) && !file.startsWith('preview-'));
report(
  'first script with what pieces share',
  [`public/rt/lane.js`, ...shared.map((file) => `public/rt/c/${file}`)].reduce((sum, file) => sum + sizeOf(file), 0),
  FIRST_SCRIPT_KB,
);
for (const [kind, chunk] of Object.entries(known))
  report(`chunk of ${kind}`, sizeOf(`public/rt/${chunk}`), CHUNK_KB[kind] ?? 6);

function report(name, bytes, limitKb) {
  const isGood = bytes <= limitKb * KB;
  if (!isGood) failed += 1;
  console.log(`${isGood ? 'ok    ' : 'FAILED'} ${name}: ${(bytes / KB).toFixed(1)} kB gzip of ${limitKb}`);
}

process.exit(failed === 0 ? 0 : 1);
