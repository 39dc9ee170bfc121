// Everything that can be said about the code without running it, and the sizes of what shoppers download.
import { execFile } from 'node:child_process';
import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import { gzipSync } from 'node:zlib';

const KB = 1024;
/** Bars in kB gzip: the first script with all it imports, and each piece with what it needs beyond that, where its definition says no other. */
const FIRST_SCRIPT_KB = 12;
const CHUNK_KB = 6;
const OPTION_FIELDS_KB = 10;

/** More files than these in a folder are several subjects. */
const MOST_FILES = 20;
/** Of each of these there is one a table or a change, and no subject beside it. */
const LONG_FOLDERS = ['src/data/migrations', 'src/data/repositories'];

/** The longest first, so that none is left to run alone. */
const STEPS = [
  ['lint', 'npx', ['eslint', '.', '--max-warnings', '0']],
  ['types', 'npx', ['astro', 'check', '--minimumFailingSeverity', 'error', '--noSync']],
  ['formatting', 'npx', ['prettier', '--check', '--log-level', 'warn', '.']],
  [
    'import rules',
    'npx',
    [
      'depcruise',
      'src',
      'scripts',
      'demo',
      'tests/support/slow-pricer.ts',
      '--config',
      '.dependency-cruiser.cjs',
      '--output-type',
      'err',
    ],
  ],
  ['dead code', 'npx', ['knip', '--no-config-hints']],
];

/** As many at once as the smallest machine has cores. */
const AT_ONCE = 2;
const env = { ...process.env, ASTRO_TELEMETRY_DISABLED: '1' };

let failed = 0;
async function check([name, command, args]) {
  const started = Date.now();
  const { isGood, said } = await runToEnd(command, args, { env });
  if (!isGood) {
    failed += 1;
    console.log(said);
  }
  console.log(`${isGood ? 'ok    ' : 'FAILED'} ${name} (${((Date.now() - started) / 1000).toFixed(1)} s)`);
}

/** Runs a command to its end, and answers all it said. */
function runToEnd(command, args, options) {
  return new Promise((resolve) => {
    execFile(command, args, { ...options, maxBuffer: 64 * 1024 * 1024 }, (error, stdout, stderr) =>
      resolve({ isGood: !error, said: `${stdout}\n${stderr}` }),
    );
  });
}

const waiting = [...STEPS];
await Promise.all(
  Array.from({ length: AT_ONCE }, async () => {
    for (let next = waiting.shift(); next; next = waiting.shift()) await check(next);
  }),
);

const sizeOf = (file) => gzipSync(readFileSync(`public/rt/${file}`), { level: 9 }).length;
const { importsOf, kinds, budgets, options, preact } = JSON.parse(readFileSync('public/rt/pieces.json', 'utf8'));
if (Object.keys(kinds).length === 0) throw new Error('The runtime has been built without pieces');

/** A chunk with everything it imports before it can run. */
function closureOf(file, found = new Set()) {
  if (found.has(file)) return found;
  found.add(file);
  for (const next of importsOf[file] ?? []) closureOf(next, found);
  return found;
}
const sum = (files) => [...files].reduce((total, file) => total + sizeOf(file), 0);
const closures = Object.values(kinds).map((file) => closureOf(file));
// The first script, and with it what most pieces draw with: a page with pieces on it loads both.
const first = closureOf('lane.js');
// What takes over the server's drawing draws nothing itself.
const drawing = closures.filter((files) => files.has(preact));
for (const file of drawing.flatMap((files) => [...files]))
  if (drawing.filter((files) => files.has(file)).length > drawing.length / 2) first.add(file);
report('first script with what pieces share', sum(first), FIRST_SCRIPT_KB);
report('first script on other sites', sum(closureOf('elsewhere.js').add(preact)), FIRST_SCRIPT_KB);
for (const [kind, file] of Object.entries(kinds))
  report(
    `chunks of ${kind}`,
    sum([...closureOf(file)].filter((chunk) => !first.has(chunk))),
    budgets[kind] ?? CHUNK_KB,
  );
report('option fields', sum([...closureOf(options)].filter((chunk) => !first.has(chunk))), OPTION_FIELDS_KB);

function report(name, bytes, limitKb) {
  const isGood = bytes <= limitKb * KB;
  if (!isGood) failed += 1;
  console.log(`${isGood ? 'ok    ' : 'FAILED'} ${name}: ${(bytes / KB).toFixed(1)} kB gzip of ${limitKb}`);
}

for (const folder of readdirSync('src', { recursive: true, withFileTypes: true }).filter((entry) =>
  entry.isDirectory(),
)) {
  const place = path.join(folder.parentPath ?? folder.path, folder.name);
  const files = readdirSync(place, { withFileTypes: true }).filter((entry) => entry.isFile()).length;
  if (files <= MOST_FILES || LONG_FOLDERS.includes(place)) continue;
  failed += 1;
  console.log(`FAILED ${place} holds ${files} files, more than ${MOST_FILES}`);
}

process.exit(failed === 0 ? 0 : 1);
