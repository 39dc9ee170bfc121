import { useState } from 'react';
import { resolveShopWords, SHOP_WORDS, type ShopWord, type WordSpec } from '~/core/words';
import { directionOf } from '~/core/words';
import { Row } from '~/studio/fields/controls';
import { CartName } from './cart-name';
import { LanguageChoice } from '~/studio/fields/language-choice';
import type { SectionProps } from './section';

const WORDS = Object.entries(SHOP_WORDS) as [ShopWord, WordSpec][];
/** Characters that fit in a row of a field. */
const ROW = 52;

/** The words of the shop's own pages, in every language it offers. */
export function WordsSection({ lane, change }: SectionProps) {
  const [language, setLanguage] = useState(lane.shop.languages[0]!);
  const [wanted, setWanted] = useState('');
  const words = resolveShopWords(lane, language);
  const shipped = resolveShopWords({ ...lane, shopWords: {} }, language);
  const found = WORDS.filter(([key, spec]) =>
    `${spec.label} ${spec.help} ${words[key]}`.toLowerCase().includes(wanted.toLowerCase().trim()),
  );
  return (
    <>
      <p className="help">
        What header, listings, product pages and receipts say. Words of a piece, such as the cart panel, are shaped with
        that piece. <a href="/studio/words">All texts in every language, side by side</a>.
      </p>
      <CartName lane={lane} change={change} />
      <LanguageChoice languages={lane.shop.languages} value={language} onChange={setLanguage} />
      <input
        className="field"
        type="search"
        aria-label="Find words"
        placeholder="Find words: cart, sold out, delivery …"
        value={wanted}
        onChange={(event) => setWanted(event.target.value)}
      />
      {found.length === 0 && <p className="help">No words found. Try a shorter one.</p>}
      {found.map(([key, spec]) => (
        <Row
          key={key}
          label={spec.label}
          help={spec.help}
          changed={words[key] !== shipped[key]}
          onReset={() =>
            change((draft) => {
              delete draft.shopWords[language]?.[key];
            })
          }
        >
          <textarea
            className="field resize-none"
            rows={Math.min(5, Math.ceil((words[key].length + 1) / ROW))}
            aria-label={spec.label}
            dir={directionOf(language)}
            maxLength={400}
            value={words[key]}
            onChange={({ target: { value } }) =>
              change((draft) => {
                (draft.shopWords[language] ??= {})[key] = value.replaceAll('\n', ' ');
              }, `shop word ${language} ${key}`)
            }
          />
        </Row>
      ))}
    </>
  );
}
