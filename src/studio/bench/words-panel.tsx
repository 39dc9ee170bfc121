import { checkMessage } from '~/core/words/check-message';
import { MOST_RICH, resolveWords } from '~/core/lane';
import { directionOf } from '~/core/words';
import type { CartNaming } from '~/core/words';
import { RichField } from '../text/rich-field';
import { Row } from '~/studio/fields/controls';
import { LanguageChoice } from '~/studio/fields/language-choice';
import type { PanelProps } from './panel';

/** Characters that fit in a row of a field. */
const ROW = 28;

interface Props extends PanelProps {
  readonly language: string;
  /** Those the shop speaks. */
  readonly languages: readonly string[];
  readonly onLanguage: (language: string) => void;
  /** What the shop calls its cart. */
  readonly cart: CartNaming;
  readonly editWord: (word: string, text: string) => void;
}

/** What is wrong with the braces of a text; null when nothing is. */
function problemOf(text: string): string | null {
  const read = checkMessage(text);
  return read.ok ? null : `This cannot be read: ${read.because}.`;
}

/** Every text shoppers read. A text can also be edited in the preview, by pressing it twice. */
export function WordsPanel({ piece, definition, part, edit, language, languages, onLanguage, cart, editWord }: Props) {
  const entries = Object.entries(definition.words).filter(([, spec]) => part === null || spec.part === part);
  const all = entries.length > 0 ? entries : Object.entries(definition.words);
  const texts = resolveWords(definition, piece, language, cart);
  const plain = resolveWords(definition, { ...piece, words: {} }, language, cart);
  return (
    <>
      <header>
        <h2>
          {part === null || entries.length === 0
            ? 'All words'
            : `Words of ${definition.parts[part]?.label.toLowerCase()}`}
        </h2>
        <p className="help">Or press a text in the preview twice.</p>
      </header>
      <LanguageChoice languages={languages} value={language} onChange={onLanguage} />
      {all
        .filter(([, spec]) => spec.isRich)
        .map(([key, spec]) => (
          <RichField
            key={`${key} ${language}`}
            label={spec.label}
            help={spec.help}
            most={MOST_RICH}
            dir={directionOf(language)}
            value={texts[key]!}
            onChange={(text) => editWord(key, text)}
          />
        ))}
      {all
        .filter(([, spec]) => !spec.isRich)
        .map(([key, spec]) => (
          <Row
            key={key}
            label={spec.label}
            help={spec.help}
            changed={texts[key] !== plain[key]}
            onReset={() =>
              edit((draft) => {
                delete draft.words[language]?.[key];
              })
            }
          >
            <textarea
              className="field resize-none"
              rows={Math.min(4, Math.ceil((texts[key]!.length + 1) / ROW))}
              aria-label={spec.label}
              dir={language === 'ar' ? 'rtl' : 'ltr'}
              maxLength={300}
              value={texts[key]}
              aria-invalid={problemOf(texts[key]!) ? true : undefined}
              onChange={(event) => editWord(key, event.target.value.replaceAll('\n', ' '))}
            />
            {problemOf(texts[key]!) && (
              <p role="alert" className="help !text-brick">
                {problemOf(texts[key]!)}
              </p>
            )}
          </Row>
        ))}
    </>
  );
}
