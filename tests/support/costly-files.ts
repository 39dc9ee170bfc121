import { deflateSync } from 'node:zlib';

const SVG = '<svg xmlns="http://www.w3.org/2000/svg">';
const nested = (tag: string, depth: number) => `${SVG}${`<${tag}>`.repeat(depth)}${`</${tag}>`.repeat(depth)}</svg>`;
const many = (inner: string, count: number) => `${SVG}${inner.repeat(count)}</svg>`;

/** Chunks of a PNG (ISO/IEC 15948) without its checksums being right, for pictures that claim more than they hold. */
function pngClaiming(width: number, height: number): Buffer {
  const chunk = (type: string, data: Buffer) => {
    const length = Buffer.alloc(4);
    length.writeUInt32BE(data.length);
    return Buffer.concat([length, Buffer.from(type), data, Buffer.alloc(4)]);
  };
  const header = Buffer.alloc(13);
  header.writeUInt32BE(width, 0);
  header.writeUInt32BE(height, 4);
  header.set([8, 6, 0, 0, 0], 8);
  const rows = deflateSync(Buffer.alloc(Math.min(width * 4 + 1, 100_000)));
  return Buffer.concat([
    Buffer.from([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a]),
    chunk('IHDR', header),
    chunk('IDAT', rows),
    chunk('IEND', Buffer.alloc(0)),
  ]);
}

const ENTITIES = Array.from({ length: 9 }, (_, i) => `<!ENTITY l${i + 1} "${`&l${i};`.repeat(10)}">`).join('');

/** Files made to cost their reader much, by what they try. */
export const COSTLY_FILES: Readonly<Record<string, string | Buffer>> = {
  '40 comments that end nowhere': `${'<!-->'.repeat(40)}${'-'.repeat(40)}`,
  'comments before nothing': '<!-- -->'.repeat(40),
  '1,000 comments before a drawing': `${'<!-- -->'.repeat(1000)}${SVG}</svg>`,
  'a comment of 900,000 dashes': `<!--${'- '.repeat(450_000)}`,
  'a declaration that never ends': `<?xml ${'x'.repeat(900_000)}`,
  'a document type that never ends': `<!DOCTYPE svg ${'['.repeat(100_000)}`,
  'entities of entities': `<?xml version="1.0"?><!DOCTYPE svg [<!ENTITY l0 "lol">${ENTITIES}]>${SVG}<text>&l9;</text></svg>`,
  'an entity from a file': `<!DOCTYPE svg [<!ENTITY x SYSTEM "file:///etc/passwd">]>${SVG}<text>&x;</text></svg>`,
  '2,000 groups in each other': nested('g', 2000),
  '60 groups in each other': nested('g', 60),
  '50,000 groups in each other': nested('g', 50_000),
  '40,000 texts in each other': nested('text', 40_000),
  '100,000 paths': many('<path d="M0 0"/>', 60_000),
  '5,000 paths': many('<path d="M0 0h9v9z"/>', 4990),
  'a path of a million characters': `${SVG}<path d="${'M0 0'.repeat(250_000)}"/></svg>`,
  '20,000 attributes': `${SVG}<path ${Array.from({ length: 20_000 }, (_, i) => `a${i}="1"`).join(' ')}/></svg>`,
  'the same attribute 5,000 times': `${SVG}<path ${'d="M0" '.repeat(5000)}/></svg>`,
  'an attribute full of url(': `${SVG}<path fill="${'url('.repeat(200_000)}"/></svg>`,
  '100,000 opening brackets': `${SVG}${'<'.repeat(100_000)}`,
  'half a tag': `${SVG}<path d="${'a'.repeat(800_000)}`,
  'white space, then nothing': ' '.repeat(900_000),
  'white space in a tag': `${SVG}<path${' '.repeat(800_000)}/></svg>`,
  'namespaces without end': `${SVG}${Array.from({ length: 4000 }, (_, i) => `<g xmlns:n${i}="x"/>`).join('')}</svg>`,
  'style after style': many('<style>a{}</style>', 4000),
  'HTML that calls itself a drawing': `${SVG}${'<foreignObject><p><b><i>'.repeat(1200)}`,
  'a text in 900 languages of brackets': `${SVG}<text>${']]>'.repeat(200_000)}</text></svg>`,
  'a picture that claims 60,000 × 60,000': pngClaiming(60_000, 60_000),
  'a picture that claims 6,000 × 6,000 and holds a line': pngClaiming(6000, 6000),
  'a PDF of nothing': `%PDF-1.7\n${'0 0 obj<<>>endobj\n'.repeat(40_000)}`,
  'a container that never ends': Buffer.concat([
    Buffer.from('3026b2758e66cf11a6d900aa0062ce6c', 'hex'),
    Buffer.alloc(64),
    Buffer.from('9107dcb7b7a9cf118ee600c00c205365', 'hex'),
    Buffer.alloc(400_000),
  ]),
};
