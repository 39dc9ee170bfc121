import { ok, type Result } from '~/core/problems';
import { laneTexts, readLane, writeLaneText, type Lane, type PieceDefinition } from '~/core/lane';
import { translationProblems } from '~/core/lane/texts/translation-problems';
import { readPo, writePo } from './po';

/** What a file of translations makes of a lane. */
export interface Translated {
  readonly lane: Lane;
  readonly language: string;
  /** Texts of the file that stand nowhere in this lane, or were translated from another source. */
  readonly unknown: readonly string[];
  readonly otherSource: readonly string[];
}

/** All texts of a lane in a language as a PO file. */
export function exportTexts(lane: Lane, definitions: readonly PieceDefinition[], language: string): string {
  const texts = laneTexts({ lane, definitions, language })
    .filter(({ source, target }) => source !== '' || target !== '')
    .map(({ key, group, label, help, source, target }) => ({
      key,
      source,
      target,
      note: [`${group}: ${label}`, help].filter(Boolean).join('. '),
    }));
  return writePo({ language, texts });
}

/** Reads a PO file into a lane. One text that cannot be read refuses the whole file, and each such text is named. */
export function importTexts(lane: Lane, definitions: readonly PieceDefinition[], file: string): Result<Translated> {
  const read = readPo(file);
  if (!read.ok) return read;
  const { language, texts } = read.value;
  const [first] = lane.shop.languages;
  if (!lane.shop.languages.includes(language) || language === first) {
    const spoken = lane.shop.languages.slice(1).join(', ') || 'none';
    return {
      ok: false,
      problems: [{ path: 'file', code: 'po-language', facts: { found: language || 'none', spoken } }],
    };
  }
  const known = new Map(laneTexts({ lane, definitions, language }).map((text) => [text.key, text]));
  const changed = texts.flatMap(({ key, source, target }) => {
    const text = known.get(key);
    return text && target !== '' && target !== text.target ? [{ text, source, target }] : [];
  });
  const problems = changed.flatMap(({ text, target }) => translationProblems(text, target));
  if (problems.length > 0) return { ok: false, problems };
  const next = structuredClone(lane);
  for (const { text, target } of changed) writeLaneText(next, text.key, language, target);
  const whole = readLane(next, definitions);
  if (!whole.ok) return whole;
  return ok({
    lane: whole.value,
    language,
    unknown: texts.filter(({ key, target }) => target !== '' && !known.has(key)).map(({ key }) => key),
    otherSource: changed
      .filter(({ text, source }) => text.source !== source)
      .map(({ text }) => `${text.group}: ${text.label}`),
  });
}
