import { generateHTML, generateJSON } from '@tiptap/core';
import { expect } from 'chai';
import { htmlOfText, saysTheSame, textOfHtml } from '~/studio/text/markdown';
import { textExtensions } from '~/studio/text/extensions';
import { DEMO_PAGES } from '../../../demo/pages';
import { withPage } from '../../support/page';

const throughEditor = (html: string) => generateHTML(generateJSON(html, textExtensions()), textExtensions());

describe('A text in the editor', () => {
  withPage();

  const fact = '<pl-fact product="heron" fact="price" before="for " after=" each">price &amp; more</pl-fact>';
  for (const text of [
    'One paragraph.\n\nAnother with **bold**, *italic*, ~~gone~~ and [a link](/shop/).',
    `It costs ${fact}, and **${fact}** bold.`,
    `the **${fact}** word`,
    '## A heading\n\n- one\n- two\n  - deeper\n\n1. first\n2. second',
    '<pl-piece name="spares-table"></pl-piece>',
    '> said\n\n---\n\nA line  \nbroken.',
    '| Kite | Price |\n| :-- | --: |\n| Heron | ' + fact + ' |\n| a\\|b | **x** |',
    'Stars * and _ and # 1. and <b> and & and `code` stay.',
    ...Object.values(DEMO_PAGES['choosing-a-kite']!.text),
  ])
    it(`comes back saying the same: ${text.slice(0, 50)}`, async () => {
      const html = await htmlOfText(text);
      const back = textOfHtml(throughEditor(html));
      if (!saysTheSame(html, await htmlOfText(back)))
        console.log(html, '\n----\n', throughEditor(html), '\n---\n', back);
      expect(saysTheSame(html, await htmlOfText(back))).to.equal(true);
    });
});
