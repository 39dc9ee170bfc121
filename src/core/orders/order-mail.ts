import { escapeHtml } from '~/core/words/escape-html';
import type { SayShop } from '~/core/words';
import { formatMoney, type Currency } from '~/core/money';
import { directionOf } from '~/core/words';
import type { Order } from './order';
import { orderNumber } from './order-number';
import { addressLines, isFree, receiptOf } from './receipt';

export interface OrderMailFacts {
  readonly shopName: string;
  /** BCP 47, of sums. */
  readonly locale: string;
  readonly currency: Currency;
  /** The words of the shop in the order's language. */
  readonly say: SayShop;
  /** As the buyer calls it. */
  readonly country: string;
  /** The day it was ordered, as people write it. */
  readonly date: string;
  /** Of the order's page; its downloads are fetched there. */
  readonly link: string;
  /** What the link to ordering the same again is called; null: the page has no such part. */
  readonly again: string | null;
  readonly hasDownloads: boolean;
  /** For next time; null: none. */
  readonly code: string | null;
}

interface MailTexts {
  readonly subject: string;
  readonly text: string;
  readonly html: string;
}

interface Part {
  readonly title: string;
  readonly lines: readonly string[];
}

/** What every mail begins with, up to its words. */
function htmlHead(language: string, title: string): string {
  return [
    `<!doctype html><html lang="${language}" dir="${directionOf(language)}"><head><meta charset="utf-8">`,
    `<meta name="viewport" content="width=device-width, initial-scale=1"><title>${escapeHtml(title)}</title></head>`,
    '<body style="font:16px/1.5 sans-serif;color:#14323b;background:#ffffff;max-width:560px;margin:24px auto;padding:0 16px">',
  ].join('');
}

const htmlLink = (link: string, text: string) =>
  `<a href="${escapeHtml(link)}" style="color:#1c4e5f;font-weight:700">${escapeHtml(text)}</a>`;

function htmlFoot(link: string, linkText: string, shopName: string): string {
  return (
    `<p style="margin-top:24px">${htmlLink(link, linkText)}</p>` +
    `<p style="color:#4c6670">${escapeHtml(shopName)}</p></body></html>`
  );
}

/** A short mail: its lines, and a link. */
export function noteMail(note: {
  readonly subject: string;
  readonly lines: readonly string[];
  readonly link: string;
  readonly linkText: string;
  readonly shopName: string;
  readonly language: string;
}): MailTexts {
  const { subject, lines, link, linkText, shopName } = note;
  return {
    subject,
    text: [...lines, `${linkText}: ${link}`, shopName].join('\n\n'),
    html:
      htmlHead(note.language, subject) +
      lines.map((line) => `<p>${escapeHtml(line)}</p>`).join('') +
      htmlFoot(link, linkText, shopName),
  };
}

/** The mail that confirms an order, as plain text and as HTML that needs nothing from elsewhere. */
export function orderMail(order: Order, facts: OrderMailFacts): MailTexts {
  const { say, shopName } = facts;
  const money = (amount: number) => formatMoney(amount, facts.currency, facts.locale);
  const receipt = receiptOf(order, say);
  const lines = receipt.lines.map((line) => ({
    what: `${line.quantity} × ${line.name}`,
    notes: [...line.notes, ...(line.wasMinor === null ? [] : [say('insteadOf', { amount: money(line.wasMinor) })])],
    sum: line.wasMinor !== null && line.amountMinor === 0 ? say('deliveryFree') : money(line.amountMinor),
  }));
  const sums = receipt.sums.map(({ kind, label, amountMinor }) => ({
    isTotal: kind === 'total',
    label,
    sum: isFree({ kind, amountMinor }) ? say('deliveryFree') : money(amountMinor),
  }));
  const cameOff = receipt.cameOffMinor === null ? [] : [say('cameOff', { amount: money(receipt.cameOffMinor) })];
  const parts: readonly Part[] = [
    { title: say('sendTo'), lines: addressLines(order, facts.country) },
    { title: say('delivery'), lines: [[order.deliveryName, order.deliveryDays].filter(Boolean).join(', ')] },
    { title: say('contact'), lines: [order.email] },
    { title: say('note'), lines: [order.note] },
  ].filter((part) => part.lines.some(Boolean));
  const title = say('orderNumber', { number: orderNumber(order) });
  const head = [say('thanks', { name: order.name }), say('thanksText', { email: order.email })] as const;
  const under = `${title}. ${say('orderedOn', { date: facts.date })}.`;
  const linkText = facts.hasDownloads ? `${say('orderPage')} · ${say('downloads')}` : say('orderPage');

  const again = facts.again === null ? [] : [{ text: facts.again, link: `${facts.link}#reorder` }];
  const forNextTime = facts.code === null ? [] : [say('codeMail', { code: facts.code.toUpperCase() })];

  const widest = Math.max(
    ...[...lines.map((line) => line.what), ...sums.map(({ label }) => label)].map((x) => x.length),
  );
  const textRow = (left: string, right: string) => `${left.padEnd(widest + 3)}${right}`;
  const text = [
    head.join('\n'),
    under,
    lines.flatMap((line) => [textRow(line.what, line.sum), ...line.notes.map((note) => `   ${note}`)]).join('\n'),
    sums.map(({ label, sum }) => textRow(label, sum)).join('\n'),
    ...cameOff,
    ...parts.map((part) => [`${part.title}:`, ...part.lines].join('\n')),
    ...forNextTime,
    ...again.map(({ text, link }) => `${text}: ${link}`),
    `${linkText}: ${facts.link}`,
    shopName,
  ].join('\n\n');

  const row = (left: string, right: string, style = '') =>
    `<tr><td style="padding:6px 12px 6px 0;${style}">${left}</td><td style="padding:6px 0;text-align:end;white-space:nowrap;${style}">${escapeHtml(right)}</td></tr>`;
  const lineRows = lines.map(({ what, notes, sum }) => {
    const small = notes.map((note) => `<br><small style="color:#4c6670">${escapeHtml(note)}</small>`).join('');
    return row(escapeHtml(what) + small, sum, 'border-bottom:1px solid #c9dde2;vertical-align:top');
  });
  const sumRows = sums.map(({ label, sum, isTotal }) =>
    row(escapeHtml(label), sum, isTotal ? 'font-weight:700;font-size:18px' : ''),
  );
  const html = [
    htmlHead(order.language, title),
    `<h1 style="font-size:22px;line-height:1.25">${escapeHtml(head[0])}</h1><p>${escapeHtml(head[1])}</p><p><strong>${escapeHtml(under)}</strong></p>`,
    `<table style="width:100%;border-collapse:collapse">${lineRows.join('')}${sumRows.join('')}</table>`,
    ...cameOff.map((line) => `<p>${escapeHtml(line)}</p>`),
    ...parts.map(
      (part) =>
        `<h2 style="font-size:16px;margin:24px 0 4px">${escapeHtml(part.title)}</h2><p style="margin:0">${part.lines.map(escapeHtml).join('<br>')}</p>`,
    ),
    ...forNextTime.map((line) => `<p style="margin:24px 0 0"><strong>${escapeHtml(line)}</strong></p>`),
    ...again.map(({ text, link }) => `<p style="margin:24px 0 0">${htmlLink(link, text)}</p>`),
    htmlFoot(facts.link, linkText, shopName),
  ].join('');
  return { subject: say('mailSubject', { shop: shopName, number: orderNumber(order) }), text, html };
}
