import { currencyOf } from '~/core/money';
import { MEDIA_OF } from '~/core/where';
import type { CartNaming } from '~/core/words';
import { readCustomCss } from '../document/custom-css';
import { defaultWhere, type PieceDefinition } from '../settings/definition';
import type { Lane, Piece, Theme } from '../document/lane.schema';
import { FONTS, type Font } from '../settings/fonts';
import { localeFor } from '../grounds/locale-for';
import type { Manifest, ManifestPiece } from './manifest';
import { resolveWords } from '../document/resolve';
import { resolveShopWords } from '~/core/words/shop-words';
import { netNote } from './tax-note';
import {
  LOOK_PROPERTIES,
  LOOK_STATES,
  type LookProperty,
  type LookRules,
  type LookState,
  type LookValue,
} from '../settings/setting';

const SELECTOR_OF: Readonly<Record<LookState, string>> = {
  rest: '',
  hover: ':is(:hover,[data-force=hover])',
  focus: ':is(:focus-visible,[data-force=focus])',
  pressed: ':is(:active,[data-force=pressed])',
};

/** Compiles a lane for shoppers. `language` is ISO 639-1. Off pieces are left out. */
export function compileManifest(
  lane: Lane,
  definitions: readonly PieceDefinition[],
  revision: number,
  language = 'en',
): Manifest {
  const note = netNote(lane, language);
  const pieces = Object.entries(lane.pieces).flatMap(([id, piece]): ManifestPiece[] => {
    const definition = definitions.find((candidate) => candidate.kind === piece.kind);
    if (!definition || !(piece.on || definition.isAlwaysOn)) return [];
    const compiled = compilePiece({ id, piece, definition }, language, lane.shop.cart);
    return [note === null ? compiled : { ...compiled, words: noteNet(compiled.words, definition, note) }];
  });
  const rank = (piece: ManifestPiece) => definitions.find(({ kind }) => kind === piece.kind)?.openRank ?? 0;
  return {
    revision,
    language,
    locale: localeFor(lane.shop, language),
    timeZone: lane.shop.timeZone,
    currency: currencyOf(lane.shop.currency),
    themeCss: themeCss(lane.theme, ':host'),
    offline: resolveShopWords(lane, language).offline,
    pieces: pieces.sort((a, b) => rank(a) - rank(b) || a.where.order - b.where.order),
  };
}

function noteNet(words: ManifestPiece['words'], { priceWords = [] }: PieceDefinition, note: string) {
  const noted = priceWords.map((word) => [word, [words[word], note].filter(Boolean).join(', ')]);
  return { ...words, ...(Object.fromEntries(noted) as ManifestPiece['words']) };
}

/** One piece as shoppers get it. */
export function compilePiece(
  { id, piece, definition }: { readonly id: string; readonly piece: Piece; readonly definition: PieceDefinition },
  language: string,
  cart: CartNaming,
): ManifestPiece {
  return {
    id,
    kind: piece.kind,
    role: definition.role,
    elsewhere: definition.elsewhere,
    where: definition.isAlwaysOn ? defaultWhere(definition) : piece.where,
    judges: definition.judges ?? 'page',
    opensOn: definition.opensOn(piece.settings),
    settings: piece.settings,
    parts: piece.parts.filter((part) => part.on).map(({ key, hideOn }) => ({ key, hideOn })),
    words: resolveWords(definition, piece, language, cart),
    css: compileCss(piece, definition),
  };
}

/** The theme as custom properties, `--pl-accent` and so on. */
export function themeCss(theme: Theme, selector: string): string {
  const { radiusPx, font, ...colours } = theme;
  const lines = Object.entries(colours).map(([token, colour]) => `${cssToken(token)}:${colour}`);
  return `${selector}{${[...lines, `--pl-radius:${radiusPx}px`, `--pl-font:${FONTS[font].css}`].join(';')}}`;
}

function compileCss(piece: Piece, definition: PieceDefinition): string {
  const rules: string[] = [];
  for (const [key, slot] of Object.entries(definition.looks)) {
    for (const state of LOOK_STATES) {
      const own = piece.look.slots[key]?.[state];
      const merged: LookRules = { ...slot.inherits[state], ...own };
      const lines = Object.entries(merged).map(([property, value]) => declaration(property as LookProperty, value));
      // Corners that an owner sets are those of all that lies in it.
      if (own?.radius !== undefined) lines.push(`--pl-radius:${own.radius}px`);
      if (lines.length > 0) rules.push(`[data-slot=${key}]${SELECTOR_OF[state]}{${lines.join(';')}}`);
    }
  }
  // What the server draws is right on every device from the first paint, and where no script runs.
  for (const { key, on, hideOn } of piece.parts)
    for (const device of on ? hideOn : [])
      rules.push(`@media ${MEDIA_OF[device]}{[data-part=${key}]{display:none!important}}`);
  return rules.join('') + readCustomCss(piece.look.css).css;
}

function declaration(property: LookProperty, value: LookValue): string {
  const css = LOOK_PROPERTIES[property].css;
  // Text grows with the size the shopper reads at; corners do not.
  if (typeof value === 'number') {
    if (property === 'borderWidth') return `border-style:solid;${css}:${value}px`;
    return property === 'size' ? `${css}:${value / 16}rem` : `${css}:${value}px`;
  }
  if (property === 'family') return `${css}:${FONTS[value as Font].css}`;
  return `${css}:${value.startsWith('token:') ? `var(${cssToken(value.slice(6))})` : value}`;
}

function cssToken(token: string): string {
  return `--pl-${token.replace(/[A-Z]/g, (letter) => `-${letter.toLowerCase()}`)}`;
}
