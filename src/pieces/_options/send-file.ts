import type { Reply } from '~/contract';
import type { PieceHost } from '~/runtime/piece-host';

/** Sends a file a shopper chose; without an answer it is not kept. */
export async function sendFile(host: PieceHost, about: Record<'product' | 'option' | 'name', string>, body: File) {
  const headers = { 'content-type': 'application/octet-stream' };
  const response = await host.page
    .ask(`/api/uploads?${new URLSearchParams(about)}`, { method: 'POST', body, headers })
    .catch(() => null);
  const got = (await response?.json().catch(() => null)) as Reply<'POST /api/uploads'> | null;
  return { isKept: response?.ok ?? false, got };
}
