/** Deeper than anything we send: a lane document has nine levels. */
const MOST_DEPTH = 40;

/**
 * Reads JSON (RFC 8259) of limited depth, which recursive code can follow, and without NUL characters, where databases and
 * files would cut texts off. Undefined: it is not such JSON.
 */
export function parseJson(text: string): unknown {
  if (depthOf(text) > MOST_DEPTH || /\\u0000|\0/.test(text)) return undefined;
  try {
    return JSON.parse(text) as unknown;
  } catch {
    return undefined;
  }
}

/** How deep brackets are nested, outside of strings. Read once, no further than needed. */
function depthOf(text: string): number {
  let [depth, deepest, isText] = [0, 0, false];
  for (let i = 0; i < text.length && deepest <= MOST_DEPTH; i += 1) {
    const mark = text.charCodeAt(i);
    if (isText) {
      if (mark === 0x5c) i += 1;
      else if (mark === 0x22) isText = false;
    } else if (mark === 0x22) isText = true;
    else if (mark === 0x7b || mark === 0x5b) deepest = Math.max(deepest, (depth += 1));
    else if (mark === 0x7d || mark === 0x5d) depth -= 1;
  }
  return deepest;
}
