import { LanguageDialog } from '~/studio/shop/language-dialog';
import { LETTERS } from '~/core/limits';
import { original } from 'immer';
import { useId, useState } from 'react';
import { LANGUAGES, languageUse, localeOf, moveToCountry, type Lane } from '~/core/lane';
import { ALL_COUNTRIES, countryName } from '~/core/delivery';
import { definitions } from '~/pieces/definitions';
import { useDraft } from '~/studio/data/draft-store';
import { PictureControl } from '~/studio/fields/picture-control';
import { SelectField, TextField } from '~/studio/fields/fields';
import { CurrencyStep, ZoneStep } from './grounds';
import type { SectionProps } from './section';

const named = (type: 'language' | 'currency' | 'region') => {
  const names = new Intl.DisplayNames(['en'], { type });
  return (code: string) => names.of(code) ?? code;
};
const byName = (codes: readonly string[], nameOf: (code: string) => string) =>
  codes.map((code) => [code, `${nameOf(code)} (${code})`] as const).sort((a, b) => a[1].localeCompare(b[1], 'en'));

const COUNTRIES = ALL_COUNTRIES.map((code) => [code, countryName(code, 'en')] as const).sort((a, b) =>
  a[1].localeCompare(b[1], 'en'),
);
const CURRENCIES = byName(Intl.supportedValuesOf('currency'), named('currency'));
const ZONES = Intl.supportedValuesOf('timeZone').map((zone) => [zone, zone.replaceAll('_', ' ')] as const);
const LANGUAGE_NAMES = byName(LANGUAGES, named('language'));

/** Whose shop it is, where it is, and what it speaks. */
export function AboutSection({ lane, change, hasProducts = true }: SectionProps) {
  const { shop } = lane;
  const isOpen = useDraft((state) => state.live.revision > 0);
  const [leaving, setLeaving] = useState<string | null>(null);
  const [logoId, heroId] = [useId(), useId()];
  const edit = (recipe: (shop: Lane['shop']) => void, key?: string) => change((draft) => recipe(draft.shop), key);
  function remove(code: string): void {
    setLeaving(null);
    edit((draft) => {
      draft.languages.splice(draft.languages.indexOf(code), 1);
      draft.locale = localeOf(draft);
    });
  }
  return (
    <>
      <TextField
        label="Name of the shop"
        help="In the header, in mails and in search results."
        value={shop.name}
        maxLength={LETTERS.shopName}
        check={(name) => (name === '' ? 'A shop needs a name.' : null)}
        onChange={(name) => edit((draft) => void (draft.name = name), 'shop name')}
      />
      <TextField
        label="E-mail address"
        help="Where shoppers can write to; in the footer. Leave it empty to show none."
        type="email"
        value={shop.email}
        maxLength={LETTERS.email}
        check={(email) =>
          email === '' || /^[^\s@]+@[^\s@]+\.[^\s@]+$/.test(email)
            ? null
            : 'Enter an e-mail address such as name@example.com.'
        }
        onChange={(email) => edit((draft) => void (draft.email = email), 'shop email')}
      />
      <div className="grid grid-cols-2 gap-4">
        <div className="flex flex-col gap-1">
          <span id={logoId} className="font-semibold">
            Logo
          </span>
          <p className="help">Beside the name.</p>
          <PictureControl
            labelId={logoId}
            use="picture"
            value={shop.logo}
            onChange={(src) => edit((draft) => void (draft.logo = src))}
          />
        </div>
        <div className="flex flex-col gap-1">
          <span id={heroId} className="font-semibold">
            Front page picture
          </span>
          <p className="help">Wide, behind the title.</p>
          <PictureControl
            labelId={heroId}
            use="picture"
            value={shop.hero}
            onChange={(src) => edit((draft) => void (draft.hero = src))}
          />
        </div>
      </div>
      <SelectField
        label="Country"
        help={
          isOpen
            ? 'Where the shop is: decides how sums and days are written, and where delivery starts.'
            : 'Where the shop is. Currency, time zone, tax and delivery begin as is usual there: check them.'
        }
        value={shop.delivery.home}
        options={COUNTRIES}
        onChange={(home) =>
          change((draft) => {
            if (!isOpen) return void Object.assign(draft, moveToCountry(original(draft)!, home, hasProducts));
            draft.shop.delivery.home = home;
            draft.shop.locale = localeOf(draft.shop);
          })
        }
      />
      <CurrencyStep shop={shop} currencies={CURRENCIES} />
      <ZoneStep shop={shop} zones={ZONES} />
      <fieldset className="flex flex-col gap-1">
        <legend className="font-semibold">Languages</legend>
        <p className="help">
          Shoppers can switch between them; the first is the shop’s own. Words ship in English, German and Arabic; other
          languages begin in English, and you write them under Words.
        </p>
        <ul className="flex flex-col gap-1">
          {shop.languages.map((code, i) => (
            <li key={code} className="flex items-center gap-2">
              <span className="min-w-32">{named('language')(code)}</span>
              {i > 0 && (
                <button
                  className="btn"
                  onClick={() =>
                    edit((draft) => {
                      draft.languages.splice(i, 1);
                      draft.languages.unshift(code);
                      draft.locale = localeOf(draft);
                    })
                  }
                >
                  Make it the first
                </button>
              )}
              {shop.languages.length > 1 && (
                <button
                  className="btn"
                  aria-label={`Remove ${named('language')(code)}`}
                  onClick={() => (languageUse(lane, code, definitions).length > 0 ? setLeaving(code) : remove(code))}
                >
                  Remove
                </button>
              )}
            </li>
          ))}
        </ul>
        <select
          className="field"
          aria-label="Add a language"
          value=""
          onChange={({ target: { value } }) => value && edit((draft) => void draft.languages.push(value))}
        >
          <option value="">Add a language …</option>
          {LANGUAGE_NAMES.filter(([code]) => !shop.languages.includes(code)).map(([code, name]) => (
            <option key={code} value={code}>
              {name}
            </option>
          ))}
        </select>
      </fieldset>
      {leaving && (
        <LanguageDialog
          lane={lane}
          language={leaving}
          name={named('language')(leaving)}
          onRemove={() => remove(leaving)}
          onClose={() => setLeaving(null)}
        />
      )}
    </>
  );
}
