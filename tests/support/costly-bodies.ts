/** A request made to cost the server much. */
export interface CostlyRequest {
  readonly name: string;
  readonly path: string;
  /** Sent as the owner. */
  readonly isOwners?: boolean;
  /** Without one the address is looked at. */
  readonly body?: FormData | string;
  readonly type?: string;
}

const MB = 1024 * 1024;
const FORM = 'application/x-www-form-urlencoded';
const JSON_TYPE = 'application/json';
const fill = (text: string, length: number) => text.repeat(Math.ceil(length / text.length)).slice(0, length);

/** Empty parts of a multipart form (RFC 7578), up to so many bytes. */
function emptyParts(bytes: number, boundary: string): string {
  const part = `--${boundary}\r\ncontent-disposition: form-data; name="a"\r\n\r\n\r\n`;
  return `${fill(part, bytes)}\r\n--${boundary}--\r\n`;
}

function file(path: string, text: string, options: object = {}): Omit<CostlyRequest, 'name'> {
  const body = new FormData();
  body.set('options', JSON.stringify(options));
  body.set('file', new File([text], 'table.csv'));
  return { path, body, isOwners: true };
}
const catalogue = (text: string) => file('/api/studio/imports', text);
const pastOrders = (text: string) => file('/api/studio/suggestions/orders', text);

const rows = (count: number, row: (i: number) => string) => Array.from({ length: count }, (_, i) => row(i)).join('\n');
const HEADINGS = 'Name,SKU,Price';
const headingsOf = (count: number) => Array.from({ length: count }, (_, i) => `choice: c${i}`).join(',');

const TABLES: Readonly<Record<string, () => Omit<CostlyRequest, 'name'>>> = {
  'a table of 4,096 columns': () => catalogue(`${HEADINGS},${headingsOf(4093)}\nA,A,1\n`),
  'a table of 20,000 columns': () => catalogue(`${HEADINGS},${headingsOf(19_997)}\nA,A,1\n`),
  'trailing commas of a spreadsheet': () => catalogue(`${HEADINGS}${','.repeat(4096)}\nA,A,1${','.repeat(4096)}\n`),
  '10 MB of commas': () => catalogue(','.repeat(10 * MB - 1000)),
  '10 MB of line breaks': () => catalogue('\n'.repeat(10 * MB - 1000)),
  '10 MB of quotation marks': () => catalogue('"'.repeat(10 * MB - 1000)),
  '10 MB in one cell': () => catalogue(`${HEADINGS}\n"${'a'.repeat(10 * MB - 1000)}`),
  '10 MB of bytes that are no text': () => catalogue(fill('\u0000\u0001ÿÿ', 6 * MB)),
  'half-closed quotes': () => catalogue(`${HEADINGS}\n${fill('","" ', 6 * MB)}`),
  '500 columns, 7,000 rows': () => catalogue(`${HEADINGS},${headingsOf(497)}\n${rows(7000, () => ','.repeat(499))}`),
  'one product of 25,000 variants': () => catalogue(`${HEADINGS}\n${rows(25_000, (i) => `A,S${i},1.50`)}`),
  '25,000 rows of one SKU': () => catalogue(`${HEADINGS}\n${rows(25_000, () => 'A,S,1.50')}`),
  '25,000 prices that are none': () => catalogue(`${HEADINGS}\n${rows(25_000, (i) => `A${i},S${i},x`)}`),
  '25,000 prices of 200 digits': () =>
    catalogue(`${HEADINGS}\n${rows(25_000, (i) => `A${i},S${i},${'9'.repeat(200)}`)}`),
  '200,000 rows': () => catalogue(`${HEADINGS}\n${rows(200_000, (i) => `A${i},S${i},1`)}`),
  'orders of 20,000 columns': () => pastOrders(`order,sku,${fill('x,', 40_000)}\n1,2\n`),
  'one order of 100,000 rows': () => pastOrders(`order,sku\n${rows(100_000, (i) => `1,S${i}`)}`),
};

