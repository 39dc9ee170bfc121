/** What was in the cart has been ordered: other tabs, which still show it, are told what it holds now. */
async function tellTabs(): Promise<void> {
  const response = await fetch('/api/cart');
  if (response.ok) new BroadcastChannel('pl-cart').postMessage(await response.json());
}

tellTabs().catch(() => undefined);
