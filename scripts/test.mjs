// npm test: sets everything up, then checks, unit, API and browser tests. Ends with "N passed, N failed".
import { spawnSync } from 'node:child_process';
import { existsSync } from 'node:fs';
import { installPackages, run } from './set-up.mjs';

const CHROMIUM = process.env.CHROMIUM ?? '/usr/bin/chromium';

function installChromium() {
  if (existsSync(CHROMIUM)) return;
  console.log('Installing Chromium …');
  const apt = (args) =>
    spawnSync('apt-get', args, { stdio: 'inherit', env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive' } })
      .status === 0;
  if (!apt(['update', '-qq']) || !apt(['install', '-y', '-qq', 'chromium'])) {
    console.error(
      `Chromium is needed at ${CHROMIUM}; install it (Debian: apt-get install chromium) or set CHROMIUM to its path.`,
    );
    process.exit(1);
  }
}

function step(name, command, args, countOf) {
  console.log(`\n— ${name} —`);
  const result = spawnSync(command, args, {
    encoding: 'utf8',
    maxBuffer: 64 * 1024 * 1024,
    env: { ...process.env, FORCE_COLOR: '0', npm_config_loglevel: 'error' },
  });
  process.stdout.write(result.stdout ?? '');
  process.stderr.write(result.stderr ?? '');
  const count = (word) =>
    Number(
      countOf
        ? (new RegExp(`(\\d+) ${countOf[word]}`).exec(result.stdout ?? '')?.[1] ?? 0)
        : word === 'passed'
          ? result.status === 0
          : result.status !== 0,
    );
  const counted = { passed: count('passed'), failed: count('failed'), flaky: countOf?.flaky ? count('flaky') : 0 };
  if (result.status !== 0 && counted.failed === 0) counted.failed = 1;
  return counted;
}

installPackages();
installChromium();
run(process.execPath, ['scripts/build.mjs']);
const counts = [
  step('checks', process.execPath, ['scripts/check.mjs']),
  step('unit and API tests', 'npx', ['mocha', '--reporter', 'dot'], { passed: 'passing', failed: 'failing' }),
  step('browser tests', 'npx', ['playwright', 'test'], { passed: 'passed', failed: 'failed', flaky: 'flaky' }),
];
const sum = (word) => counts.reduce((total, count) => total + count[word], 0);
const [passed, failed, flaky] = [sum('passed') + sum('flaky'), sum('failed'), sum('flaky')];
console.log(`\n${passed} passed${flaky > 0 ? ` (${flaky} at the second try only)` : ''}, ${failed} failed`);
process.exit(failed === 0 ? 0 : 1);
