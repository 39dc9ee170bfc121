import type { AnswerOf } from '~/contract';
import { readProduct, type Selectors } from '~/core/site-pages/read-product';
import type { Product } from '~/core/catalogue';
import { visitElsewhere } from '~/core/site-pages/on-page';
import { deviceOf } from '~/core/where/who-sees';
import type { Visit } from '~/core/where';
import type { HostPage } from '../host-page';

type Found = AnswerOf<'GET /api/find-product'>;

/** The product of ours that the page is about, once it is known. */
let product: Found | null = null;

/** A page of another site: about one of our products, or about something else. */
export function readPage(): Visit {
  return visitElsewhere(product, deviceOf(innerWidth));
}

/** The tag that brought the script; it says how to read the page: `data-sku=".number"`. */
function selectorsOf(origin: string): Selectors {
  const tag = document.querySelector<HTMLScriptElement>(`script[src^="${origin}/rt/elsewhere.js"]`);
  return { ...tag?.dataset };
}

/** Finds out which of our products the page is about, and gives the buy bar a form to read and to press. */
export async function findOut({ ask }: Pick<HostPage, 'ask'>, origin: string): Promise<void> {
  const { sku } = readProduct(document, selectorsOf(origin));
  if (!sku) return;
  const found = await findBySku({ ask }, sku.value);
  if (!found) return;
  product = found;
  document.body.append(formOf(found, sku.value));
}

export async function findBySku({ ask }: Pick<HostPage, 'ask'>, sku: string): Promise<Found | null> {
  const response = await ask(`/api/find-product?${new URLSearchParams({ sku })}`).catch(() => null);
  return response?.ok ? ((await response.json()) as AnswerOf<'GET /api/find-product'>) : null;
}

/** The product as a form nobody sees, with the variant of the page chosen. */
function formOf({ slug, axes, variants, options }: Product, sku: string): HTMLFormElement {
  const form = document.createElement('form');
  form.style.setProperty('display', 'none', 'important');
  Object.assign(form.dataset, { productForm: '', plAdd: '', plProduct: slug });
  if (options.length > 0) form.dataset['plOpen'] = 'true';
  const field = (type: string, name: string, value: string, checked = true) => {
    const input = document.createElement('input');
    Object.assign(input, { type, name, value, checked });
    form.append(input);
  };
  field('text', 'product', slug);
  field('number', 'quantity', '1');
  const chosen = variants.find((variant) => variant.sku === sku) ?? variants[0];
  for (const axis of axes)
    for (const value of new Set(variants.map(({ choices }) => choices[axis] ?? '')))
      field('radio', `choice:${axis}`, value, value === chosen?.choices[axis]);
  return form;
}
