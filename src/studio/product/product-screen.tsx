import isEqual from 'fast-deep-equal';
import { useState } from 'react';
import { mergeRecords, type ProductRecord } from '~/core/catalogue';
import type { Shop } from '~/core/lane';
import { ask, Refusal } from '~/studio/data/api';
import { Tick } from '~/studio/fields/tick';
import { useShop } from '~/studio/data/sums';
import { moment, money } from '~/studio/data/format';
import { PickedProducts } from '~/studio/fields/picked-products';
import { Modal } from '~/studio/fields/modal';
import { Shell } from '~/studio/shell/shell';
import type { ShellData } from '~/studio/data/studio-data';
import { useUnsaved } from '~/studio/data/use-unsaved';
import { MoneyField } from '~/studio/fields/money-field';
import { SelectField, TextField } from '~/studio/fields/fields';
import { AxesEditor } from './axes-editor';
import { BetterPrice, type Sold } from './better-price';
import { PicturesEditor } from './pictures-editor';
import { Reviews, type ReviewData } from './reviews';
import { VariantGrid } from './variant-grid';

interface ProductData {
  readonly slug: string;
  readonly edit: number;
  readonly record: ProductRecord;
  readonly reviews: readonly ReviewData[];
  readonly suggested: readonly { readonly slug: string; readonly name: string }[];
  readonly betterSold: Sold | null;
  readonly prices: readonly { readonly sku: string; readonly priceMinor: number; readonly at: number }[];
}

interface Props {
  readonly shell: ShellData;
  readonly product: ProductData;
  readonly categories: readonly { readonly slug: string; readonly name: string; readonly parentSlug: string | null }[];
}

export function ProductScreen(props: Props) {
  return (
    <Shell data={props.shell} room="/studio/catalogue">
      <Screen {...props} />
    </Shell>
  );
}

const FULFILMENT = [
  ['parcel', 'Sent as a parcel'],
  ['download', 'Downloaded'],
  ['event', 'An event or a service'],
] as const;

