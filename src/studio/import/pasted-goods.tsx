import { stringify } from 'csv-stringify/browser/esm/sync';
import { useState } from 'react';
import { feedGoods, goodsRows, pageGoods, type LeftOut } from '~/core/site-pages';
import { useShop } from '~/studio/data/sums';
import { plural } from '~/studio/data/format';

/** Characters; hundreds of pages have less. */
const MOST = 20_000_000;
const WHY: Readonly<Record<LeftOut['why'], (said: string) => string>> = {
  'no-sku': () => 'has no SKU',
  'no-price': () => 'has no price',
  currency: (said) => `is priced in ${said}`,
};

interface Props {
  /** What was found, as a file that can be looked through and imported. */
  readonly onFile: (file: File) => void;
}

/** Products of a shop that is there already: from the HTML of its pages, or from its product feed. */
export function PastedGoods({ onFile }: Props) {
  const currency = useShop().currency;
  const [said, setSaid] = useState<{ readonly text: string; readonly isBad: boolean } | null>(null);
  const [leftOut, setLeftOut] = useState<readonly LeftOut[]>([]);
  function read(text: string): void {
    setLeftOut([]);
    if (text.trim() === '') return setSaid(null);
    if (text.length > MOST)
      return setSaid({
        text: 'That is more than can be read at once. Paste fewer pages, or part of the feed.',
        isBad: true,
      });
    // Parsed as documents nobody shows: they load nothing, and nothing in them runs.
    const parser = new DOMParser();
    const goods =
      feedGoods(parser.parseFromString(text.trim(), 'text/xml')) ??
      pageGoods(parser.parseFromString(text, 'text/html'));
    const made = goodsRows(goods, currency);
    setLeftOut(made.leftOut);
    const variants = made.rows.length - 1;
    if (variants === 0)
      return setSaid({
        text:
          made.leftOut.length > 0
            ? `Nothing of this can be brought in. Prices must be in ${currency}, and each product needs its SKU.`
            : 'No product was found. Paste the whole source of a product page, from “<html” on, or a feed in XML.',
        isBad: true,
      });
    setSaid({
      text: `Found ${plural(variants, 'variant', 'variants')}. See below what bringing them in would do.`,
      isBad: false,
    });
    onFile(new File([stringify(made.rows as string[][])], 'pasted.csv', { type: 'text/csv' }));
  }
  return (
    <details className="max-w-[780px]">
      <summary className="font-semibold">From pages or a feed of a shop you have already</summary>
      <label className="mt-2 flex flex-col gap-1">
        <span className="help">
          Paste the source of one product page or of several, one after the other, or a product feed (RSS or Atom). Read
          are names, prices, pictures and variants, as the pages tell them to search engines.
        </span>
        <textarea
          aria-label="Pages or a feed"
          className="field font-mono text-[13px]"
          rows={6}
          onChange={(event) => read(event.target.value)}
        />
      </label>
      {said && (
        <p
          role={said.isBad ? 'alert' : 'status'}
          className={said.isBad ? 'border-s-4 border-brick ps-3 text-brick' : ''}
        >
          {said.text}
        </p>
      )}
      {leftOut.length > 0 && (
        <ul aria-label="Left out" className="max-h-40 list-disc overflow-auto ps-5">
          {leftOut.map(({ name, why, said: what }, i) => (
            <li key={i}>
              “{name || 'Without a name'}” {WHY[why](what)} and stays out.
            </li>
          ))}
        </ul>
      )}
    </details>
  );
}
