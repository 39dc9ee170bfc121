// npm run import -- FILE [--data DIR] [--dry-run] [--json] [--comma] [--all-or-nothing]
import { installPackages, run } from './set-up.mjs';

installPackages();
run(process.execPath, ['--import', 'tsx', 'scripts/import-catalogue.ts', ...process.argv.slice(2)]);
