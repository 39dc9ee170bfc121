import { generateHTML, generateJSON, type JSONContent } from '@tiptap/core';
import { expect } from 'chai';
import { htmlOfText, saysTheSame, textOfHtml } from '~/studio/text/markdown';
import { textExtensions } from '~/studio/text/extensions';
import { DEMO_PAGES } from '../../../demo/pages';
import { dice } from '../../support/baskets';
import { withPage } from '../../support/page';

const throughEditor = (html: string) => generateHTML(generateJSON(html, textExtensions()), textExtensions());
const FACT = '<pl-fact product="heron" fact="price" before="for " after=" each">price &amp; more</pl-fact>';

describe('a text in the editor', () => {
  withPage();

  for (const text of [
    'One paragraph.\n\nAnother with **bold**, *italic*, ~~gone~~ and [a link](/shop/).',
    `It costs ${FACT}, and **${FACT}** bold.`,
    '## A heading\n\n- one\n- two\n  - deeper\n\n1. first\n2. second',
    '<pl-piece name="spares-table"></pl-piece>',
    '> said\n\n---\n\nA line  \nbroken.',
    `| Kite | Price |\n| :-- | --: |\n| Heron | ${FACT} |\n| a\\|b | **x** |`,
    'Stars * and _ and # 1. and <b> and & and `code` stay.',
    ...Object.values(DEMO_PAGES['choosing-a-kite']!.text),
  ])
    it(`comes back saying the same: ${text.slice(0, 30).replaceAll('\n', ' ')}`, async () => {
      const html = await htmlOfText(text);
      expect(saysTheSame(html, await htmlOfText(textOfHtml(throughEditor(html))))).to.equal(true);
    });

  it('is written so that the shop reads what was made, whatever was made', async function () {
    this.timeout(60_000);
    const random = dice(20);
    const pick = <T>(items: readonly T[]) => items[Math.floor(random() * items.length)]!;
    const some = <T>(most: number, make: () => T) => Array.from({ length: 1 + Math.floor(random() * most) }, make);
    const words = ['kite', ' ', 'a * b', '1. no', '# no', '<b>', 'x_y_z', '&amp;', 'ü', '|', '`', '[l](m)', '~'];
    const inline = (): JSONContent => {
      const marks = ['bold', 'italic', 'strike'].filter(() => random() < 0.25).map((type) => ({ type }));
      if (random() < 0.2)
        return {
          type: 'fact',
          marks,
          attrs: { product: 'heron', fact: 'price', before: '', after: ' "each"', fallback: '<i>' },
        };
      return { type: 'text', marks, text: some(3, () => pick(words)).join(' ') };
    };
    // Spaces at the ends of a line are seen by nobody: it begins and ends with a word.
    const line = (most: number): JSONContent[] => [
      { type: 'text', text: 'so' },
      ...some(most, inline),
      { type: 'text', text: 'so' },
    ];
    const paragraph = (): JSONContent => ({ type: 'paragraph', content: line(4) });
    const item = (): JSONContent => ({ type: 'listItem', content: [paragraph()] });
    const row = (type: string) => ({
      type: 'tableRow',
      content: [1, 2].map(() => ({ type, content: line(2) })),
    });
    const block = (): JSONContent =>
      pick([
        paragraph,
        paragraph,
        () => ({ type: 'heading', attrs: { level: pick([2, 3, 4]) }, content: line(2) }),
        () => ({ type: pick(['bulletList', 'orderedList']), content: some(3, item) }),
        () => ({ type: 'blockquote', content: some(2, paragraph) }),
        () => ({ type: 'horizontalRule' }),
        () => ({ type: 'paragraph', content: [{ type: 'piece', attrs: { name: 'spares-table' } }] }),
        () => ({ type: 'table', content: [row('tableHeader'), ...some(2, () => row('tableCell'))] }),
      ])();
    for (let i = 0; i < 60; i += 1) {
      const made = generateHTML({ type: 'doc', content: some(4, block) }, textExtensions());
      const text = textOfHtml(made);
      const read = await htmlOfText(text);
      expect(saysTheSame(throughEditor(read), made), `${made}\n${text}\n${read}`).to.equal(true);
    }
  });

  it('is another where anything a shopper sees is another', () => {
    const one = '<p>A <strong>b</strong></p><ul><li>c</li></ul>';
    expect(saysTheSame(one, '<p>A\n<strong>b</strong></p>\n<ul>\n<li><p>c</p></li></ul>')).to.equal(true);
    for (const other of [
      '<p>A b</p><ul><li>c</li></ul>',
      '<p>A <strong>b</strong></p><ol><li>c</li></ol>',
      '<p>A <strong>b</strong></p><ul><li>c</li><li>d</li></ul>',
      '<p>A <strong>b</strong></p>',
    ])
      expect(saysTheSame(one, other), other).to.equal(false);
  });
});
