import { useState } from 'react';
import { LETTERS } from '~/core/limits';
import { LEGAL_NAMES, LEGAL_PAGES } from '~/core/lane';
import { directionOf } from '~/core/words';
import { TextField } from '~/studio/fields/fields';
import { LanguageChoice } from '~/studio/fields/language-choice';
import type { SectionProps } from './section';

/** Texts the law asks for. Each that is filled in is a page, linked in the footer. */
export function LegalSection({ lane, change }: SectionProps) {
  const [language, setLanguage] = useState(lane.shop.languages[0]!);
  return (
    <>
      <p className="help">
        Each text becomes a page, linked at the foot of every page of the shop. An empty line begins a paragraph. We
        cannot tell you what the law of your country asks for.
      </p>
      <LanguageChoice languages={lane.shop.languages} value={language} onChange={setLanguage} />
      {LEGAL_PAGES.map((page) => (
        <TextField
          key={`${page} ${language}`}
          label={LEGAL_NAMES[page]}
          rows={6}
          dir={directionOf(language)}
          maxLength={LETTERS.pageText}
          value={lane.legal[language]?.[page] ?? ''}
          onChange={(text) =>
            change((draft) => {
              (draft.legal[language] ??= {})[page] = text;
            }, `legal ${language} ${page}`)
          }
        />
      ))}
    </>
  );
}
