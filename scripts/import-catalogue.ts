import { importOptionsSchema } from '~/contract/studio/imports';
import { readFile } from 'node:fs/promises';
import { parseArgs } from 'node:util';
import { wordProblem } from '~/core/problems';
import { createApp } from '~/services/app';
import { prepareFolder } from '~/services/draft/begin';
import { importCatalogue, previewImport } from '~/services/catalogue/import-catalogue';

const { values, positionals } = parseArgs({
  allowPositionals: true,
  options: {
    data: { type: 'string', default: 'var/demo' },
    'dry-run': { type: 'boolean', default: false },
    json: { type: 'boolean', default: false },
    comma: { type: 'boolean', default: false },
    point: { type: 'boolean', default: false },
    'all-or-nothing': { type: 'boolean', default: false },
  },
});
const [file] = positionals;
if (!file) {
  console.error('Usage: npm run import -- FILE [--data DIR] [--dry-run] [--json] [--comma|--point] [--all-or-nothing]');
  process.exit(2);
}
const options = importOptionsSchema.parse({
  decimalMark: values.comma ? 'comma' : values.point ? 'point' : 'found',
  allOrNothing: values['all-or-nothing'],
});
const app = await createApp({ dataDir: values.data, logLevel: 'warn' });
await prepareFolder(app);
const bytes = await readFile(file);
const progress = (written: number, total: number) =>
  values.json || process.stderr.write(`\r${written} of ${total} products`);
const result = values['dry-run']
  ? await previewImport(app, bytes, options)
  : await importCatalogue(app, bytes, options, { onProgress: progress });
await app.db.close();
if (!values.json) process.stderr.write('\n');

if (!result.ok) {
  const problems = result.problems.map((problem) => ({ place: problem.path, message: wordProblem(problem) }));
  console.log(
    values.json
      ? JSON.stringify({ ok: false, problems })
      : problems.map(({ place, message }) => `${place}: ${message}`).join('\n'),
  );
  console.error('Nothing was imported.');
  process.exit(1);
}
const { counts, problems, columnProblems } = result.value;
if (values.json) console.log(JSON.stringify({ ok: true, dryRun: values['dry-run'], ...result.value }));
else {
  for (const message of columnProblems) console.log(message);
  for (const { row, message } of problems) console.log(`row ${row}: ${message}`);
  const verb = values['dry-run'] ? 'would be' : 'were';
  console.log(
    `Products: ${counts.productsCreated} ${verb} created, ${counts.productsChanged} changed. Variants: ${counts.variantsCreated} created, ${counts.variantsChanged} changed. Rows refused: ${counts.rowsRefused}.`,
  );
}
