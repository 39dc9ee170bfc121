import type { LaneChange } from '~/core/lane';

/** As much of a text as stands in a sentence. */
const MOST_QUOTED = 60;

/** What of a text is quoted: all of a short one, of a long one what begins a little before place `from`. */
function quote(text: string, from = 0): string {
  const plain = text.replaceAll(/\s+/g, ' ');
  const start = plain.length <= MOST_QUOTED ? 0 : Math.max(0, Math.min(from - 20, plain.length - MOST_QUOTED));
  const end = start + MOST_QUOTED;
  return `“${start > 0 ? '…' : ''}${plain.slice(start, end)}${end < plain.length ? '…' : ''}”`;
}

/** Both texts where they begin to differ. */
function insteadOf({ to, from }: { readonly to: string; readonly from: string }): string {
  const [now, before] = [to, from].map((text) => text.replaceAll(/\s+/g, ' '));
  let at = 0;
  while (at < now!.length && now![at] === before![at]) at += 1;
  return `${quote(to, at)} instead of ${quote(from, at)}`;
}

/** A difference as a plain sentence, without the name of its piece. */
export function wordChange(change: LaneChange): string {
  switch (change.code) {
    case 'piece-on':
      return 'Is turned on.';
    case 'piece-off':
      return 'Is turned off.';
    case 'piece-added':
      return 'Is new.';
    case 'piece-removed':
      return 'Is taken away.';
    case 'css':
      return 'Its own style rules are changed.';
    case 'setting':
      return `${change.what}: ${change.to} instead of ${change.from}.`;
    case 'word':
      return `${change.what}: ${insteadOf(change)}`;
    case 'shop':
      return `${change.what}: ${insteadOf(change)}.`;
    case 'offer':
      if (change.from === 'none') return `The offer ${quote(change.what)} is new.`;
      if (change.to === 'none') return `The offer ${quote(change.what)} is taken away.`;
      return `The offer ${quote(change.what)} was changed.`;
    case 'part-on':
      return `${change.what}: now shown.`;
    case 'part-off':
      return `${change.what}: no longer shown.`;
    case 'part-devices':
      return `${change.what}: ${change.hiddenOn.length === 0 ? 'shown on every device' : `hidden on ${change.hiddenOn.map((device) => `${device}s`).join(' and ')}`}.`;
    case 'part-moved':
      return change.after === null ? `${change.what}: comes first.` : `${change.what}: comes after ${change.after}.`;
    case 'where':
      if (change.what === 'order')
        return `Stands ${Number(change.to) < Number(change.from) ? 'earlier' : 'later'} among the pieces of its place.`;
      if (change.what === 'spot') return `Stands at: ${change.to} instead of ${change.from}.`;
      return `Shown on ${change.what}: ${change.to} instead of ${change.from}.`;
    case 'look':
      return `${change.what}, ${change.property.toLowerCase()}${change.state === 'rest' ? '' : ` (${change.state})`}: ${change.to} instead of ${change.from}.`;
  }
}
