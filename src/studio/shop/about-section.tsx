import { useId } from 'react';
import type { Lane } from '~/core/lane';
import { currencyOf, formatMoney } from '~/core/money';
import { ALL_COUNTRIES, countryName } from '~/core/orders';
import { useDraft } from '../shared/draft-store';
import { PictureControl } from '../shared/picture-control';
import { SelectField, TextField } from './fields';
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
/** Languages with a name of their own in every browser; words ship in the first three. */
const LANGUAGES = byName(
  [
    'en',
    'de',
    'ar',
    'cs',
    'da',
    'el',
    'es',
    'et',
    'fi',
    'fr',
    'he',
    'hu',
    'it',
    'ja',
    'lt',
    'lv',
    'nl',
    'no',
    'pl',
    'pt',
    'ro',
    'sk',
    'sl',
    'sv',
    'tr',
    'uk',
  ],
  named('language'),
);

/** The locale sums and days are written in: the shop's first language as it is written where the shop is. */
function writtenAs(shop: Lane['shop']): string {
  return `${shop.languages[0]}-${shop.delivery.home}`;
}

/** Whose shop it is, where it is, and what it speaks. */
export function AboutSection({ lane, change }: SectionProps) {
  const { shop } = lane;
  const live = useDraft((state) => state.live.lane);
  const [logoId, heroId] = [useId(), useId()];
  const edit = (recipe: (shop: Lane['shop']) => void, key?: string) => change((draft) => recipe(draft.shop), key);
  return (
    <>
      <TextField
        label="Name of the shop"
        help="In the header, in mails and in search results."
        value={shop.name}
        maxLength={60}
        check={(name) => (name === '' ? 'A shop needs a name.' : null)}
        onChange={(name) => edit((draft) => void (draft.name = name), 'shop name')}
      />
      <TextField
        label="E-mail address"
        help="Where shoppers can write to; in the footer. Leave it empty to show none."
        type="email"
        value={shop.email}
        maxLength={200}
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
        help="Where the shop is: decides how sums and days are written, and where delivery starts."
        value={shop.delivery.home}
        options={COUNTRIES}
        onChange={(home) =>
          edit((draft) => {
            draft.delivery.home = home;
            draft.locale = writtenAs(draft);
          })
        }
      />
      <SelectField
        label="Currency"
        help={
          currencyOf(shop.currency).exponent === currencyOf(live.shop.currency).exponent
            ? 'Prices in the catalogue keep their numbers: 12.00 stays 12.00. Check them after a change.'
            : `This currency is counted with other decimals: a price of ${formatMoney(1200, currencyOf(live.shop.currency), shop.locale)} would be ${formatMoney(1200, currencyOf(shop.currency), shop.locale)}. Correct all prices before you publish.`
        }
        value={shop.currency}
        options={CURRENCIES}
        onChange={(currency) => edit((draft) => void (draft.currency = currency))}
      />
      <SelectField
        label="Time zone"
        help="When a day begins: for offers, delivery dates and figures."
        value={shop.timeZone}
        options={ZONES.some(([zone]) => zone === shop.timeZone) ? ZONES : [[shop.timeZone, shop.timeZone], ...ZONES]}
        onChange={(zone) => edit((draft) => void (draft.timeZone = zone))}
      />
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
                      draft.locale = writtenAs(draft);
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
                  onClick={() =>
                    edit((draft) => {
                      draft.languages.splice(i, 1);
                      draft.locale = writtenAs(draft);
                    })
                  }
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
          {LANGUAGES.filter(([code]) => !shop.languages.includes(code)).map(([code, name]) => (
            <option key={code} value={code}>
              {name}
            </option>
          ))}
        </select>
      </fieldset>
    </>
  );
}
