import { addExamples, removeExamples } from '~/services/catalogue/example-catalogue';
import { answer } from '../_respond';
import { withAccount } from '../_with-account';

export const POST = withAccount('editor', async ({ locals }, account) =>
  answer(await addExamples(locals.app, account.id)),
);

export const DELETE = withAccount('editor', async ({ locals }, account) =>
  Response.json(await removeExamples(locals.app, account.id)),
);
