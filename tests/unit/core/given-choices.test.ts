import { expect } from 'chai';
import { addressWithGiven, readGiven } from '~/shop/given-choices';

describe('a form that was refused', () => {
  const formOf = (fields: Record<string, string>) => {
    const form = new FormData();
    for (const [name, value] of Object.entries(fields)) form.set(name, value);
    return form;
  };

  it('comes back with everything that was chosen and answered', () => {
    const form = formOf({ kind: 'add', product: 'kite', quantity: '3', 'choice:Size': 'Large', 'choice:Sail': 'Dusk' });
    const answers = new Map<string, string | readonly string[]>([
      ['name', 'Ada & Bo'],
      ['extras', ['a', 'b']],
    ]);

    const address = addressWithGiven('/shop/p/kite', form, answers);

    expect(readGiven(new URL(address, 'https://shop.example').searchParams)).to.deep.equal({
      choices: { Size: 'Large', Sail: 'Dusk' },
      answers: { name: 'Ada & Bo', extras: ['a', 'b'] },
      quantity: 3,
    });
  });

  it('leaves the longest answers out rather than make an address nobody can read', () => {
    const answers = new Map([
      ['long', 'x'.repeat(9000)],
      ['short', 'kept'],
    ]);

    const address = addressWithGiven('/shop/p/kite', formOf({ quantity: '2' }), answers);

    expect(address.length).to.be.lessThan(8200);
    const given = readGiven(new URL(address, 'https://shop.example').searchParams);
    expect([given.answers, given.quantity]).to.deep.equal([{ short: 'kept' }, 2]);
  });

  it('takes nothing for given that was not, and no nonsense for a quantity', () => {
    expect(readGiven(new URLSearchParams('quantity=-4'))).to.deep.equal({ choices: {}, answers: null, quantity: 1 });
  });
});
