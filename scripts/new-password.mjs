// npm run password -- EMAIL [--data DIR]: a link by which whoever has the server lets somebody choose a new password.
import { installPackages, run } from './set-up.mjs';

installPackages();
run(process.execPath, ['--import', 'tsx', 'scripts/new-password.ts', ...process.argv.slice(2)]);
