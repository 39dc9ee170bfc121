import { expect } from 'chai';
import type { Variant } from '~/core/catalogue';
import { minor } from '~/core/money';
import { newOption, type ProductOption } from '~/core/options';
import { swapFor } from '~/core/suggest';

const variant = (id: number, choices: Record<string, string>, stock: number | null = null): Variant => ({
  id,
  sku: `S${id}`,
  choices,
  priceMinor: minor(100),
  wasMinor: null,
  stock,
  weightGrams: 1,
  picture: null,
});
const text = (key: string, required = false): ProductOption =>
  ({ ...newOption('text', key, key), required }) as ProductOption;
const line = { choices: { Size: 'M', Sail: 'Night' }, answers: { name: 'Ada' }, quantity: 2 };
const to = (over: object) => ({ attributes: [], variants: [variant(1, {})], options: [], ...over });

describe('a better one in the place of a line', () => {
  it('is the variant that shares most of what was chosen, and is left in as many', () => {
    const variants = [
      variant(1, { Size: 'S' }),
      variant(2, { Size: 'M' }, 1),
      variant(3, { Size: 'M', Sail: 'Lagoon' }, 2),
    ];
    expect(swapFor(line, { attributes: [] }, to({ variants }), '2026-11-26')?.variantId).to.equal(3);
    expect(swapFor({ ...line, quantity: 3 }, { attributes: [] }, to({ variants }), '2026-11-26')?.variantId).to.equal(
      1,
    );
    expect(swapFor(line, { attributes: [] }, to({ variants: [variant(2, {}, 1)] }), '2026-11-26')).to.equal(null);
  });

  it('keeps the answers it understands, and is not offered where it asks what was never answered', () => {
    const own = { attributes: [] };
    expect(swapFor(line, own, to({ options: [text('name')] }), '2026-11-26')?.answers).to.deep.equal({ name: 'Ada' });
    expect(swapFor(line, own, to({ options: [text('note')] }), '2026-11-26')?.answers).to.deep.equal({});
    expect(swapFor(line, own, to({ options: [text('colour', true)] }), '2026-11-26')).to.equal(null);
  });

  it('says what changes, and what is said of it alone', () => {
    const attributes = (entries: Record<string, string>) =>
      Object.entries(entries).map(([key, value]) => ({ key, value }));
    const swap = swapFor(
      line,
      { attributes: attributes({ Weight: '320 g', Span: '180 cm' }) },
      to({
        attributes: attributes({ Weight: '280 g', Span: '180 cm', Frame: 'Carbon' }),
        variants: [variant(1, { Size: 'M' })],
      }),
      '2026-11-26',
    );
    expect(swap?.changes).to.deep.equal(['Weight: 320 g → 280 g', 'Frame: Carbon']);
    expect(swap?.choices).to.equal('M');
  });
});