function Screen({ product, categories }: Props) {
  const shop = useShop();
  const [stored, setStored] = useState(product);
  const [record, setRecord] = useState(product.record);
  const [busy, setBusy] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);
  const [cells, setCells] = useState<Record<string, string>>({});
  const [said, setSaid] = useState<string | null>(null);
  const [clash, setClash] = useState<{ newer: ProductData; fields: readonly string[]; mine: ProductRecord } | null>(
    null,
  );
  const [isLeaving, setLeaving] = useState(false);
  const isChanged = !isEqual(record, stored.record);
  const put = (part: Partial<ProductRecord>) => {
    setRecord((before) => ({ ...before, ...part }));
    setSaid(null);
  };

  useUnsaved(isChanged);

  async function save(wanted: ProductRecord, base: ProductData): Promise<void> {
    setBusy(true);
    setProblem(null);
    setCells({});
    try {
      const saved = await ask('PUT /api/studio/products/[slug]', {
        params: { slug: base.slug },
        body: { edit: base.edit, record: wanted },
      });
      setStored(saved);
      setRecord(saved.record);
      setSaid('Saved. The open shop shows it already.');
    } catch (error) {
      if (!(error instanceof Refusal)) throw error;
      const body = error.body as { product?: ProductData; problems?: { path: string; message: string }[] } | null;
      if (error.status === 409 && body?.product) return await join(body.product, wanted, base);
      setProblem(error.message);
      setCells(cellProblems(body?.problems ?? []));
    } finally {
      setBusy(false);
    }
  }

  /** Another window was quicker: what both changed in different places is joined, and only what clashes is asked about. */
  async function join(newer: ProductData, mine: ProductRecord, base: ProductData): Promise<void> {
    const { record: joined, clashes } = mergeRecords(base.record, mine, newer.record);
    if (clashes.length === 0) return save(joined, newer);
    setClash({ newer, fields: clashes, mine: joined });
  }

  async function remove(): Promise<void> {
    try {
      await ask('DELETE /api/studio/products/[slug]', { params: { slug: stored.slug } });
      setStored({ ...stored, record });
      location.assign('/studio/catalogue');
    } catch (error) {
      setProblem((error as Error).message);
    }
  }

  return (
    <div className="flex max-w-[1120px] flex-col gap-5 px-[18px] py-4">
      <header className="sticky top-0 z-10 -mx-[18px] flex flex-wrap items-end justify-between gap-3 border-b border-mortar bg-limestone px-[18px] py-2">
        <div>
          <p className="help">
            <a href="/studio/catalogue">Catalogue</a>
          </p>
          <h1>{record.name || 'A product'}</h1>
        </div>
        <div className="flex items-center gap-2">
          {said && (
            <p role="status" className="text-moss">
              {said}
            </p>
          )}
          <a className="btn" href={`/studio/catalogue/${stored.slug}/options`}>
            Options …
          </a>
          {stored.record.isShown && (
            <a className="btn" href={`/shop/p/${stored.slug}`} target="_blank">
              See it in the shop
            </a>
          )}
          <button className="btn" disabled={!isChanged || busy} onClick={() => setRecord(stored.record)}>
            Discard changes
          </button>
          <button className="btn btn-go" disabled={!isChanged || busy} onClick={() => void save(record, stored)}>
            Save changes
          </button>
        </div>
      </header>
      {problem && (
        <p role="alert" className="border-s-4 border-brick ps-3 text-brick">
          {problem}
        </p>
      )}
      <section aria-label="Prices and stock" className="flex flex-col gap-3">
        <h2>Prices and stock</h2>
        <p className="help">
          A price before is struck through once your shop has asked more than today; until then shoppers see today’s
          price alone.
        </p>
        <AxesEditor record={record} onChange={put} />
        <VariantGrid record={record} shop={shop} problems={cells} onChange={(variants) => put({ variants })} />
        {record.variants.some(({ priceMinor }) => priceMinor === 0) && (
          <Tick
            label="It is free: a price of 0 is meant"
            checked={record.isFree}
            onChange={(isFree) => put({ isFree })}
          />
        )}
      </section>
      <div className="grid gap-6 lg:grid-cols-2">
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
            maxLength={200}
            check={(name) => (name === '' ? 'A product needs a name.' : null)}
            onChange={(name) => put({ name })}
          />
          <TextField
            label="Short text"
            help="On cards and in quick view."
            value={record.shortText}
            maxLength={300}
            onChange={(shortText) => put({ shortText })}
          />
          <TextField
            label="Full text"
            rows={8}
            value={record.fullText}
            maxLength={20_000}
            onChange={(fullText) => put({ fullText })}
          />
          <TextField label="Brand" value={record.brand} maxLength={80} onChange={(brand) => put({ brand })} />
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
                        categories: on
                          ? [...record.categories, slug]
                          : record.categories.filter((other) => other !== slug),
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
      </div>
      <Reviews slug={stored.slug} reviews={stored.reviews} />
      <button className="btn self-start text-brick" onClick={() => setLeaving(true)}>
        Delete this product …
      </button>
      {isLeaving && (
        <Modal title={`Delete ${stored.record.name}?`} onClose={() => setLeaving(false)}>
          <p className="mb-4">
            It disappears from the shop and from carts at once. Orders keep what was bought. To take it off the shelf
            for a while, untick “Shown in the shop” instead.
          </p>
          <div className="flex justify-end gap-2">
            <button className="btn" onClick={() => setLeaving(false)}>
              Cancel
            </button>
            <button className="btn btn-stop" onClick={() => void remove()}>
              Delete it
            </button>
          </div>
        </Modal>
      )}
      {clash && (
        <Modal title="Changed in two windows" onClose={() => setClash(null)}>
          <p className="mb-2">
            Somebody else saved this product since you opened it, and changed the same places: {clash.fields.join(', ')}
            . All other changes of both are kept.
          </p>
          <div className="flex justify-end gap-2">
            <button
              className="btn"
              onClick={() => {
                // Theirs where both changed; mine everywhere else.
                const { record: theirs } = mergeRecords(stored.record, clash.newer.record, record);
                setStored(clash.newer);
                setRecord(theirs);
                setClash(null);
              }}
            >
              Keep theirs there
            </button>
            <button
              className="btn btn-go"
              onClick={() => {
                const { newer, mine } = clash;
                setClash(null);
                void save(mine, newer);
              }}
            >
              Save mine there
            </button>
          </div>
        </Modal>
      )}
    </div>
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

/** What is wrong, by row and column of the grid. */
function cellProblems(problems: readonly { path: string; message: string }[]): Record<string, string> {
  return Object.fromEntries(
    problems.flatMap(({ path, message }) => {
      const found = /^(?:record\.)?variants\.(\d+)\.(.+)$/.exec(path);
      return found ? [[`${found[1]}.${found[2]}`, message]] : [];
    }),
  );
}
