import { linkAddress, readLink, type LinkedGoods } from '~/core/links/address';
import { readAddForm } from '../add-form';
import type { CartAnswer } from '../cart-change';
import { findBySku } from './about';
import { isListed, thePage as host } from './page';
import type { followPage as followOwnPage } from '../own/follow-page';

type Following = Parameters<typeof followOwnPage>[0];

/** When what stands on the page is told: buying comes first. */
const SEEN_AFTER_MS = 1500;

/**
 * Takes over the buy links of a page that is not the shop's, whatever form they have: what they sell is put into the cart here.
 * Where it cannot be, the link is followed, and the page it leads to says why. Links to the shop take the cart along.
 */
export function followPage({ cart, recorder, openRole, afterAdd }: Following): void {
  const { origin } = new URL(import.meta.url);
  const buy = `${origin}/shop/buy`;

  async function add(linked: LinkedGoods, opener: Element | null): Promise<void> {
    const { sku, quantity, code, answers, leads } = linked;
    const answer: CartAnswer = await cart.change({ kind: 'add', sku, quantity, answers });
    // It says why, and what can be done.
    if (!answer.ok) return location.assign(linkAddress(origin, linked));
    if (code) await cart.change({ kind: 'coupon', code });
    const product = tell(answer.lineId, linked.link);
    if (leads === 'checkout') return host.go('/shop/checkout');
    if (leads === 'product' && product) return host.go(`/shop/p/${product}`);
    show(product, answer.lineId, opener, leads);
  }

  /** Of the product that the page itself is about. */
  async function addOwn(form: HTMLFormElement): Promise<void> {
    const opener = document.activeElement;
    const answer = await cart.change(readAddForm(form));
    if (!answer.ok) return host.go(`/shop/p/${form.dataset['plProduct']}`);
    show(tell(answer.lineId, ''), answer.lineId, opener);
  }

  /** Records what was added; the product, where it is known. */
  function tell(lineId: string | null, link: string): string | null {
    const product = cart.view?.lines.find(({ id }) => id === lineId)?.slug ?? null;
    recorder.record('add', { product, ...(link && { piece: link }) });
    return product;
  }

  /** As the link has it; else as the shop does after adding. */
  function show(product: string | null, lineId: string | null, opener: Element | null, leads?: string): void {
    const about = { product, lineId, opener };
    if (leads === 'popup' ? openRole('added', about) : leads !== 'cart' && afterAdd(about)) return;
    if (!openRole('cart', { opener })) host.go('/shop/cart');
  }

  /** The page's own elements: `data-pl-sku` puts into the cart, `data-pl-look` opens a quick view, `data-pl-cart` the cart. */
  function press(element: HTMLElement): boolean {
    const { plSku, plLook } = element.dataset;
    if (plSku) void add(readLink(new URLSearchParams({ sku: plSku, to: 'popup' })), element);
    else if (plLook)
      void findBySku(host, plLook).then((product) => {
        if (!product || !openRole('look', { opener: element, product: product.slug }))
          host.go(product ? `/shop/p/${product.slug}` : '/shop');
      });
    else return openRole('cart', { opener: element });
    return true;
  }

  document.addEventListener('submit', (event) => {
    const form = event.target as HTMLFormElement;
    // Read from the attribute: a field called “action” would stand in its way.
    if (!isListed || event.defaultPrevented) return;
    if (form.matches('[data-pl-add]')) {
      event.preventDefault();
      return void addOwn(form);
    }
    if (form.getAttribute('action')?.split('?')[0] !== buy) return;
    event.preventDefault();
    const fields = [...new FormData(form)].filter((pair): pair is [string, string] => typeof pair[1] === 'string');
    void add(readLink(new URLSearchParams(fields)), event.submitter);
  });
  document.addEventListener('click', (event) => {
    const own = (event.target as Element).closest<HTMLElement>('[data-pl-sku],[data-pl-look],[data-pl-cart]');
    if (own && isListed && !event.defaultPrevented && press(own)) return event.preventDefault();
    const link = event.composedPath().find((target) => target instanceof HTMLAnchorElement);
    if (
      !link ||
      !isListed ||
      event.defaultPrevented ||
      event.metaKey ||
      event.ctrlKey ||
      event.shiftKey ||
      link.target === '_blank'
    )
      return;
    const to = new URL(link.href);
    if (to.origin !== origin) return;
    const isBuy = to.pathname === '/shop/buy';
    if (!isBuy && !cart.view?.count) return;
    event.preventDefault();
    if (isBuy) void add(readLink(to.searchParams), link);
    else host.go(to.pathname + to.search);
  });

  cart.watch(({ count }) => {
    for (const element of document.querySelectorAll('[data-pl-count]')) element.textContent = String(count);
  });

  let errors = 0;
  addEventListener('error', ({ filename }) => {
    if (filename?.startsWith(`${origin}/rt/`)) errors += 1;
  });
  setTimeout(() => void import('./tell-seen').then(({ tellSeen }) => tellSeen(buy, () => errors)), SEEN_AFTER_MS);
}
