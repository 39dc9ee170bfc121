import type { Element, ElementContent, Root } from 'hast';
import rehypeParse from 'rehype-parse';
import rehypeRemark from 'rehype-remark';
import rehypeStringify from 'rehype-stringify';
import remarkGfm from 'remark-gfm';
import remarkStringify from 'remark-stringify';
import { unified } from 'unified';
import { visit } from 'unist-util-visit';
import { readFact, writeFact } from '~/core/facts';
import { readText } from '~/core/texts/read-text';

/** A text as the shop reads it, as HTML: exactly what may stand in a page. */
export async function htmlOfText(text: string): Promise<string> {
  return unified()
    .use(rehypeStringify)
    .stringify(await readText(text));
}

const writer = unified()
  .use(rehypeParse, { fragment: true })
  .use(rehypeRemark, {
    handlers: {
      'pl-fact': (_state, element: Element) => {
        const fallback = element.children.map((child) => (child.type === 'text' ? child.value : '')).join('');
        const fact = readFact(element.properties, fallback);
        return fact ? { type: 'html', value: writeFact(fact) } : undefined;
      },
      'pl-piece': (_state, element: Element) => ({
        type: 'html',
        value: writePiece(String(element.properties['name'] ?? '')),
      }),
    },
  })
  .use(remarkGfm, { tablePipeAlign: false })
  .use(remarkStringify, {
    bullet: '-',
    emphasis: '*',
    rule: '-',
    fences: true,
    handlers: {
      // Always: what stands beside emphasis is written as &#x78;, and a mark of the text after that would begin or end some.
      text: ({ value }: { value: string }, _parent, state, info) => {
        const safe = state.safe(value, info);
        return state.stack.includes('autolink') ? safe : safe.replaceAll(/(?<!\\)[_~]/g, '\\$&');
      },
    },
  });

/** What an editor holds, as Markdown. */
export function textOfHtml(html: string): string {
  return String(writer.processSync(html)).trimEnd();
}

const writePiece = (name: string) => `<pl-piece name="${name}"></pl-piece>`;

/** An editor keeps a paragraph in every item and cell; one alone is none in Markdown. */
function unwrapSingle(tree: Root): void {
  visit(tree, 'element', (element) => {
    if (!['li', 'td', 'th'].includes(element.tagName)) return;
    const paragraphs = element.children.filter((child) => isParagraph(child));
    if (paragraphs.length === 1)
      element.children = element.children.flatMap((child) => (isParagraph(child) ? child.children : [child]));
  });
}

const isParagraph = (node: ElementContent): node is Element => node.type === 'element' && node.tagName === 'p';

/** Whether two pieces of HTML say the same, but for spaces and the paragraphs around what stands alone. */
export function saysTheSame(a: string, b: string): boolean {
  const plain = (written: string) => {
    const tree = unified().use(rehypeParse, { fragment: true }).parse(written);
    unwrapSingle(tree);
    const html = unified().use(rehypeStringify).stringify(tree).replaceAll(/\s+/g, ' ');
    return joinMarks(html).replaceAll(/> | </g, (mark) => mark.trim());
  };
  return plain(a) === plain(b);
}

const SPLIT_MARK = / ?<\/(strong|em|s|del)> ?<\1> ?/g;

/** Joins marks of one kind with nothing but a space between them: nobody sees whether the space is bold. */
function joinMarks(html: string): string {
  const joined = html.replaceAll(SPLIT_MARK, (match) => (match.includes(' ') ? ' ' : ''));
  return joined === html ? html : joinMarks(joined);
}
