import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { parseArgs } from 'node:util';
import { addLink, frameHtml, linkSpec, mailHtml, plainHtml, scriptHtml, type LinkSpec } from '~/core/links';
import { currencyOf, formatMoney, minor } from '~/core/money';
import type { Product } from '~/core/catalogue';
import { escapeHtml } from '~/core/words/escape-html';
import type { Goods } from '~/core/lane';
import { buyLink } from '~/pieces/buy-link/definition';
import { liveDemoLane } from '../demo/lane';
import type { DemoLinkId } from '../demo/links';

/** A site that is not the shop’s: what it says of a product, and how. */
interface OutsidePage {
  readonly title: string;
  readonly language: 'en' | 'ar';
  readonly policy?: string;
  readonly write: (spec: (link: DemoLinkId) => LinkSpec) => string;
}

const paragraph = (text: string) => `<p>${text}</p>`;
const anchor = (spec: LinkSpec, text: string) => `<a href="${addLink(spec).replaceAll('&', '&amp;')}">${text}</a>`;

const PAGES: Readonly<Record<string, OutsidePage>> = {
  '/': {
    title: 'Gusts & Lulls, a blog about wind',
    language: 'en',
    write: (spec) =>
      [
        paragraph(`First light on the fell, and the ${anchor(spec('blog-text'), 'Heron')} went up by itself.`),
        plainHtml(spec('blog-pair')),
        scriptHtml(spec('blog-card')),
        `<nav><a href="/newsletter">The newsletter</a> · <a href="/frame">A page with a frame</a> · <a href="/strict">A strict page</a> · <a href="/other-shop">Another shop</a> · <a href="/rtl">صفحة عربية</a></nav>`,
      ].join('\n'),
  },
  '/newsletter': {
    title: 'Gusts & Lulls, issue 12',
    language: 'en',
    policy: "default-src 'none'; img-src *; style-src 'unsafe-inline'",
    write: (spec) => `<table width="600"><tr><td>${mailHtml(spec('newsletter-card'))}</td></tr></table>`,
  },
  '/strict': {
    title: 'A page under a strict policy',
    language: 'en',
    policy: "default-src 'none'",
    write: (spec) => paragraph(anchor(spec('blog-text'), 'Buy the Heron')),
  },
  '/frame': {
    title: 'A page that allows frames, and no scripts',
    language: 'en',
    policy: "script-src 'none'; style-src 'unsafe-inline'",
    write: (spec) => paragraph('What stands here is the shop’s own, in a frame.') + frameHtml(spec('blog-card')),
  },
  '/other-shop': {
    title: 'Fell & Feather, a shop of its own',
    language: 'en',
    write: (spec) => {
      const { origin, name, sku } = spec('blog-text');
      const said = { '@context': 'https://schema.org', '@type': 'Product', name, sku };
      return [
        `<script type="application/ld+json">${JSON.stringify(said).replaceAll('<', '\\u003c')}</script>`,
        paragraph(
          `${escapeHtml(name)}, on a page that another program made. The bar and the cart are the kite shop’s.`,
        ),
        `<p><button data-pl-look="${escapeHtml(sku)}">A closer look</button> <button data-pl-cart>Cart: <span data-pl-count>0</span></button></p>`,
        `<script type="module" src="${origin}/rt/elsewhere.js"></script>`,
      ].join('\n');
    },
  },
  '/rtl': {
    title: 'مدونة الريح',
    language: 'ar',
    write: (spec) => plainHtml(spec('arabic-card')),
  },
};

/** Serves the stand-in sites; `shop` is the origin that their links lead to. Port 0 takes a free one. */
export async function startOutside(
  shop: string,
  port = 0,
): Promise<{ readonly origin: string; readonly server: Server }> {
  const server = createServer((request, response) => {
    const { pathname } = new URL(request.url ?? '/', 'http://outside.invalid');
    const page = Object.hasOwn(PAGES, pathname) ? PAGES[pathname]! : null;
    if (!page) return void response.writeHead(404).end('There is nothing here.\n');
    specsOf(shop, page.language).then(
      (spec) => {
        response.writeHead(200, {
          'content-type': 'text/html; charset=utf-8',
          ...(page.policy !== undefined && { 'content-security-policy': page.policy }),
        });
        response.end(documentOf(page, page.write(spec)));
      },
      () => response.writeHead(502).end('The shop does not answer.\n'),
    );
  });
  await new Promise<void>((resolve) => server.listen(port, '127.0.0.1', resolve));
  return { origin: `http://127.0.0.1:${(server.address() as AddressInfo).port}`, server };
}

const documentOf = ({ title, language }: OutsidePage, body: string) =>
  `<!doctype html><html lang="${language}" dir="${language === 'ar' ? 'rtl' : 'ltr'}"><meta charset="utf-8"><meta name="viewport" content="width=device-width"><title>${title}</title><style>body{margin:2rem auto;max-width:40rem;padding:0 1rem;font:1.05rem/1.6 Georgia,serif}form{margin-block:1.5rem}</style><h1>${title}</h1>${body}</html>`;

/** The shop’s buy links, as its studio would make them. */
async function specsOf(shop: string, language: string): Promise<(link: DemoLinkId) => LinkSpec> {
  const lane = liveDemoLane();
  const links = Object.entries(lane.pieces).filter(([, { kind }]) => kind === buyLink.kind);
  const specs = new Map<string, LinkSpec>();
  for (const [id, piece] of links) {
    const { sku, quantity } = piece.settings['goods'] as Goods;
    const asked = `${shop}/api/find-product?${new URLSearchParams({ sku })}`;
    const product = (await (await fetch(asked, { signal: AbortSignal.timeout(5000) })).json()) as Product;
    const variant = product.variants.find((one) => one.sku === sku)!;
    const facts = {
      name: [product.name, ...Object.values(variant.choices)].join(', '),
      price: formatMoney(minor(variant.priceMinor * quantity), currencyOf(lane.shop.currency), lane.shop.locale),
      shortText: product.shortText,
      picture: (variant.picture ?? product.pictures[0])?.src ?? null,
    };
    specs.set(id, linkSpec(lane, buyLink, { id, piece, facts, origin: shop, language }));
  }
  return (link) => specs.get(link)!;
}

if (process.argv[1]?.endsWith('serve.ts')) {
  const { values } = parseArgs({ options: { shop: { type: 'string' }, port: { type: 'string', default: '0' } } });
  if (!values.shop) throw new Error('Say which shop the sites lead to: --shop http://127.0.0.1:4321');
  await startOutside(values.shop, Number(values.port));
}
