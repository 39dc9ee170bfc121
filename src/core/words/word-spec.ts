export interface Described {
  readonly label: string;
  /** One line, shown under the label. */
  readonly help: string;
}

/** A text shoppers read. English is always there; a language without its own falls back to it. */
export interface WordSpec extends Described {
  readonly part?: string;
  /** A text with paragraphs and marks (Markdown), as long as `MOST_RICH`; else a line. */
  readonly isRich?: true;
  readonly default: Readonly<{ en: string } & Partial<Record<string, string>>>;
}

/** Words in the languages the demo shop speaks. */
export const say = (en: string, de: string, ar: string) => ({ en, de, ar });
