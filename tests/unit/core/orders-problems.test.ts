import { expect } from 'chai';
import { checkCheckout, type CheckoutForm } from '~/core/orders';
import { checkoutSchema } from '~/core/orders/checkout.schema';
import { wordProblem } from '~/core/problems';

const good: CheckoutForm = checkoutSchema.parse({
  email: 'a@b.example',
  name: 'Ada',
  line1: 'Seestraße 1',
  postcode: '12345',
  city: 'Windau',
  country: 'DE',
  delivery: 'standard',
  cardNumber: '4111 2222-3333 4444',
});

describe('checkCheckout', () => {
  const SERVED = ['DE', 'GB'];
  it('finds nothing wrong with a good form, and takes card numbers with gaps', () => {
    expect(good.cardNumber).to.equal('4111222233334444');
    expect(checkCheckout(good, SERVED)).to.deep.equal([]);
  });

  it('reports every wrong field at once', () => {
    const problems = checkCheckout({ ...good, email: 'nobody', name: '', postcode: '12', cardNumber: '12' }, SERVED);

    expect(problems.map((problem) => [problem.path, problem.code])).to.deep.equal([
      ['email', 'email-invalid'],
      ['name', 'missing'],
      ['cardNumber', 'card-invalid'],
      ['postcode', 'postcode-invalid'],
    ]);
  });

  it('asks for no address when nothing is sent', () => {
    expect(checkCheckout({ ...good, line1: '', city: '', postcode: '', delivery: '' }, null)).to.deep.equal([]);
  });

  it('knows postcodes by country, and the countries it serves', () => {
    expect(checkCheckout({ ...good, country: 'GB', postcode: 'LA22 9HE' }, SERVED)).to.deep.equal([]);
    for (const postcode of ['D-10115', 'DE-10115', 'd 10115', 'D - 10115'])
      expect(checkCheckout({ ...good, postcode }, SERVED), postcode).to.deep.equal([]);
    expect(checkCheckout({ ...good, postcode: 'D-1011' }, SERVED)).to.have.length(1);
    expect(checkCheckout({ ...good, country: 'XX' }, SERVED).map((problem) => problem.code)).to.deep.equal([
      'country-unserved',
    ]);
  });
});

describe('wordProblem', () => {
  it('puts the facts into the sentence and shows a missing one', () => {
    expect(wordProblem({ code: 'not-enough-stock', facts: { stock: 3, name: 'Heron' } })).to.equal(
      'Only 3 of Heron left. Choose 3 or fewer.',
    );
    expect(wordProblem({ code: 'sold-out' })).to.equal('{name} is sold out.');
  });
});
