import { expect } from 'chai';
import fc from 'fast-check';
import { compileManifest, lintLane, readCustomCss, wordCssProblem } from '~/core/lane';
import { MOST_CSS } from '~/core/lane/document/custom-css';
import { definitions } from '~/pieces/definitions';
import { styleHtml } from '~/shop/style-html';
import { liveDemoLane } from '../../../demo/lane';

describe('readCustomCss', () => {
  const kept: readonly (readonly [what: string, css: string, out?: string])[] = [
    ['a rule', '.a{color:red}'],
    ['rules for a width', '@media (min-width:30em){.a{color:red}}'],
    ['a rule within a rule', '.a{&:hover{color:red}}'],
    ['a motion', '@keyframes x{from{top:0}to{top:1px}}'],
    ['a picture of the shop', '.a{background:url(/media/sky.png)}'],
    ['braces in a text', '.a[title="]{}"]{top:0}'],
    ['an own property', '.a{--gap:calc(1px + 2px)}', '.a{--gap:calc(1px + 2px)}'],
    ['what is not closed', '.a{color:red', '.a{color:red}'],
    ['one semicolon too many', '.a{color:red;;top:0}', '.a{color:red;top:0}'],
  ];
  for (const [what, css, out = css] of kept)
    it(`keeps ${what}`, () => {
      expect(readCustomCss(css)).to.deep.equal({ css: out, problems: [] });
    });

  const refused: readonly (readonly [what: string, css: string, out: string, code: string, place: string])[] = [
    ['the end of a style element', '.a{top:0}\n</style><script>alert(1)</script>', '.a{top:0}', 'syntax', '2:1'],
    ['an import', '@import url(https://x.example);.a{top:0}', '.a{top:0}', 'at-rule', '1:1'],
    ['a font from anywhere', '@font-face{src:url(/media/x)}', '', 'at-rule', '1:1'],
    ['a picture from elsewhere', '.a{\n  background:url(https://x.example/y)}', '.a{}', 'outside', '2:14'],
    ['one in a set', '.a{background:image-set("https://x.example" 1x)}', '.a{}', 'outside', '1:25'],
    ['one in an own property', '.a{--x:url(//x.example)}', '.a{}', 'outside', '1:8'],
    ['an expression', '.a{width:expression(alert(1))}', '.a{}', 'runs', '1:10'],
    ['a behaviour', '.a{behavior:url(#x)}', '.a{}', 'runs', '1:4'],
    ['the page around the piece', 'body:has(&){display:none}', '', 'reaches-out', '1:5'],
    ['an address in disguise', '.a{background:u\\72l(https://x.example)}', '.a{}', 'syntax', '1:15'],
    ['a brace too many', '} body{top:0}', '', 'syntax', '1:1'],
  ];
  for (const [what, css, out, code, place] of refused)
    it(`leaves out ${what}, and says where it stands`, () => {
      const found = readCustomCss(css);

      const [first] = found.problems;
      expect(found.css).to.equal(out);
      expect([first?.code, `${first?.line}:${first?.column}`]).to.deep.equal([code, place]);
      expect(wordCssProblem(first!)).to.match(/^Line \d+, column \d+: .{12,}/);
    });

  it('reads brackets without end', () => {
    expect(readCustomCss(`a{b:${'('.repeat(9000)}`).problems[0]?.code).to.equal('syntax');
  });

  it('writes nothing that ends an element or a sheet, whatever it reads', () => {
    const part = fc.constantFrom(
      '</style>',
      '<script>',
      '.a{',
      '}',
      '{',
      '"',
      "'",
      '\\',
      '/*',
      '*/',
      '@import ',
      'url(',
      ')',
      ';',
      'a:b',
      '<!--',
      '&',
      ':has(',
    );
    fc.assert(
      fc.property(fc.array(fc.oneof(part, fc.string({ maxLength: 6 })), { maxLength: 30 }), (parts) => {
        const { css } = readCustomCss(parts.join(''));
        const html = styleHtml(`[data-x]{${css}}`);

        expect(html.slice(7, -8)).not.to.match(/<\//);
        // What was written is read again as it stands: no brace of it closes what it was put in.
        expect(readCustomCss(css)).to.deep.equal({ css, problems: [] });
      }),
      { numRuns: 2000 },
    );
  });

  it('ends whatever was read before it', () => {
    readCustomCss('{'.repeat(100));

    for (const text of ['{}}}', '{{}}})}}a{', '{})}})url(&', '{url()}})url(&'])
      expect(readCustomCss(text).problems, text).not.to.deep.equal([]);
    expect(readCustomCss('a{color:red}')).to.deep.equal({ css: 'a{color:red}', problems: [] });
  });

  it('is not read when it is longer than a draft may hold', () => {
    expect(readCustomCss(`a{color:red}${' '.repeat(MOST_CSS)}`).problems).to.have.length(1);
  });
});

describe('own style rules of a piece', () => {
  const lane = liveDemoLane();
  lane.pieces['product-options'] = structuredClone(
    lane.pieces['product-options'] ?? { ...lane.pieces['quick-view']!, kind: 'product-options' },
  );
  const css = '.po{color:red}\n</style><script>alert(1)</script>';
  lane.pieces['quick-view']!.look.css = css;

  it('are served without what cannot be read', () => {
    const piece = compileManifest(lane, definitions, 1).pieces.find(({ id }) => id === 'quick-view')!;

    expect(piece.css).to.include('.po{color:red}').and.not.include('script');
  });

  it('stop publishing, with line and column', () => {
    const slugs = { products: new Set<string>(), categories: new Set<string>() };

    const found = lintLane(lane, definitions, slugs).find(({ code }) => code === 'css');

    expect(found).to.deep.include({ level: 'error', pieceId: 'quick-view' });
    expect(found?.code === 'css' && found.problem.line).to.equal(2);
  });
});
