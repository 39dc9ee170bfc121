const ESCAPES: Readonly<Record<string, string>> = {
  '&': '&amp;',
  '<': '&lt;',
  '>': '&gt;',
  '"': '&quot;',
  "'": '&#39;',
};

/** A text as it stands in HTML, between tags or in a quoted attribute (HTML, 13.1.2). */
export const escapeHtml = (text: string): string => text.replace(/[&<>"']/g, (mark) => ESCAPES[mark]!);

const MARKS = new Map(Object.entries(ESCAPES).map(([mark, escape]) => [escape, mark]));

/** A text as `escapeHtml` found it. */
export const unescapeHtml = (text: string): string =>
  text.replace(/&(?:amp|lt|gt|quot|#39);/g, (escape) => MARKS.get(escape)!);
