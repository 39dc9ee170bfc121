import { type ProductRecord } from '~/core/catalogue';
import { LETTERS } from '~/core/limits';
import type { Shop } from '~/core/lane';
import { Tick } from '~/studio/fields/tick';
import { moment, money } from '~/studio/data/format';
import { PickedProducts } from '~/studio/fields/picked-products';
import { MoneyField } from '~/studio/fields/money-field';
import { SelectField, TextField } from '~/studio/fields/fields';
import { BetterPrice, type Sold } from './better-price';
import { PicturesEditor } from './pictures-editor';
import { type ReviewData } from './reviews';

export interface ProductData {
  readonly slug: string;
  readonly edit: number;
  readonly record: ProductRecord;
  readonly reviews: readonly ReviewData[];
  readonly suggested: readonly { readonly slug: string; readonly name: string }[];
  readonly betterSold: Sold | null;
  readonly prices: readonly { readonly sku: string; readonly priceMinor: number; readonly at: number }[];
}

const FULFILMENT = [
  ['parcel', 'Sent as a parcel'],
  ['download', 'Downloaded'],
  ['event', 'An event or a service'],
] as const;

export function WhatItIs({
  record,
  put,
  shop,
  stored,
}: {
  record: ProductRecord;
  put: (part: Partial<ProductRecord>) => void;
  shop: Shop;
  stored: ProductData;
}) {
  return (
    <section aria-label="What it is" className="flex flex-col gap-4">
      <h2>What it is</h2>
      <Tick label="Shown in the shop" checked={record.isShown} onChange={(isShown) => put({ isShown })} />
      <Tick
        label="Comes first on the front page and in lists"
        checked={record.isFeatured}
        onChange={(isFeatured) => put({ isFeatured })}
      />
      <TextField
        label="Name"
        value={record.name}
        maxLength={LETTERS.productName}
        check={(name) => (name === '' ? 'A product needs a name.' : null)}
        onChange={(name) => put({ name })}
      />
      <TextField
        label="Short text"
        help="On cards and in quick view."
        value={record.shortText}
        maxLength={LETTERS.shortText}
        onChange={(shortText) => put({ shortText })}
      />
      <TextField
        label="Full text"
        rows={8}
        value={record.fullText}
        maxLength={LETTERS.productText}
        onChange={(fullText) => put({ fullText })}
      />
      <TextField label="Brand" value={record.brand} maxLength={LETTERS.brand} onChange={(brand) => put({ brand })} />
      <SelectField
        label="How it reaches the buyer"
        value={record.fulfilment}
        options={FULFILMENT}
        onChange={(fulfilment) => put({ fulfilment: fulfilment as ProductRecord['fulfilment'] })}
      />
      {record.fulfilment === 'parcel' && (
        <div className="flex flex-col gap-1">
          <span className="font-semibold">Delivery of its own</span>
          <p className="help">What sending one of it adds, on top of the delivery rates.</p>
          <MoneyField
            label="Delivery of its own"
            valueMinor={record.itemDeliveryMinor}
            onChange={(itemDeliveryMinor) => put({ itemDeliveryMinor })}
          />
        </div>
      )}
      <SelectField
        label="Tax"
        help="Other rates are made under Settings, Tax."
        value={record.taxRate ?? ''}
        options={taxRates(shop.tax, record.taxRate)}
        onChange={(key) => put({ taxRate: key || null })}
      />
      <PickedProducts
        label="Goes well with it"
        help="Suggested first, in this order; what is found comes after."
        most={24}
        own={stored.slug}
        slugs={record.suggestions}
        known={stored.suggested}
        onChange={(suggestions) => put({ suggestions })}
      />
      <PickedProducts
        label="A better one"
        help="Offered in its place in the cart, with what changes and what it costs more."
        most={1}
        own={stored.slug}
        slugs={record.better ? [record.better] : []}
        known={stored.suggested}
        onChange={([better = null]) => put({ better, betterMinor: null })}
      />
      {record.better && (
        <BetterPrice
          valueMinor={record.betterMinor}
          sold={stored.betterSold?.slug === record.better ? stored.betterSold : null}
          usualMinor={record.variants[0]!.priceMinor}
          shop={shop}
          onChange={(betterMinor) => put({ betterMinor })}
        />
      )}
    </section>
  );
}

export function WhereFound({
  record,
  put,
  categories,
  stored,
  shop,
}: {
  record: ProductRecord;
  put: (part: Partial<ProductRecord>) => void;
  categories: readonly { readonly slug: string; readonly name: string; readonly parentSlug: string | null }[];
  stored: ProductData;
  shop: Shop;
}) {
  return (
    <section aria-label="Where it is found" className="flex flex-col gap-4">
      <h2>Where it is found</h2>
      <PicturesEditor pictures={record.pictures} onChange={(pictures) => put({ pictures })} />
      <fieldset>
        <legend className="font-semibold">Categories</legend>
        {categories.length === 0 && <p className="help">There are none yet. An import makes them.</p>}
        <div className="max-h-44 overflow-auto">
          {categories.map(({ slug, name, parentSlug }) => (
            <div key={slug} className={parentSlug ? 'ps-5' : ''}>
              <Tick
                label={name}
                checked={record.categories.includes(slug)}
                onChange={(on) =>
                  put({
                    categories: on ? [...record.categories, slug] : record.categories.filter((other) => other !== slug),
                  })
                }
              />
            </div>
          ))}
        </div>
      </fieldset>
      <TextField
        label="Tags"
        help="Separated by commas."
        value={record.tags.join(', ')}
        maxLength={2000}
        onChange={(text) =>
          put({
            tags: [
              ...new Set(
                text
                  .split(',')
                  .map((tag) => tag.trim())
                  .filter(Boolean),
              ),
            ],
          })
        }
      />
      <TextField
        label="Attributes"
        help="One a line, such as “Material: ripstop nylon”."
        rows={5}
        value={record.attributes.map(({ key, value }) => `${key}: ${value}`).join('\n')}
        maxLength={10_000}
        check={(text) =>
          text.split('\n').some((line) => line.trim() !== '' && !/^[^:]+:/.test(line))
            ? 'Each line needs a name and a colon.'
            : null
        }
        onChange={(text) => put({ attributes: readAttributes(text) })}
      />
      <div>
        <h3 className="font-semibold">Prices it has had</h3>
        <table className="tbl" aria-label="Price history">
          <tbody>
            {stored.prices.map(({ sku, priceMinor, at }, i) => (
              <tr key={i}>
                <td>{sku}</td>
                <td className="num">{money(priceMinor, shop)}</td>
                <td>since {moment(at, shop)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </section>
  );
}

/** The rates to choose from: the shop's usual one, its others, and one that is no longer there but is named. */
function taxRates(tax: Shop['tax'], named: string | null): (readonly [string, string])[] {
  const percent = (basisPoints: number) => `${basisPoints / 100} %`;
  const rates = Object.entries(tax.rates).map(
    ([key, rate]) => [key, `${rate.name}, ${percent(rate.basisPoints)}`] as const,
  );
  const gone = named !== null && !Object.hasOwn(tax.rates, named);
  return [
    ['', `The shop’s usual rate, ${percent(tax.basisPoints)}`],
    ...rates,
    ...(gone ? [[named, `“${named}”, which the shop no longer has: the usual rate counts`] as const] : []),
  ];
}

function readAttributes(text: string): ProductRecord['attributes'] {
  return text.split('\n').flatMap((line) => {
    const at = line.indexOf(':');
    const key = line.slice(0, at).trim();
    return at > 0 && key ? [{ key, value: line.slice(at + 1).trim() }] : [];
  });
}
