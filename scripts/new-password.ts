import { parseArgs } from 'node:util';
import { createApp } from '~/services/app';
import { passwordLink } from '~/services/accounts/people';

const { values, positionals } = parseArgs({
  allowPositionals: true,
  options: { data: { type: 'string', default: 'var/shop' } },
});
const [email] = positionals;
if (!email) {
  console.error('Usage: npm run password -- EMAIL [--data DIR]');
  process.exit(2);
}
const app = await createApp({ dataDir: values.data, logLevel: 'warn' });
const account = await app.accounts.findByEmail(email);
const link = account && (await passwordLink(app, account.email, process.env['PAVED_LANE_ORIGIN'] ?? ''));
await app.close();
if (!link) {
  console.error(`Nobody with the address ${email} has an account in ${values.data}.`);
  process.exit(1);
}
console.log(`Open this address of the shop within an hour; it works once:\n\n  ${link}\n`);