const BODIES: Readonly<Record<string, Omit<CostlyRequest, 'name'>>> = {
  'a form of 6 MB of empty parts': {
    path: '/shop/cart',
    body: emptyParts(6 * MB, 'b'),
    type: 'multipart/form-data; boundary=b',
  },
  'a form of 6 MB of empty parts to upload': {
    path: '/api/uploads',
    body: emptyParts(6 * MB, 'b'),
    type: 'multipart/form-data; boundary=b',
  },
  'empty parts under a quoted boundary': {
    path: '/shop/cart',
    body: emptyParts(5 * MB, 'q q'),
    type: 'multipart/form-data; boundary="q q"',
  },
  'one part with 6 MB of headings': {
    path: '/shop/cart',
    body: `--b\r\n${fill('x-a: b\r\n', 6 * MB - 100)}\r\n\r\n--b--\r\n`,
    type: 'multipart/form-data; boundary=b',
  },
  'a form of 6 MB of ampersands': { path: '/shop/cart', body: '&'.repeat(6 * MB - 10), type: FORM },
  'a form of 900 long fields': { path: '/shop/cart', body: fill(`a=${'%41'.repeat(2000)}&`, 5 * MB), type: FORM },
  'a checkout of 1 MB': { path: '/shop/checkout', body: fill('name=a&', MB), type: FORM },
  'a sign-in of 900 kB': { path: '/studio/sign-in', body: `email=${'a'.repeat(900_000)}&password=b`, type: FORM },
  'brackets 100 kB deep': { path: '/api/cart', body: '['.repeat(100_000), type: JSON_TYPE },
  '100 kB of numbers': { path: '/api/cart', body: `[${fill('1e308,', 100_000)}1]`, type: JSON_TYPE },
  'one key 10,000 times': { path: '/api/cart/many', body: `{${fill('"items":1,', 100_000)}"a":1}`, type: JSON_TYPE },
  'events of 120 kB': { path: '/api/events', body: `{"events":[${fill('{},', 120_000)}{}]}`, type: JSON_TYPE },
  'an order of 120 kB': { path: '/api/orders', body: `{"form":"${'a'.repeat(120_000)}"}`, type: JSON_TYPE },
  'links seen, 100 kB': {
    path: '/api/seen',
    body: `{"path":"/","links":[${fill('"a",', 100_000)}"a"]}`,
    type: JSON_TYPE,
  },
};

const PAGES: Readonly<Record<string, string>> = {
  'a search of 100 quotation marks': `/shop/search?q=${'%22'.repeat(100)}`,
  'a search of 50 stars': `/shop/search?q=${'a*+'.repeat(33)}`,
  'the last of all pages': '/shop/all?page=100000&from=0.01&to=99999999&stock=1',
  'a listing with 400 filters': `/shop/all?${'a:Sail=x&'.repeat(400)}`,
  'suggestions near 4,000 letters': `/api/suggestions?near=${fill('heron+', 4000)}`,
  'an address of 16,000 letters': `/shop/all?q=${'a'.repeat(16_000)}`,
  'a link with 300 answers': `/shop/buy?sku=S&${'o:a=b&'.repeat(300)}`,
};

/** Texts that take a reader of Markdown (CommonMark) long. */
export const COSTLY_TEXTS: readonly string[] = [
  fill('*a_ ', 16_000),
  fill('*a_ ', 40_000),
  fill('> ', 40_000),
  fill('[a](', 40_000),
  fill('![', 40_000),
  rows(200, (i) => `${' '.repeat(2 * i)}- a`).slice(0, 40_000),
];

/** Every request, made one at a time: some are large. `textPages`: addresses of pages with the costly texts. */
export function* costlyRequests(textPages: readonly string[]): Generator<CostlyRequest> {
  for (const [name, make] of Object.entries(TABLES)) yield { name, ...make() };
  for (const [name, request] of Object.entries(BODIES)) yield { name, ...request };
  for (const [name, path] of Object.entries(PAGES)) yield { name, path };
  for (const [i, path] of textPages.entries()) yield { name: `costly text ${i + 1}`, path };
}
