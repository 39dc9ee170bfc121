/** @jsxImportSource preact */
import type { VNode } from 'preact';
import { Drawing } from '~/runtime/kit/icons';

/** Lucide's wallet (ISC licence). */
const WALLET =
  'M19 7V4a1 1 0 0 0-1-1H5a2 2 0 0 0 0 4h15a1 1 0 0 1 1 1v4h-3a2 2 0 0 0 0 4h3a1 1 0 0 0 1-1v-2a1 1 0 0 0-1-1M3 5v14a2 2 0 0 0 2 2h15a1 1 0 0 0 1-1v-4';

/** Leads to paying with a wallet, without typing. */
export function QuickPay({ words }: { words: { readonly quickPay: string } }): VNode {
  return (
    <a class="main-button quick" data-slot="quickPay" href="/shop/quick-pay">
      <Drawing path={WALLET} />
      <span data-word="quickPay">{words.quickPay}</span>
    </a>
  );
}
