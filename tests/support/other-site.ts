import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { addPiece } from '~/core/lane';
import { offerSchema } from '~/core/pricing';
import { definitionOf } from '~/pieces/definitions';
import { signInOwner } from './owner';
import type { TestServer } from './server';

/** A page on another origin, as somebody else's site serves it; under a policy, where one is given. */
export async function elsewhere(
  html: string | (() => string),
  policy?: string,
): Promise<{ origin: string; close: () => Promise<void> }> {
  const server: Server = createServer((_request, response) => {
    response.writeHead(200, {
      'content-type': 'text/html; charset=utf-8',
      ...(policy !== undefined && { 'content-security-policy': policy }),
    });
    response.end(
      `<!doctype html><html lang="en"><meta name="viewport" content="width=device-width"><title>A blog</title><body><main>${typeof html === 'string' ? html : html()}</main></body></html>`,
    );
  });
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  return {
    origin: `http://127.0.0.1:${(server.address() as AddressInfo).port}`,
    close: () =>
      new Promise((resolve) => {
        server.closeAllConnections();
        server.close(() => resolve());
      }),
  };
}

/** Publishes a buy link for two ground stakes with a code, and says its id. */
export async function publishLink(
  server: TestServer,
  settings: object = {},
  more: (sites: string[]) => void = () => undefined,
) {
  const owner = await signInOwner(server);
  const stake = (await (await fetch(`${server.origin}/api/products/ground-stake`)).json()) as {
    variants: { sku: string }[];
  };
  let id = '';
  await owner.publish((lane) => {
    id = addPiece(lane, definitionOf('buy-link')!);
    const piece = lane.pieces[id]!;
    piece.on = true;
    piece.where.spot = 'elsewhere';
    Object.assign(piece.settings, {
      shape: 'card',
      leads: 'checkout',
      goods: { sku: stake.variants[0]!.sku, quantity: 2, code: 'LINKED' },
      ...settings,
    });
    lane.offers['linked'] = offerSchema.parse({
      name: 'Linked',
      kind: 'amountOff',
      target: 'order',
      amountMinor: 150,
      when: { code: 'LINKED' },
    });
    more(lane.shop.sites);
  });
  return id;
}
