import { seedFolder, serve } from '/work/main/tests/support/server';
const s = await serve(await seedFolder(Number(process.argv[2] ?? '0.05')));
console.log('ORIGIN', s.origin);
process.on('SIGTERM', () => {
  void s.stop().then(() => process.exit(0));
});
setInterval(() => undefined, 1000);
