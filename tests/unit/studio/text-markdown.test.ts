import { generateHTML, generateJSON, type JSONContent } from '@tiptap/core';
import { expect } from 'chai';
import fc from 'fast-check';
import { htmlOfText, saysTheSame, textOfHtml } from '~/studio/text/markdown';
import { textExtensions } from '~/studio/text/extensions';
import { DEMO_PAGES } from '../../../demo/pages';
import { withPage } from '../../support/page';

const throughEditor = (html: string) => generateHTML(generateJSON(html, textExtensions()), textExtensions());
const FACT = '<pl-fact product="heron" fact="price" before="for " after=" each">price &amp; more</pl-fact>';

/** So many of something. */
const some = <T>(most: number, one: fc.Arbitrary<T>) => fc.array(one, { minLength: 1, maxLength: most });
const word = fc.constantFrom(
  'kite',
  ' ',
  'a * b',
  '1. no',
  '# no',
  '<b>',
  'x_y_z',
  '&amp;',
  'ü',
  '|',
  '`',
  '[l](m)',
  '~',
);
const marks = fc.subarray(['bold', 'italic', 'strike']).map((types) => types.map((type) => ({ type })));
const fact = { product: 'heron', fact: 'price', before: '', after: ' "each"', fallback: '<i>' };
const inline: fc.Arbitrary<JSONContent> = fc.oneof(
  {
    weight: 4,
    arbitrary: fc.tuple(some(3, word), marks).map(([words, chosen]): JSONContent => {
      const text = words.join(' ');
      // Nobody sees a bold space.
      return { type: 'text', marks: text.trim() === '' ? [] : chosen, text };
    }),
  },
  { weight: 1, arbitrary: fc.record({ type: fc.constant('fact'), marks, attrs: fc.constant(fact) }) },
);
// Spaces at the ends of a line are seen by nobody: it begins and ends with a word.
const line = (most: number): fc.Arbitrary<JSONContent[]> =>
  some(most, inline).map((items) => [{ type: 'text', text: 'so' }, ...items, { type: 'text', text: 'so' }]);
const paragraph: fc.Arbitrary<JSONContent> = line(4).map((content) => ({ type: 'paragraph', content }));
const item = paragraph.map((content): JSONContent => ({ type: 'listItem', content: [content] }));
const row = (type: string): fc.Arbitrary<JSONContent> =>
  fc
    .tuple(line(2), line(2))
    .map((cells) => ({ type: 'tableRow', content: cells.map((content) => ({ type, content })) }));
const block: fc.Arbitrary<JSONContent> = fc.oneof(
  { weight: 2, arbitrary: paragraph },
  fc.record({ type: fc.constant('heading'), attrs: fc.record({ level: fc.constantFrom(2, 3, 4) }), content: line(2) }),
  fc.record({ type: fc.constantFrom('bulletList', 'orderedList'), content: some(3, item) }),
  fc.record({ type: fc.constant('blockquote'), content: some(2, paragraph) }),
  fc.constant<JSONContent>({ type: 'horizontalRule' }),
  fc.constant<JSONContent>({ type: 'paragraph', content: [{ type: 'piece', attrs: { name: 'spares-table' } }] }),
  fc
    .tuple(row('tableHeader'), some(2, row('tableCell')))
    .map(([head, rows]) => ({ type: 'table', content: [head, ...rows] })),
);

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
    await fc.assert(
      fc.asyncProperty(fc.array(block, { minLength: 1, maxLength: 4 }), async (content) => {
        const made = generateHTML({ type: 'doc', content }, textExtensions());
        const text = textOfHtml(made);
        const read = await htmlOfText(text);
        expect(saysTheSame(throughEditor(read), made), `${made}\n${text}\n${read}`).to.equal(true);
      }),
      { numRuns: 60 },
    );
  });

  it('is the same whether a space between bold words is bold or not, and another without the space', () => {
    const split = '<p>so<strong>kite  </strong> <strong>kite</strong>so</p>';
    expect(saysTheSame('<p>so<strong>kite kite</strong>so</p>', split)).to.equal(true);
    expect(saysTheSame('<p>so<strong>kitekite</strong>so</p>', split)).to.equal(false);
    const both = '<p><strong><em>a</em></strong> <strong><em>b</em></strong></p>';
    expect(saysTheSame('<p><strong><em>a b</em></strong></p>', both)).to.equal(true);
    expect(saysTheSame('<p><strong><em>a</em> b</strong></p>', both)).to.equal(false);
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
