import { ANSWER_FIELD, readAnswers, type Answers } from '~/core/options/answers';
import type { Goods } from '~/core/lane';

/** Where a buy link leads when its goods are in the cart. */
export const LEADS = ['popup', 'cart', 'checkout', 'product'] as const;
export type Leads = (typeof LEADS)[number];

export interface LinkedGoods extends Omit<Goods, 'answers'> {
  readonly answers?: Answers;
  readonly leads: Leads;
  /** Id of the piece it was made from, by which the shop counts what it earned. */
  readonly link: string;
}

/** The address of a buy link: the whole choice, so that nobody has to choose again, even where the piece is gone. */
export function linkAddress(origin: string, { sku, quantity, code, answers = {}, leads, link }: LinkedGoods): string {
  const query = new URLSearchParams({
    sku,
    ...(quantity !== 1 && { quantity: String(quantity) }),
    ...(code && { code }),
    ...(leads !== 'cart' && { to: leads }),
    ...(link && { link }),
  });
  for (const [key, answer] of Object.entries(answers))
    for (const value of typeof answer === 'string' ? [answer] : answer) query.append(ANSWER_FIELD + key, value);
  return `${origin}/shop/buy?${query}`;
}

/** A link's address as it came, wild ones made sensible: what is no number is one, what leads nowhere leads to the cart. */
export function readLink(
  query: URLSearchParams,
): LinkedGoods & { readonly answers: Record<string, string | string[]> } {
  const quantity = Number(query.get('quantity') ?? 1);
  const to = LEADS.find((one) => one === query.get('to'));
  return {
    sku: (query.get('sku') ?? '').trim().slice(0, 120),
    quantity: Number.isInteger(quantity) && quantity >= 1 ? Math.min(quantity, 999) : 1,
    code: (query.get('code') ?? '').trim().slice(0, 60),
    leads: to ?? 'cart',
    answers: sensibleAnswers(query),
    link: /^[a-z0-9-]{1,60}$/.test(query.get('link') ?? '') ? query.get('link')! : '',
  };
}

/** Answers that a product could ask for: so many, so long, and no other names. */
function sensibleAnswers(query: URLSearchParams): Record<string, string | string[]> {
  const sensible = [...query].slice(0, 99).map(([name, value]) => [name, value.slice(0, 600)] as const);
  return Object.fromEntries(
    Object.entries(readAnswers(sensible) as Record<string, string | string[]>).filter(([key]) =>
      /^[a-z0-9-]{1,40}$/.test(key),
    ),
  );
}
