import { expect } from 'chai';
import type { ProductCard } from '~/core/catalogue';
import { sayIn } from '~/core/words';
import { minor } from '~/core/money';
import { Card } from '~/pieces/_cards/card';
import type { CardsPiece } from '~/pieces/_cards/shared';
import { liveDemoLane } from '../../../demo/lane';
import { draw, money, pieceOf } from '../../support/draw';

const product = (from: number, was: number | null): ProductCard => ({
  id: 1,
  slug: 'heron',
  name: 'Heron',
  shortText: '',
  inStock: true,
  onlyVariantId: 1,
  hasOptions: false,
  fromMinor: minor(from),
  toMinor: minor(from),
  wasMinor: was === null ? null : minor(was),
  picture: null,
  rating: null,
});
const flags = (card: ProductCard, saving: string) =>
  draw(Card, {
    card,
    extras: undefined,
    piece: pieceOf<CardsPiece>('listing', { saving }),
    level: 3,
    offer: null,
    eager: false,
    reader: { say: sayIn(liveDemoLane(), 'en'), money, link: (path) => path, language: 'en', priceNote: null },
  }).texts('.flag');

describe('what is saved, on a card', () => {
  it('is said in per cent, in money or not at all', () => {
    expect(flags(product(6320, 7900), 'percent')).to.deep.equal(['−20 %']);
    expect(flags(product(6320, 7900), 'amount')).to.deep.equal(['−€15.80']);
    expect(flags(product(6320, 7900), 'none')).to.deep.equal([]);
  });

  it('is said of nothing that costs what it did, or hardly less', () => {
    for (const saving of ['percent', 'amount']) {
      expect(flags(product(7900, null), saving)).to.deep.equal([]);
      expect(flags(product(7899, 7900), saving)).to.deep.equal([]);
    }
  });
});
