import { expect } from 'chai';
import { execFile } from 'node:child_process';
import { cp, rm, writeFile } from 'node:fs/promises';
import path from 'node:path';
import { promisify } from 'node:util';
import { copyProgram, insertLine } from '../support/program-copy';

const run = promisify(execFile);
const TOYS = path.resolve('tests/support/toy-variants');

/** What is added: its file, the list that names it, and its line there. */
const ADDED = [
  {
    toy: 'round-down.ts',
    to: 'core/pricing/offers',
    list: 'index.ts',
    after: /^const OFFERS = \{/m,
    name: 'roundDown',
  },
  {
    toy: 'weekday.ts',
    to: 'core/pricing/conditions',
    list: 'index.ts',
    after: /^const CONDITIONS = \[/m,
    name: 'weekday',
  },
  {
    toy: 'size.ts',
    to: 'core/lane/settings/types',
    list: 'index.ts',
    after: /^const SETTING_TYPES = \{/m,
    name: 'size: sizeType',
  },
  {
    toy: 'size-control.tsx',
    to: 'studio/settings',
    list: 'setting-control.tsx',
    after: /^\} = \{/m,
    name: 'size: sizeControl',
  },
];

describe('a copy of the program with a kind of offer, a condition and a type of setting of its own', function () {
  this.timeout(240_000);
  let folder: string;
  before(async () => {
    folder = await copyProgram(['src', 'package.json', 'tsconfig.json']);
    for (const { toy, to, list, after, name } of ADDED) {
      const at = path.join(folder, 'src', to);
      await cp(path.join(TOYS, toy), path.join(at, toy));
      const [exported] = name.split(': ').slice(-1);
      const imported = `import { ${exported} } from './${path.parse(toy).name}';\n`;
      await insertLine(path.join(at, list), after, `  ${name},`, imported);
    }
    await cp(path.join(TOYS, 'ask.ts'), path.join(folder, 'ask.ts'));
    await writeFile(
      path.join(folder, 'tsconfig.toys.json'),
      JSON.stringify({
        extends: './tsconfig.json',
        include: ['src/core', 'src/contract', 'src/studio/settings', 'src/studio/offers', 'ask.ts'],
      }),
    );
  });
  after(() => rm(folder, { recursive: true, force: true }));

  it('compiles: nothing else has to know them', async () => {
    const tsc = path.join(folder, 'node_modules/typescript/bin/tsc');
    const answer = await run(process.execPath, [tsc, '--noEmit', '-p', 'tsconfig.toys.json'], { cwd: folder }).catch(
      (error: { stdout: string }) => error,
    );
    expect(answer.stdout).to.equal('');
  });

  it('prices by them, reads them, and draws the setting’s control', async () => {
    const { stdout } = await run(process.execPath, ['--import', 'tsx', 'ask.ts'], { cwd: folder });
    const told = JSON.parse(stdout) as Record<string, unknown>;
    expect(told).to.deep.include({
      help: 'The order comes down to a round sum.',
      reads: 'Round the order down to full €5, on Mondays, each item by one offer of “discounts”.',
      // 19.98 and 3.45, a fifth off each: 15.98 and 2.76; then down to 15.
      monday: { total: 1500, taken: { fifth: 469, round: 374 } },
      tuesday: { total: 1874, refused: { round: { code: 'wrong-weekday' } } },
    });
    expect(told['kinds']).to.include('roundDown');
    const { drawn, ...setting } = told['setting'] as { drawn: string };
    expect(setting).to.deep.equal({ usual: { wide: 3, high: 2 }, text: '4 × 5', isHeld: true });
    expect(drawn).to.contain('High').and.contain('value="5"');
  });
});
