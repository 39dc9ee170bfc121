// npm run faults: what must not happen is tried. Everything is bounded and stays on this machine.
import { installPackages, run } from './set-up.mjs';

installPackages();
run(process.execPath, ['scripts/build.mjs']);
run(process.execPath, ['--import', 'tsx', 'tests/faults/faults.ts', ...process.argv.slice(2)]);
