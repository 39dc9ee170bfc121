import { expect } from 'chai';
import { compareProducts, namesIn } from '~/core/catalogue';

const product = (attributes: Record<string, string>) => ({
  attributes: Object.entries(attributes).map(([key, value]) => ({ key, value })),
});
const by = (over: object = {}) => ({ order: [], moreIsBetter: [], lessIsBetter: [], ...over });

describe('products side by side', () => {
  const kites = [
    product({ Span: '168 cm', Weight: '240 g', Frame: 'Fibreglass' }),
    product({ Span: '120 cm', Frame: 'Fibreglass', Seats: '2' }),
    product({ Span: '168 cm', Weight: '0.5 kg', Frame: 'Fibreglass' }),
  ];

  it('have a row for each attribute, those of most products first, or those asked for in their order', () => {
    const rows = compareProducts(kites, by());
    expect(rows.map(({ key }) => key)).to.deep.equal(['Span', 'Frame', 'Weight', 'Seats']);
    expect(rows[0]).to.deep.equal({ key: 'Span', values: ['168 cm', '120 cm', '168 cm'], differs: true, best: [] });
    expect(rows[1]!.differs).to.equal(false);
    expect(rows[3]!.values).to.deep.equal([null, '2', null]);
    expect(rows[3]!.differs).to.equal(false);
    const asked = compareProducts(kites, by({ order: ['Weight', 'Colour', 'Span'] }));
    expect(asked.map(({ key }) => key)).to.deep.equal(['Weight', 'Span']);
  });

  it('have a best where more or less is better, and all say it in one unit', () => {
    const best = (over: object, key: string) => compareProducts(kites, by(over)).find((row) => row.key === key)!.best;
    expect(best({ moreIsBetter: ['Span'] }, 'Span')).to.deep.equal([0, 2]);
    expect(best({ lessIsBetter: ['Span'] }, 'Span')).to.deep.equal([1]);
    expect(best({ lessIsBetter: ['Weight'] }, 'Weight'), 'grams and kilograms').to.deep.equal([]);
    expect(best({ moreIsBetter: ['Frame'] }, 'Frame'), 'words').to.deep.equal([]);
    expect(best({ moreIsBetter: ['Seats'] }, 'Seats'), 'only one says it').to.deep.equal([]);
    expect(
      compareProducts([kites[0]!, kites[0]!], by({ moreIsBetter: ['Span'] }))[0]!.best,
      'all the same',
    ).to.deep.equal([]);
  });

  it('are asked for by names with commas between them', () => {
    expect(namesIn(' Span, Weight,, Span ,')).to.deep.equal(['Span', 'Weight']);
    expect(namesIn('')).to.deep.equal([]);
  });
});
