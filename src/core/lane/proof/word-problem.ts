import { assertNever } from '~/core/problems';
import type { PlaceInPiece, ProofProblem } from '~/core/proof';
import type { Lane } from '../document/lane.schema';
import { pieceName } from '../document/many';
import type { PieceDefinition } from '../settings/definition';

/** How a person would call what was measured: by its own text, else by the part or the piece it is of. */
function nameOf(
  { called, pieceId, part, slot }: PlaceInPiece,
  lane: Lane,
  definitions: readonly PieceDefinition[],
): string {
  if (called !== '') return `“${called}”`;
  const piece = lane.pieces[pieceId];
  const definition = definitions.find(({ kind }) => kind === piece?.kind);
  const label = definition?.parts[part ?? '']?.label ?? definition?.looks[slot ?? '']?.label;
  if (label !== undefined) return `“${label}”`;
  return piece ? pieceName(piece, definitions) : 'Something on the page';
}

const languageName = (code: string): string => new Intl.DisplayNames(['en'], { type: 'language' }).of(code) ?? code;

/** What a problem is, as a heading and a sentence with what was measured. */
export function wordProofProblem(
  problem: ProofProblem,
  lane: Lane,
  definitions: readonly PieceDefinition[],
): { heading: string; sentence: string } {
  const name = nameOf(problem.at, lane, definitions);
  switch (problem.check) {
    case 'faint':
      return {
        heading: `${name} is hard to read`,
        sentence: `${problem.colour} on ${problem.ground} is ${problem.ratio.toFixed(1)} : 1. It takes ${problem.wanted} : 1.`,
      };
    case 'cut':
      return {
        heading: `${name} is cut off`,
        sentence: `${problem.hiddenPx} px of it cannot be seen, however one scrolls.`,
      };
    case 'sticks-out':
      return {
        heading: `${name} does not fit`,
        sentence: `It is ${problem.byPx} px larger than the button or field it stands in.`,
      };
    case 'narrow':
      return {
        heading: `${name} is broken into letters`,
        sentence: `Its ${problem.letters} letters stand on ${problem.lines} lines.`,
      };
    case 'small':
      return {
        heading: `${name} is too small to press`,
        sentence: `It is ${problem.widthPx} × ${problem.heightPx} px, with others close to it. It takes 24 × 24 px.`,
      };
    case 'covered':
      return {
        heading: `${name} is covered`,
        sentence: `${nameOf({ ...problem.by, called: '' }, lane, definitions)} lies over it, wherever the page is scrolled to. Nobody can order there.`,
      };
    case 'no-close':
      return { heading: `${name} cannot be closed`, sentence: 'Nothing in sight closes it.' };
    case 'several':
      return {
        heading: 'Several things open at once',
        sentence: `${[problem.at, ...problem.others].map((at) => nameOf({ ...at, called: '' }, lane, definitions)).join(', ')} lie over the page at one moment.`,
      };
    case 'unnamed':
      return { heading: `${name} has no name`, sentence: 'A screen reader cannot say what it is for.' };
    case 'sideways':
      return {
        heading: `${problem.at.pieceId === '' ? 'The page' : name} is wider than its window`,
        sentence: `Shoppers have to scroll sideways by ${problem.byPx} px.`,
      };
    case 'unmarked':
      return {
        heading: `${name} is hard to see`,
        sentence: `Its ${problem.what === 'edge' ? 'edge' : 'drawing'} is ${problem.colour} on ${problem.ground}, ${problem.ratio.toFixed(1)} : 1. It takes ${problem.wanted} : 1.`,
      };
    case 'unseen-focus':
      return {
        heading: `${name} does not show its focus`,
        sentence: `What changes in focus stands out by ${problem.ratio.toFixed(1)} : 1. It takes ${problem.wanted} : 1, or nobody at a keyboard knows where they are.`,
      };
    case 'holds-tab':
      return { heading: `${name} holds the Tab key`, sentence: 'Whoever goes by keyboard does not get out of it.' };
    case 'unannounced':
      return {
        heading: `${name} is not announced`,
        sentence: 'It opens beside the page, and a screen reader says nothing of it.',
      };
    case 'shifts':
      return {
        heading: `${name} jumps`,
        sentence: `It moves by ${problem.byPx} px when a picture has come. A press on its way there misses.`,
      };
    case 'dead':
      return {
        heading: `${name} does nothing`,
        sentence:
          problem.why === 'takes-no-press' ? 'It looks like a control and takes no press.' : 'It leads to nowhere.',
      };
    case 'untranslated':
      return {
        heading: `${name} is not translated`,
        sentence: `It reads the same in ${languageName(problem.language)} as in the language of the shop.`,
      };
    case 'differs':
      return {
        heading: `${name} differs from another place`,
        sentence: `It says ${problem.text}, and ${nameOf({ ...problem.by, called: '' }, lane, definitions)} says ${problem.other}.`,
      };
    case 'moves':
      return {
        heading: `${name} moves`,
        sentence: 'It does so for shoppers who asked their device for no motion, too.',
      };
    default:
      return assertNever(problem);
  }
}
