import { textPage } from '../document/text-pages';
import { DEVICES } from '~/core/where/where.schema';
import { MOST_SEARCHED } from '~/core/pricing/basis/standing';
import type { CssProblem } from '../document/custom-css';
import type { PieceDefinition } from '../settings/definition';
import { LEAST_CONTRAST } from '~/core/proof';
import { NO_GIFT, type OfferFault } from '~/core/pricing';
import type { Lane } from '../document/lane.schema';
import { pieceName } from '../document/many';
import type { LintFinding } from './lint';
import { wordNeverSeen } from './never-seen';

const CSS_WORDING: Readonly<Record<CssProblem['code'], (text: string) => string>> = {
  syntax: (text) => (text ? `“${text}” cannot be read as CSS.` : 'something is missing here.'),
  'at-rule': (text) => `“${text}” is not allowed here. Write the rules themselves.`,
  outside: (text) => `${text} would load something from elsewhere. Upload the picture and use its /media/ address.`,
  runs: (text) => `“${text}” can run code, and is not allowed.`,
  'reaches-out': (text) => `“${text}” would change the page around the piece. Name a part of the piece.`,
};

const STATE_WORDS = { rest: 'at rest', hover: 'pointed at', focus: 'in focus', pressed: 'pressed' } as const;

const joined = (names: readonly string[]) => new Intl.ListFormat('en').format(names.map((name) => `${name}s`));

/** A problem with a piece's own style rules, with its place. */
export function wordCssProblem({ code, line, column, text }: CssProblem): string {
  return `Line ${line}, column ${column}: ${CSS_WORDING[code](text)}`;
}

const titleOf = (lane: Lane, page: string) =>
  (lane.pages[page] && textPage(lane, lane.pages[page], 'en').title) || page;

/** What is wrong with an offer, as a sentence that says what to do. */
export function wordOfferFault(fault: OfferFault, offers: Lane['offers']): string {
  const named = (id: string) => `The offer “${offers[id]?.name || id}”`;
  switch (fault.code) {
    case 'offer-ends':
      return `${named(fault.offerId)} ends before it begins. Choose a later end.`;
    case 'offer-code':
      return `${named(fault.offerId)} has the same code as “${offers[fault.other]?.name || fault.other}”. Give one of them another.`;
    case 'offer-gift':
      return fault.sku === NO_GIFT
        ? `${named(fault.offerId)} gives nothing yet. Choose the gift.`
        : `${named(fault.offerId)} gives “${fault.sku}”, which is not sold any more. Choose another gift.`;
  }
}

/** What the lint found, as a sentence that says what to do. */
export function wordFinding(finding: LintFinding, lane: Lane, definitions: readonly PieceDefinition[]): string {
  const name = (id: string) => (lane.pieces[id] ? pieceName(lane.pieces[id], definitions) : id);
  const own = finding.pieceId === null ? '' : name(finding.pieceId);
  const definition = definitions.find(({ kind }) => kind === lane.pieces[finding.pieceId ?? '']?.kind);
  const labelOf = (word: string) => definition?.words[word]?.label ?? word;
  const inLanguage = (language: string) =>
    language === lane.shop.languages[0]
      ? ''
      : ` in ${new Intl.DisplayNames(['en'], { type: 'language' }).of(language) ?? language}`;
  const page = 'page' in finding && finding.page !== null ? `The page “${titleOf(lane, finding.page)}”` : own;
  const within = 'category' in finding && finding.category !== null ? `The text of “${finding.category}”` : page;
  switch (finding.code) {
    case 'nobody-sees':
      return wordNeverSeen(finding.why, lane, finding.pieceId, definitions);
    case 'shows-nothing':
      return `${own} has no product to show at the moment. Shoppers read its words for that; choose others under “Which products”.`;
    case 'sells-nothing':
      return finding.sku === ''
        ? `${own} sells nothing yet. Choose its product under Where.`
        : `${own} sells “${finding.sku}”, which is not sold any more. Whoever follows it is told so. Choose another product under Where.`;
    case 'same-moment': {
      const other = name(finding.otherId);
      return `${other} and ${own} both open after an add. Shoppers get ${other.toLowerCase()}; ${own.toLowerCase()} stays closed. Turn “Opens by itself” off, or turn one of them off.`;
    }
    case 'deleted-product':
      return `${own} names the product “${finding.slug}”, which is gone. Remove it under Where.`;
    case 'deleted-category':
      return `${own} names the category “${finding.slug}”, which is gone. Remove it under Where.`;
    case 'deleted-about':
      return `${own} names the ${finding.kind} “${finding.name}”, which is gone. Remove it under Where.`;
    case 'needs-part': {
      const part = definition?.parts[finding.part]?.label ?? finding.part;
      const where = finding.devices.length === DEVICES.length ? '' : ` on ${joined(finding.devices)}`;
      return `${own}: “${part}” is hidden${where}. Without it ${finding.without}.`;
    }
    case 'needs-word':
      return `${own}: the text “${labelOf(finding.word)}” is empty${inLanguage(finding.language)}. Without it ${finding.without}.`;
    case 'placeholder':
      return `${own}: the text “${labelOf(finding.word)}”${inLanguage(finding.language)} says {${finding.placeholder}}, which stands for nothing here. Shoppers would read it as it is.`;
    case 'message':
      return `${own}: the text “${labelOf(finding.word)}”${inLanguage(finding.language)} cannot be read: ${finding.because}. Shoppers would see its braces.`;
    case 'spot-gone':
      return `${own} cannot stand in “${finding.spot}”, and nobody sees it. Choose another under Where.`;
    case 'fact-gone':
      return `${within} says facts of “${finding.name}”, a product that is gone. Shoppers read the words to fall back on.`;
    case 'piece-gone':
      return `${within} names the piece “${finding.name}”, which is off, gone, or does not stand in texts. Nothing is shown there.`;
    case 'faint': {
      const slot = definition?.looks[finding.slot]?.label ?? finding.slot;
      const state = finding.state === 'rest' ? '' : ` while ${STATE_WORDS[finding.state]}`;
      return `${own}: “${slot}”${state} is too faint to read, ${finding.text} on ${finding.ground}: ${finding.ratio.toFixed(1)} : 1 of ${LEAST_CONTRAST} : 1.`;
    }
    case 'note':
      return `${own}: ${finding.text}`;
    case 'many-offers':
      return `${finding.count} offers can apply to one cart at the same time. Only the ${MOST_SEARCHED} that take most are looked at, and prices on your pages show none of them. Turn some off, or give them other dates.`;
    case 'offer-ends':
    case 'offer-code':
    case 'offer-gift':
      return wordOfferFault(finding, lane.offers);
    case 'css':
      return `${own}, own style rules. ${wordCssProblem(finding.problem)}`;
  }
}
