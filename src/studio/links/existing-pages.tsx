import { useId, useState } from 'react';
import { pieceName } from '~/core/lane';
import { devicesElsewhere, PRODUCT_FIELDS, readProduct, type ProductField, type Selectors } from '~/core/site-pages';
import { DEVICES } from '~/core/where/where.schema';
import type { Device } from '~/core/where';
import { definitionOf, definitions } from '~/pieces/definitions';
import { escapeHtml } from '~/core/words/escape-html';
import { useAnswer } from '~/studio/data/query';
import { useDraft } from '~/studio/data/draft-store';

const FIELDS: Readonly<Record<ProductField, string>> = {
  name: 'Name',
  sku: 'SKU',
  price: 'Price',
  currency: 'Currency',
  picture: 'Picture',
  address: 'Address',
};
/** The ones worth a selector: the SKU finds the product, all else comes from your catalogue. */
const CHOSEN = ['sku', 'name', 'price'] as const satisfies readonly ProductField[];
/** Characters; a page of a shop has a tenth of that. */
const MOST = 5_000_000;

interface Found {
  readonly slug: string;
  readonly name: string;
  readonly about: readonly string[];
}
type Known = { readonly state: 'none' | 'asking' | 'gone' } | { readonly state: 'found'; readonly product: Found };

/** What is known of the product a page is about. */
function knownFrom({ answer, isAsking }: { answer: { product: Found | null } | null; isAsking: boolean }): Known {
  if (isAsking) return { state: 'asking' };
  if (!answer) return { state: 'none' };
  return answer.product ? { state: 'found', product: answer.product } : { state: 'gone' };
}

/** The tag that brings the runtime to a page, with how to read it where machines cannot. */
function tagOf(origin: string, selectors: Selectors): string {
  const read = CHOSEN.flatMap((field) => {
    const selector = selectors[field]?.trim();
    return selector ? [` data-${field}="${escapeHtml(selector)}"`] : [];
  });
  return `<script type="module" src="${escapeHtml(origin)}/rt/elsewhere.js"${read.join('')}></script>`;
}

