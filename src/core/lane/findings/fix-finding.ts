import { LEAST_CONTRAST, nearestPassing } from '~/core/proof';
import type { LintFinding } from './lint';
import type { Lane } from '../document/lane.schema';

/** What one press would do about a finding. */
export interface Fix {
  /** On the button. */
  readonly label: string;
  readonly change: (lane: Lane) => void;
}

/** The change that mends a finding without side effects; null when the owner must choose. */
export function fixFinding(finding: LintFinding): Fix | null {
  switch (finding.code) {
    case 'needs-part': {
      const { pieceId, part: wanted } = finding;
      return {
        label: 'Show it again',
        change: (lane) => {
          const part = lane.pieces[pieceId]?.parts.find(({ key }) => key === wanted);
          if (part) Object.assign(part, { on: true, hideOn: [] });
        },
      };
    }
    case 'needs-word':
    case 'message':
    case 'placeholder': {
      const { pieceId, language, word } = finding;
      return {
        label: 'Use the usual text',
        change: (lane) => {
          delete lane.pieces[pieceId]?.words[language]?.[word];
        },
      };
    }
    case 'faint': {
      const { pieceId, slot, state, text, ground } = finding;
      const colour = nearestPassing(text, ground, LEAST_CONTRAST);
      if (colour === null) return null;
      return {
        label: `Use ${colour}`,
        change: (lane) => {
          const slots = lane.pieces[pieceId]?.look.slots;
          if (slots) ((slots[slot] ??= {})[state] ??= {})['text'] = colour;
        },
      };
    }
    case 'nobody-sees': {
      const { pieceId } = finding;
      return {
        label: 'Turn it off',
        change: (lane) => {
          const piece = lane.pieces[pieceId];
          if (piece) piece.on = false;
        },
      };
    }
    default:
      return null;
  }
}
