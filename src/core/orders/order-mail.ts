import { formatMoney, type Currency } from '~/core/money';
import type { Order } from './order';

export interface OrderMailFacts {
  readonly shopName: string;
  readonly locale: string;
  readonly currency: Currency;
  readonly taxIncluded: boolean;
}

interface MailTexts {
  readonly subject: string;
  readonly text: string;
  readonly html: string;
}

const ESCAPES: Readonly<Record<string, string>> = {
  '&': '&amp;',
  '<': '&lt;',
  '>': '&gt;',
  '"': '&quot;',
  "'": '&#39;',
};
const escape = (text: string) => text.replace(/[&<>"']/g, (mark) => ESCAPES[mark]!);

/** The mail that confirms an order, as plain text and as HTML that needs nothing from elsewhere. */
export function orderMail(order: Order, facts: OrderMailFacts): MailTexts {
  const money = (amount: number) => formatMoney(amount, facts.currency, facts.locale);
  const lines = order.lines.map((line) => ({
    what: `${line.quantity} × ${line.name}`,
    more: [line.choices, ...line.answers.map((answer) => `${answer.label}: ${answer.text}`)].filter(Boolean),
    sum: money(line.totalMinor),
  }));
  const sums: readonly (readonly [string, string])[] = [
    ...(order.discountMinor > 0
      ? [[order.coupon ? `Saved with ${order.coupon}` : 'Saved', `−${money(order.discountMinor)}`] as const]
      : []),
    ['Delivery', order.deliveryMinor === 0 ? 'free' : money(order.deliveryMinor)],
    ...(facts.taxIncluded ? [] : [['Tax', money(order.taxMinor)] as const]),
    ['Paid', money(order.totalMinor)],
    ...(facts.taxIncluded ? [['of which tax', money(order.taxMinor)] as const] : []),
  ];
  const { address } = order;
  const place = address.line1
    ? [order.name, address.line1, address.line2, `${address.postcode} ${address.city}`, address.country].filter(Boolean)
    : [];
  const text = [
    `Thank you, ${order.name}. Your order is paid and on the bench.`,
    '',
    ...lines.flatMap((line) => [`${line.what}   ${line.sum}`, ...line.more.map((more) => `   ${more}`)]),
    '',
    ...sums.map(([name, sum]) => `${name}   ${sum}`),
    ...(order.note ? ['', `Your note: ${order.note}`] : []),
    ...(place.length > 0 ? ['', 'It goes to:', ...place] : []),
    '',
    facts.shopName,
  ].join('\n');
  const row = (left: string, right: string, style = '') =>
    `<tr><td style="padding:6px 12px 6px 0;${style}">${left}</td><td style="padding:6px 0;text-align:right;${style}">${escape(right)}</td></tr>`;
  const html = `<!doctype html><html lang="en"><head><meta charset="utf-8"><title>${escape(facts.shopName)}</title></head><body style="font:16px/1.5 sans-serif;color:#14323b;max-width:560px;margin:24px auto;padding:0 16px"><h1 style="font-size:22px">Thank you, ${escape(order.name)}.</h1><p>Your order is paid and on the bench.</p><table style="width:100%;border-collapse:collapse">${lines
    .map((line) =>
      row(
        `${escape(line.what)}${line.more.map((more) => `<br><small style="color:#4c6670">${escape(more)}</small>`).join('')}`,
        line.sum,
        'border-bottom:1px solid #c9dde2;vertical-align:top',
      ),
    )
    .join(
      '',
    )}${sums.map(([name, sum]) => row(escape(name), sum, name === 'Paid' ? 'font-weight:700' : '')).join('')}</table>${
    order.note ? `<p>Your note: ${escape(order.note)}</p>` : ''
  }${place.length > 0 ? `<p>It goes to:<br>${place.map(escape).join('<br>')}</p>` : ''}<p>${escape(facts.shopName)}</p></body></html>`;
  return { subject: `${facts.shopName}: your order`, text, html };
}
