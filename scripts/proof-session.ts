// For scripts/proof.mjs: signs in whoever owns the shop of a folder, and says where it is served.
import { lockFolder } from '~/data';
import { beginSession } from '~/services/accounts/accounts';
import { createApp } from '~/services/app';
import { readServedAt } from '~/server/served-at';

const [dataDir] = process.argv.slice(2);
if (!dataDir) throw new Error('Name the data folder');
const app = await createApp({ dataDir, logLevel: 'silent' });
const owner = (await app.accounts.list()).find(({ role }) => role === 'owner');
const secret = owner && (await beginSession(app, owner, { from: '', agent: 'npm run proof' })).secret;
await app.close();
const lock = await lockFolder(dataDir);
if (lock.isOurs) await lock.release();
console.log(JSON.stringify({ secret: secret ?? null, address: lock.isOurs ? null : readServedAt(dataDir) }));
