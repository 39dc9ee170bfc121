// Style sheets that modules take in as text are read as the build would, without the build.
import { register } from 'node:module';

const hooks = `
import { readFile } from 'node:fs/promises';
export async function load(url, context, next) {
  if (!/\\.css(\\?inline)?$/.test(url)) return next(url, context);
  const text = await readFile(new URL(url.replace(/\\?.*/, '')), 'utf8');
  return { format: 'module', source: 'export default ' + JSON.stringify(text), shortCircuit: true };
}`;
register(`data:text/javascript,${encodeURIComponent(hooks)}`);
