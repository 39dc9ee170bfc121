import type { App } from './app';

/** The latest orders for the owner, failed ones included. */
export function listOrders(app: App) {
  return app.orders.listRecent(100);
}
