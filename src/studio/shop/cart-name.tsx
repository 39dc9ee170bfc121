import { useState } from 'react';
import { LETTERS } from '~/core/limits';
import { renamedSentences, type Lane } from '~/core/lane';
import { CART_KINDS, directionOf, fill, type CartKind, type Gender } from '~/core/words';
import { definitions } from '~/pieces/definitions';
import { Segmented } from '~/studio/fields/segmented';
import { TextField } from '~/studio/fields/fields';
import type { SectionProps } from './section';

const LABELS: Readonly<Record<CartKind, string>> = {
  cart: 'Cart',
  bag: 'Bag',
  basket: 'Basket',
  own: 'A word of your own',
};
/** So that a text with a number in it reads as shoppers would. */
const EXAMPLE = { count: 2 };
const GENDERS: Readonly<Record<Gender, string>> = { m: 'der', f: 'die', n: 'das' };

/** What the cart is called, everywhere and in every language, with every sentence that changes. */
export function CartName({ lane, change }: SectionProps) {
  const { cart, languages } = lane.shop;
  const [isOpen, setOpen] = useState(false);
  const edit = (recipe: (cart: Lane['shop']['cart']) => void, key?: string) =>
    change((draft) => recipe(draft.shop.cart), key);
  const names = new Intl.DisplayNames(['en'], { type: 'language' });
  const renamed = languages.map((language) => ({
    language,
    sentences: renamedSentences(lane, definitions, language, cart),
  }));
  const count = renamed.reduce((sum, { sentences }) => sum + sentences.length, 0);
  return (
    <section aria-label="What the cart is called" className="panel flex flex-col gap-3 px-3 py-3">
      <div>
        <h3 className="font-semibold">What the cart is called</h3>
        <p className="help">One press changes it on every page, in every piece, mail and message, in all languages.</p>
      </div>
      <Segmented
        label="What the cart is called"
        options={Object.fromEntries(CART_KINDS.map((kind) => [kind, LABELS[kind]])) as Record<CartKind, string>}
        value={cart.kind}
        onChange={(kind) => edit((draft) => void (draft.kind = kind))}
      />
      {cart.kind === 'own' &&
        languages.map((language) => (
          <div key={language} className="flex items-end gap-2">
            <div className="flex-1">
              <TextField
                label={`In ${names.of(language)}`}
                value={cart.own[language]?.word ?? ''}
                maxLength={LETTERS.cartWord}
                dir={directionOf(language)}
                onChange={(word) =>
                  edit((draft) => {
                    if (word) draft.own[language] = { word, gender: draft.own[language]?.gender ?? 'm' };
                    else delete draft.own[language];
                  }, `cart ${language}`)
                }
              />
            </div>
            {language === 'de' && cart.own[language] && (
              <select
                className="field"
                aria-label="Article in German"
                value={cart.own[language].gender}
                onChange={({ target: { value } }) =>
                  edit((draft) => void (draft.own[language]!.gender = value as Gender))
                }
              >
                {Object.entries(GENDERS).map(([gender, article]) => (
                  <option key={gender} value={gender}>
                    {article}
                  </option>
                ))}
              </select>
            )}
          </div>
        ))}
      {count > 0 && (
        <details open={isOpen} onToggle={(event) => setOpen(event.currentTarget.open)}>
          <summary>
            {count} {count === 1 ? 'text changes' : 'texts change'}; see each
          </summary>
          {isOpen &&
            renamed.map(({ language, sentences }) => (
              <ul
                key={language}
                dir={directionOf(language)}
                className="mt-2 flex flex-col gap-1.5"
                data-testid={`renamed-${language}`}
              >
                {sentences.map(({ from, to }) => (
                  <li key={from}>
                    <s className="help">{fill(from, EXAMPLE, language)}</s>
                    <span className="block">{fill(to, EXAMPLE, language)}</span>
                  </li>
                ))}
              </ul>
            ))}
        </details>
      )}
    </section>
  );
}
