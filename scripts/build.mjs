// Builds the shopper's runtime, then the app. Skipped when nothing has changed since the last build, unless --force.
import { spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, readdirSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { build as bundle } from 'esbuild';
import { minify } from 'terser';
import { build } from 'vite';

const SOURCES = ['src', 'public', 'package-lock.json', 'astro.config.mjs', 'tsconfig.json', 'scripts/build.mjs'];
const STAMP = 'dist/.stamp';

function* filesOf(place) {
  if (statSync(place).isFile()) yield place;
  else
    for (const name of readdirSync(place).sort())
      if (place !== 'public' || name !== 'rt') yield* filesOf(path.join(place, name));
}

function stampOfSources() {
  const hash = createHash('sha256');
  for (const source of SOURCES) for (const file of filesOf(source)) hash.update(file).update(readFileSync(file));
  return hash.digest('hex');
}

/**
 * One small entry that pieces' chunks import from, so that a page loads the entry, the manifest and what it shows. On other sites
 * the same runtime stands on `src/runtime/elsewhere` in place of `own`.
 */
async function bundleRuntime(entry, alias) {
  const built = await build({
    configFile: false,
    logLevel: 'warn',
    publicDir: false,
    resolve: { alias: { ...alias, '~': path.resolve('src') } },
    // Libraries ask for it; a page has no process.
    define: { 'process.env.NODE_ENV': '"production"' },
    esbuild: { jsx: 'automatic', jsxImportSource: 'preact', legalComments: 'none' },
    plugins: [{ name: 'minify', generateBundle: minifyChunks }],
    build: {
      outDir: 'public/rt',
      emptyOutDir: false,
      target: 'es2022',
      // As a library, dynamic imports stay what they are; an app's would be wrapped in half a kilobyte of preloading.
      lib: { entry: { [entry]: 'src/entries/page.ts' }, formats: ['es'] },
      minify: false,
      cssMinify: true,
      reportCompressedSize: false,
      rollupOptions: {
        preserveEntrySignatures: 'allow-extension',
        // Core is pure: a module of which nothing is used is left out.
        treeshake: { moduleSideEffects: (id) => !id.includes('/src/core/') },
        output: { format: 'es', entryFileNames: '[name].js', chunkFileNames: 'c/[hash:6].js' },
      },
    },
  });
  return (Array.isArray(built) ? built[0] : built).output.filter(({ type }) => type === 'chunk');
}

async function buildRuntime() {
  rmSync('public/rt', { recursive: true, force: true });
  const chunks = await bundleRuntime('lane', {});
  const elsewhere = await bundleRuntime('elsewhere', { '~/runtime/own': path.resolve('src/runtime/elsewhere') });
  // Which chunks each kind of piece needs, and what else is fetched when asked for, for the size check.
  const importsOf = Object.fromEntries([...chunks, ...elsewhere].map((chunk) => [chunk.fileName, chunk.imports]));
  const kinds = chunks.flatMap((chunk) =>
    Object.keys(chunk.modules).flatMap((id) => {
      const kind = /src\/pieces\/([^/]+)\/view\.tsx$/.exec(id)?.[1];
      return kind ? [[kind, chunk.fileName]] : [];
    }),
  );
  const holding = (part) =>
    chunks.find((chunk) => Object.keys(chunk.modules).some((id) => id.includes(part)))?.fileName;
  const options = holding('src/pieces/_options/mount.tsx');
  const preact = holding('node_modules/preact/dist/preact');
  // As their definitions say, which are not run here.
  const budgets = Object.fromEntries(
    kinds.flatMap(([kind]) => {
      const budget = /^ {2}budgetKb: (\d+),$/m.exec(readFileSync(`src/pieces/${kind}/definition.ts`, 'utf8'))?.[1];
      return budget ? [[kind, Number(budget)]] : [];
    }),
  );
  writeFileSync(
    'public/rt/pieces.json',
    JSON.stringify({ importsOf, kinds: Object.fromEntries(kinds), budgets, options, preact }),
  );
}

async function minifyChunks(_options, bundle) {
  for (const chunk of Object.values(bundle))
    if (chunk.type === 'chunk')
      chunk.code = (
        await minify(chunk.code, {
          module: true,
          ecma: 2022,
          compress: {
            passes: 4,
            pure_getters: true,
            // What reads alike packs better.
            hoist_funs: true,
            lhs_constants: false,
            // No code of ours hangs on what these change: function objects, symbols as texts, classes without new.
            unsafe: true,
            unsafe_arrows: true,
            unsafe_methods: true,
          },
        })
      ).code;
}

/** What runs outside the framework: the server around it, and its worker threads. Packages stay where they are. */
async function buildServer() {
  const workers = readdirSync('src/workers').map((file) => file.replace(/\.ts$/, ''));
  await bundle({
    entryPoints: {
      serve: 'src/server/main.ts',
      ...Object.fromEntries(workers.map((name) => [`workers/${name}`, `src/workers/${name}.ts`])),
    },
    outdir: 'dist',
    outExtension: { '.js': '.mjs' },
    bundle: true,
    format: 'esm',
    platform: 'node',
    target: 'node20',
    packages: 'external',
    logLevel: 'warning',
  });
}

const stamp = stampOfSources();
if (!process.argv.includes('--force') && existsSync(STAMP) && readFileSync(STAMP, 'utf8') === stamp) {
  console.log('build: up to date');
} else {
  await buildRuntime();
  if (!process.argv.includes('--runtime')) {
    const result = spawnSync(process.execPath, ['node_modules/astro/astro.js', 'build'], {
      stdio: ['ignore', process.env.VERBOSE ? 'inherit' : 'pipe', 'inherit'],
      env: { ...process.env, ASTRO_TELEMETRY_DISABLED: '1' },
    });
    if (result.status !== 0) {
      process.stderr.write(result.stdout ?? '');
      process.exit(result.status ?? 1);
    }
    await buildServer();
    writeFileSync(STAMP, stamp);
  }
  console.log('build: done');
}
