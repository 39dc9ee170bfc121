import type { Root } from 'hast';
import rehypeRaw from 'rehype-raw';
import rehypeSanitize, { defaultSchema } from 'rehype-sanitize';
import remarkGfm from 'remark-gfm';
import remarkParse from 'remark-parse';
import remarkRehype from 'remark-rehype';
import { unified } from 'unified';

/** What a text may hold: the few marks of writing, and our own two elements. */
const SCHEMA: typeof defaultSchema = {
  ...defaultSchema,
  tagNames: [
    'p',
    'h2',
    'h3',
    'h4',
    'ul',
    'ol',
    'li',
    'strong',
    'em',
    'del',
    'a',
    'br',
    'hr',
    'blockquote',
    'table',
    'thead',
    'tbody',
    'tr',
    'th',
    'td',
    'code',
    'pl-fact',
    'pl-piece',
  ],
  attributes: {
    a: ['href', 'title'],
    th: ['align'],
    td: ['align'],
    'pl-fact': ['product', 'fact', 'attribute', 'before', 'after'],
    'pl-piece': ['name'],
  },
  clobberPrefix: '',
};

const reader = unified()
  .use(remarkParse)
  .use(remarkGfm)
  .use(remarkRehype, { allowDangerousHtml: true })
  .use(rehypeRaw)
  .use(rehypeSanitize, SCHEMA);
/** Reads a text (Markdown, CommonMark with tables) as a tree of what may stand in a page. There are texts this takes minutes for. */
export async function readText(text: string): Promise<Root> {
  return reader.run(reader.parse(text));
}

/** A text as it was typed, paragraph by paragraph. */
export function plainTree(text: string): Root {
  const paragraphs = text.split(/\n{2,}/).filter((paragraph) => paragraph.trim() !== '');
  return {
    type: 'root',
    children: paragraphs.map((value) => ({
      type: 'element',
      tagName: 'p',
      properties: {},
      children: [{ type: 'text', value }],
    })),
  };
}
