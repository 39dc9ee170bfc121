const LONGEST = 500;

export type Node = Readonly<Record<string, unknown>>;

export const isNode = (value: unknown): value is Node =>
  typeof value === 'object' && value !== null && !Array.isArray(value);
export const listOf = (value: unknown): readonly unknown[] =>
  Array.isArray(value) ? value : value === undefined ? [] : [value];
export const textOf = (value: unknown, longest = LONGEST): string =>
  (typeof value === 'string' || typeof value === 'number' ? String(value) : '').trim().slice(0, longest);

export const isA = (node: Node, type: string) =>
  listOf(node['@type']).some((own) => textOf(own).replace(/^https?:\/\/schema\.org\//, '') === type);

/** Every node of a JSON-LD document, lists and what the keys hold included; no more than so many. */
function nodesOf(document: unknown, keys: readonly string[], most: number): Node[] {
  const found: Node[] = [];
  const waiting: unknown[] = [document];
  for (let at = 0; at < waiting.length && found.length < most; at += 1) {
    const next = waiting[at];
    if (Array.isArray(next)) waiting.push(...(next as unknown[]).slice(0, most));
    else if (isNode(next)) {
      found.push(next);
      for (const key of keys) waiting.push(...listOf(next[key]));
    }
  }
  return found;
}

function parse(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return null;
  }
}

/** A picture is given as an address, a list or an object. */
export const picturesOf = (value: unknown): string[] =>
  listOf(value)
    .map((one) => (isNode(one) ? textOf(one['url'] ?? one['contentUrl']) : textOf(one)))
    .filter((address) => address !== '');

/** What a page says in JSON-LD (W3C JSON-LD 1.1, embedded in HTML), looked for under some keys. */
export function jsonLdNodes(
  page: ParentNode,
  keys: readonly string[],
  /** Of blocks on the page, and of things in one. */
  { blocks = 50, nodes = 2000 } = {},
): Node[] {
  return [...page.querySelectorAll('script[type="application/ld+json"]')]
    .slice(0, blocks)
    .flatMap((block) => nodesOf(parse(block.textContent ?? ''), keys, nodes));
}
