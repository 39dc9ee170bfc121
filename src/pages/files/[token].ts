import type { APIRoute } from 'astro';
import { Readable } from 'node:stream';
import { fetchDownload } from '~/services/orders/downloads';
import { refuse } from '../api/_respond';

/** A link that was copied leads to the order it belongs to: a download is counted only when somebody presses for it. */
export const GET: APIRoute = async ({ locals, params, redirect, rewrite }) => {
  const found = await locals.app.orders.findDownload(params['token']!);
  return found ? redirect(`/shop/thanks/${found.orderToken}`, 303) : rewrite('/404');
};

/** Hands out a bought file to whoever holds its link, as often and as long as was promised. */
export const POST: APIRoute = async ({ locals, params, redirect }) => {
  const fetched = await fetchDownload(locals.app, params['token']!);
  if (fetched.ok)
    return new Response(Readable.toWeb(fetched.value.content) as ReadableStream, {
      headers: {
        'content-type': 'application/octet-stream',
        'content-length': String(fetched.value.bytes),
        'content-disposition': `attachment; filename*=UTF-8''${encodeURIComponent(fetched.value.name)}`,
      },
    });
  const found = await locals.app.orders.findDownload(params['token']!);
  // The page says that the link is used up.
  return found && fetched.problems[0]?.code === 'download-over'
    ? redirect(`/shop/thanks/${found.orderToken}`, 303)
    : refuse(fetched.problems, locals);
};
