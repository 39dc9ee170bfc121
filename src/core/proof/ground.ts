import { blend, formatHex, parse } from 'culori';

/** Grounds that lie on each other, the topmost first, as one opaque #rrggbb; below the last one is white. */
export function layered(grounds: readonly string[]): string {
  const colours = grounds.map((ground) => parse(ground)).filter((colour) => colour !== undefined);
  return formatHex(blend(['#ffffff', ...colours.reverse()], 'normal', 'rgb'));
}
