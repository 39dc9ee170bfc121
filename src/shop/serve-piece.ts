import { themeCss, type ManifestPiece, type Role } from '~/core/lane';
import { formatMoney } from '~/core/money';
import { BASE_CSS } from '~/runtime/kit/shadow';
import type { App } from '~/services/app';
import { liveLane, liveManifest, type LiveLane } from '~/services/lane/live-lane';
import { styleHtml } from './style-html';

/** The live piece of those that every shop has, by what it is there for, as the runtime would get it. */
export async function alwaysOnPiece<Piece extends ManifestPiece>(
  app: App,
  role: Role,
  language: string,
): Promise<{ piece: Piece; live: LiveLane; money: (amountMinor: number) => string }> {
  const live = await liveLane(app);
  const { pieces, locale } = liveManifest(live, language);
  const piece = pieces.find((candidate) => candidate.role === role);
  if (!piece) throw new Error(`The lane has no ${role}`);
  const money = (amount: number) => formatMoney(amount, live.currency, locale);
  return { piece: piece as Piece, live, money };
}

interface Drawn {
  readonly piece: ManifestPiece;
  readonly live: LiveLane;
  readonly css: string;
  /** The component's own HTML. */
  readonly drawn: string;
  /** What it was drawn from: the runtime begins with the same, and goes on from there. */
  readonly given: object;
}

/** A piece drawn by the server into a shadow root of its own (declarative, so that it stands without script). */
export function shadowHtml({ piece, live, css, drawn, given }: Drawn): string {
  // The runtime goes on with the first of the two; the second, which the owner may be changing, it has itself.
  const style = styleHtml(BASE_CSS + css) + styleHtml(themeCss(live.lane.theme, ':host') + piece.css);
  const json = JSON.stringify({ piece, ...given }).replaceAll('<', '\\u003c');
  return `<template shadowrootmode="open">${style}<div data-inside>${drawn}</div></template><script type="application/json">${json}</script>`;
}
