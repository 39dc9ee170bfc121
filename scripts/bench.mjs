// npm run bench: figures beside references measured in the same run. Everything is bounded and stays on this machine.
import { installPackages, run } from './set-up.mjs';

installPackages();
run(process.execPath, ['scripts/build.mjs']);
run(process.execPath, ['--import', 'tsx', 'tests/bench/bench.ts', ...process.argv.slice(2)]);
