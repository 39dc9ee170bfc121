import { type ProductData } from './product-fields';
import { WhatItIs, WhereFound } from './product-fields';
import isEqual from 'fast-deep-equal';
import { useState } from 'react';
import { mergeRecords, type ProductRecord } from '~/core/catalogue';
import { ask, Refusal } from '~/studio/data/api';
import { Tick } from '~/studio/fields/tick';
import { useShop } from '~/studio/data/sums';
import { Modal } from '~/studio/fields/modal';
import { Shell } from '~/studio/shell/shell';
import type { ShellData } from '~/studio/data/studio-data';
import { useUnsaved } from '~/studio/data/use-unsaved';
import { AxesEditor } from './axes-editor';
import { Reviews } from './reviews';
import { VariantGrid } from './variant-grid';

/** What another window stored meanwhile, and what is not stored yet of this one. */
interface Clash {
  newer: ProductData;
  fields: readonly string[];
  mine: ProductRecord;
}

export interface Props {
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

function Screen({ product, categories }: Props) {
  const shop = useShop();
  const [stored, setStored] = useState(product);
  const [record, setRecord] = useState(product.record);
  const [busy, setBusy] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);
  const [cells, setCells] = useState<Record<string, string>>({});
  const [said, setSaid] = useState<string | null>(null);
  const [clash, setClash] = useState<Clash | null>(null);
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
        <WhatItIs record={record} put={put} shop={shop} stored={stored} />
        <WhereFound record={record} put={put} categories={categories} stored={stored} shop={shop} />
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
      <ChangedTwice
        clash={clash}
        setClash={setClash}
        stored={stored}
        record={record}
        setStored={setStored}
        setRecord={setRecord}
        save={save}
      />
    </div>
  );
}

function ChangedTwice({
  clash,
  setClash,
  stored,
  record,
  setStored,
  setRecord,
  save,
}: {
  clash: Clash | null;
  setClash: (next: Clash | null) => void;
  stored: ProductData;
  record: ProductRecord;
  setStored: (next: ProductData) => void;
  setRecord: (next: ProductRecord) => void;
  save: (wanted: ProductRecord, base: ProductData) => Promise<void>;
}) {
  return (
    clash && (
      <Modal title="Changed in two windows" onClose={() => setClash(null)}>
        <p className="mb-2">
          Somebody else saved this product since you opened it, and changed the same places: {clash.fields.join(', ')}.
          All other changes of both are kept.
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
    )
  );
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
