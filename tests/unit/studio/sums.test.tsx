import { expect } from 'chai';
import type { ReactNode } from 'react';
import type { VariantRecord } from '~/core/catalogue';
import type { Shop } from '~/core/lane';
import { currencyOf, formatMoney, writeSum } from '~/core/money';
import { productRecordSchema } from '~/core/catalogue';
import { draftData, withStudio } from '../../support/studio';

const PLACES = [
  ['English', 'en-IE'],
  ['German', 'de-DE'],
  ['Arabic', 'ar-KW'],
] as const;
/** A price of one unit, one in thousands, and one with whatever decimals there are. */
const SUMS = {
  JPY: [1, 1200, 15_000],
  KWD: [1000, 1_200_000, 12_500],
  EUR: [100, 120_000, 1999],
  INR: [100, 123_456_700, 50],
};

describe('sums in the studio', () => {
  const studio = withStudio(async () => ({
    ...(await import('~/studio/data/draft-store')),
    ...(await import('~/studio/fields/money-field')),
    ...(await import('~/studio/data/sums')),
    ...(await import('~/studio/options/effect-fields')),
    ...(await import('~/studio/product/variant-grid')),
    ...(await import('~/studio/catalogue/quick-cell')),
  }));
  const shopOf = (currency: string, locale: string): Shop => {
    const data = draftData((lane) => Object.assign(lane.shop, { currency, locale }));
    studio.loaded.useDraft.getState().start(data);
    return data.lane.shop;
  };
  const variant: VariantRecord = {
    id: 1,
    sku: 'K-1',
    choices: {},
    priceMinor: 700,
    wasMinor: 700,
    costMinor: 700,
    stock: 1,
    weightGrams: 1,
    picture: null,
  };
  const record = productRecordSchema.parse({
    name: 'K',
    brand: '',
    shortText: '',
    fullText: '',
    fulfilment: 'parcel',
    leadDays: null,
    taxRate: null,
    isFeatured: false,
    itemDeliveryMinor: 0,
    suggestions: [],
    isShown: true,
    pictures: [],
    categories: [],
    tags: [],
    attributes: [],
    axes: [],
    variants: [variant],
  });

  /** Every field in which a sum is typed: it starts with another sum, and hands on what it has read. */
  const FIELDS: Readonly<
    Record<string, (shop: Shop, keep: (sum: number) => void) => [label: string, node: ReactNode]>
  > = {
    'settings, offers, products': (_shop, keep) => {
      const { MoneyField } = studio.loaded;
      return ['Sum', <MoneyField key="f" label="Sum" valueMinor={700} onChange={keep} />];
    },
    'what an option adds': (shop, keep) => {
      const { EffectFields } = studio.loaded;
      const effect = { amountMinor: 700, per: 'unit' as const, weightGrams: 0 };
      return [
        `Adds (${shop.currency})`,
        <EffectFields key="f" effect={effect} shop={shop} onChange={({ amountMinor }) => keep(amountMinor)} />,
      ];
    },
    'prices of a product': (shop, keep) => {
      const { VariantGrid } = studio.loaded;
      const take = ([changed]: VariantRecord[]) => keep(changed!.priceMinor);
      return ['Price, row 1', <VariantGrid key="f" record={record} shop={shop} problems={{}} onChange={take} />];
    },
    'prices before': (shop, keep) => {
      const { VariantGrid } = studio.loaded;
      const take = ([changed]: VariantRecord[]) => keep(changed!.wasMinor!);
      return ['Price before, row 1', <VariantGrid key="f" record={record} shop={shop} problems={{}} onChange={take} />];
    },
  };

  for (const [name, draw] of Object.entries(FIELDS))
    for (const [language, locale] of PLACES)
      it(`are read as they are written: ${name}, in ${language}`, async () => {
        const { fireEvent } = await import('@testing-library/react');
        for (const [code, sums] of Object.entries(SUMS))
          for (const sum of sums) {
            const shop = shopOf(code, locale);
            const heard: number[] = [];
            const [label, node] = draw(shop, (read) => heard.push(read));
            const view = studio.show(node);
            const field = view.getByLabelText(label);
            for (const written of [
              writeSum(sum, studio.loaded.sumStyle(shop)),
              formatMoney(sum, currencyOf(code), locale),
            ]) {
              fireEvent.change(field, { target: { value: written } });
              expect(heard.at(-1), `${written} in ${code}`).to.equal(sum);
            }
            view.unmount();
          }
      });

  it('that can mean two things are asked about at their field, and nothing is kept', async () => {
    const { fireEvent } = await import('@testing-library/react');
    shopOf('KWD', 'en-IE');
    const { MoneyField } = studio.loaded;
    const heard: number[] = [];
    const view = studio.show(<MoneyField label="Sum" valueMinor={700} onChange={(sum) => heard.push(sum)} />);
    const field = view.getByLabelText('Sum') as HTMLInputElement;
    fireEvent.change(field, { target: { value: '12,500' } });
    fireEvent.blur(field);

    const said = (await view.findByRole('alert')).textContent;
    expect(said).to.match(/“12,500” can mean KWD.12,500\.000 or KWD.12\.500\. Enter 12500\.000 or 12\.500\./);
    expect([field.value, field.getAttribute('aria-invalid'), heard]).to.deep.equal(['12,500', 'true', []]);
    expect(field.getAttribute('aria-describedby')).to.equal(view.getByRole('alert').id);

    fireEvent.change(field, { target: { value: '12.5' } });
    fireEvent.blur(field);
    expect([heard, view.queryByRole('alert')]).to.deep.equal([[12_500], null]);
  });

  it('corrected in the list of products are read by the same rules', async () => {
    const { fireEvent } = await import('@testing-library/react');
    const shop = shopOf('KWD', 'de-DE');
    studio.server.answers((_url, init) =>
      init?.method === 'PUT' ? Response.json({}) : Response.json({ edit: 3, record }),
    );
    const { QuickCell } = studio.loaded;
    const view = studio.show(<QuickCell slug="k" field="priceMinor" value={700} shop={shop} />);
    fireEvent.click(view.getByRole('button'));
    const field = view.getByLabelText('Price');
    fireEvent.change(field, { target: { value: '12.500' } });
    fireEvent.keyDown(field, { key: 'Enter' });
    expect((await view.findByRole('alert')).textContent).to.include('can mean');
    fireEvent.change(field, { target: { value: '12,500' } });
    fireEvent.keyDown(field, { key: 'Enter' });
    await view.findByText(/12,500/, { selector: 'button' });

    const put = studio.server.asked.find(({ init }) => init?.method === 'PUT')!;
    expect(JSON.parse(String(put.init.body)).record.variants[0].priceMinor).to.equal(12_500);
  });
});