/** A shop that was not built here: what a page of it says of its product is tried out, and one tag brings bar, popup and cart there. */
export function ExistingPages({ origin }: { origin: string }) {
  const say = useDraft((state) => state.say);
  const id = useId();
  const [html, setHtml] = useState('');
  const [selectors, setSelectors] = useState<Selectors>({});
  const isLong = html.length > MOST;
  // Parsed as a document nobody shows: it loads nothing, and nothing in it runs.
  const found = isLong || html === '' ? {} : readProduct(new DOMParser().parseFromString(html, 'text/html'), selectors);
  const sku = found.sku?.value ?? '';
  const finding = useAnswer('GET /api/studio/products/of-sku', sku === '' ? null : { query: { sku } });
  const known = knownFrom(finding);
  const tag = tagOf(origin, selectors);
  return (
    <section aria-labelledby={`${id}-title`} className="flex flex-col gap-3">
      <h2 id={`${id}-title`}>A shop you have already</h2>
      <p className="help max-w-[70ch]">
        One tag on its product pages brings the buy bar, quick view, popup and cart of this shop there. A page is
        matched by its SKU. Put the site on the list above first, and its products into your catalogue.
      </p>
      <div className="grid gap-4 xl:grid-cols-2">
        <div className="flex flex-col gap-2">
          <label className="flex flex-col gap-1">
            <span className="font-semibold">Try a page</span>
            <span className="help">Paste the HTML of a product page. It is read here and goes nowhere.</span>
            <textarea
              className="field font-mono text-[13px]"
              rows={6}
              value={isLong ? '' : html}
              onChange={(event) => setHtml(event.target.value)}
            />
          </label>
          {isLong && (
            <p role="alert" className="text-brick">
              That is more than a page can be ({Math.round(html.length / 1e6)} million characters). Paste one page
              alone.
            </p>
          )}
          <details>
            <summary>Its SKU is not found, or the wrong one</summary>
            <div className="mt-2 flex flex-col gap-2">
              <p className="help">CSS selectors of the elements that say it. Leave empty what is found by itself.</p>
              {CHOSEN.map((field) => (
                <label key={field} className="flex items-center gap-2">
                  <span className="w-16">{FIELDS[field]}</span>
                  <input
                    className="field min-w-0 flex-1 font-mono text-[13px]"
                    placeholder={field === 'sku' ? '.product-number' : ''}
                    value={selectors[field] ?? ''}
                    onChange={(event) => setSelectors({ ...selectors, [field]: event.target.value })}
                  />
                </label>
              ))}
            </div>
          </details>
        </div>
        <div className="flex flex-col gap-2">
          {html !== '' && !isLong && (
            <>
              <table className="tbl panel w-full" aria-label="What was found">
                <thead>
                  <tr>
                    <th scope="col">What</th>
                    <th scope="col">Found</th>
                    <th scope="col">By</th>
                  </tr>
                </thead>
                <tbody>
                  {PRODUCT_FIELDS.map((field) => (
                    <tr key={field}>
                      <td className="font-semibold">{FIELDS[field]}</td>
                      <td className="break-all">{found[field]?.value ?? '–'}</td>
                      <td>{found[field]?.by ?? ''}</td>
                    </tr>
                  ))}
                </tbody>
              </table>
              <p role="status">
                {sku === '' && 'No SKU was found, so the page cannot be matched. Name the element that says it.'}
                {known.state === 'found' && `This is “${known.product.name}” of your catalogue.`}
                {known.state === 'gone' && `Nothing in your catalogue has the SKU ${sku}.`}
              </p>
              {known.state === 'found' && <ComesUp product={known.product} />}
            </>
          )}
          <label className="flex flex-col gap-1">
            <span className="font-semibold">The tag</span>
            <span className="help">Once on each page, anywhere in it.</span>
            <textarea className="field font-mono text-[13px]" rows={3} readOnly value={tag} />
          </label>
          <button
            className="btn main self-start"
            onClick={() =>
              void navigator.clipboard.writeText(tag).then(
                () => say('Copied.'),
                () => say('Your browser does not let us copy. Press in the text and copy it from there.'),
              )
            }
          >
            Copy the tag
          </button>
        </div>
      </div>
    </section>
  );
}

const ALL_DEVICES = DEVICES.length;

/** What of the open shop comes up on a page about a product, and what does not, by the same rules as there. */
function ComesUp({ product }: { readonly product: Found }) {
  const { lane, revision } = useDraft((state) => state.live);
  if (revision === 0) return <p className="help">Nothing comes up there before the shop is open.</p>;
  const pieces = Object.entries(lane.pieces)
    .map(([id, piece]) => ({ id, piece, definition: definitionOf(piece.kind) }))
    .filter(({ definition }) => definition?.elsewhere)
    .map(({ id, piece, definition }) => ({
      id,
      isOn: piece.on,
      name: pieceName(piece, definitions),
      devices: devicesElsewhere(piece, definition!, product),
    }));
  const shown = pieces.filter(({ devices }) => devices.length > 0);
  const on = (devices: readonly Device[]) =>
    devices.length === ALL_DEVICES
      ? ''
      : ` (${new Intl.ListFormat('en').format(devices.map((device) => `${device}s`))} only)`;
  return (
    <div data-testid="comes-up">
      <h3 className="font-semibold">What comes up there</h3>
      <ul className="ms-4 list-disc marker:text-paint">
        {shown.map(({ id, name, devices }) => (
          <li key={id}>{name + on(devices)}</li>
        ))}
        {shown.length === 0 && <li>Nothing: turn the buy bar or the cart on, and publish.</li>}
      </ul>
      {pieces
        .filter(({ devices }) => devices.length === 0)
        .map(({ id, name, isOn }) => (
          <p key={id} className="help">
            Not {name}: {isOn ? 'Where leaves this product out.' : 'it is off.'}{' '}
            <a href={`/studio/bench/${id}${isOn ? '?task=where' : ''}`}>Change that</a>
          </p>
        ))}
    </div>
  );
}
