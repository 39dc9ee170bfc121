// Lines of code and of tests, blank lines left out.
import { execFileSync } from 'node:child_process';
import { readFileSync } from 'node:fs';

const files = execFileSync('git', ['ls-files', '*.ts', '*.tsx', '*.astro', '*.mjs', '*.css'], { encoding: 'utf8' })
  .trim()
  .split('\n');
const rooms = new Map();
for (const file of files) {
  const room = file.startsWith('tests/')
    ? 'tests'
    : file.startsWith('src/')
      ? file.split('/').slice(0, 2).join('/')
      : file.includes('/')
        ? file.split('/')[0]
        : 'root';
  const lines = readFileSync(file, 'utf8')
    .split('\n')
    .filter((line) => line.trim() !== '').length;
  rooms.set(room, (rooms.get(room) ?? 0) + lines);
}
const all = [...rooms.values()].reduce((a, b) => a + b, 0);
for (const [room, lines] of [...rooms].sort((a, b) => b[1] - a[1]))
  console.log(`${String(lines).padStart(7)}  ${room}`);
console.log(
  `${String(all).padStart(7)}  in all; tests are ${Math.round((100 * (rooms.get('tests') ?? 0)) / all)} % (25 to 33 is the aim)`,
);
