import type { LaneChange } from './lane-change';
import type { Lane, Piece } from '../document/lane.schema';

type Tree = Record<string, unknown>;

/** Puts one place of a draft back to what is live, and leaves every other change as it is. Changes `draft`. */
export function dropChange(draft: Lane, live: Lane, { at }: Pick<LaneChange, 'at'>): void {
  const [room, key = '', field, part = '', what] = at;
  if (room === 'pieces' && field === 'parts') {
    const [own, other] = [draft.pieces[key], live.pieces[key]];
    if (own && other) dropPart(own, other, part, what);
    return;
  }
  put(draft, live, at);
}

/** Copies the value at a place of the document, or removes it where the other has none. */
function put(place: object, live: object, [step, ...rest]: readonly string[]): void {
  if (step === undefined) return;
  const [into, from] = [place as Tree, live as Tree];
  const theirs = from[step];
  if (rest.length === 0) {
    if (theirs === undefined) delete into[step];
    else into[step] = structuredClone(theirs);
    return;
  }
  if (typeof into[step] !== 'object' || into[step] === null) into[step] = {};
  put(into[step] as object, (theirs ?? {}) as object, rest);
  // What holds nothing any more, and is not there in the other, was made for what is dropped.
  if (theirs === undefined && Object.keys(into[step] as object).length === 0) delete into[step];
}

function dropPart(own: Piece, live: Piece, key: string, what: string | undefined): void {
  const [part, old] = [own.parts.find((one) => one.key === key), live.parts.find((one) => one.key === key)];
  if (!part || !old) return;
  if (what === 'on') part.on = old.on;
  else if (what === 'hideOn') part.hideOn = [...old.hideOn];
  else {
    // Behind the nearest part that it followed, or to the front.
    const others = own.parts.filter((one) => one !== part);
    const before = live.parts.slice(0, live.parts.indexOf(old)).reverse();
    const behind = before.map((one) => others.findIndex((other) => other.key === one.key)).find((i) => i >= 0) ?? -1;
    own.parts = [...others.slice(0, behind + 1), part, ...others.slice(behind + 1)];
  }
}
