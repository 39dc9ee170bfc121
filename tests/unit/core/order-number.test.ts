import { expect } from 'chai';
import { orderNumber, readOrderNumber } from '~/core/orders';

describe('the number of an order', () => {
  it('is read as it is written, with or without #, and nothing else is one', () => {
    for (const id of [1, 7, 999_999]) {
      expect(readOrderNumber(orderNumber({ id }))).to.equal(id);
      expect(readOrderNumber(` #${orderNumber({ id })} `)).to.equal(id);
    }
    for (const typed of ['', '7', '1000', '10 01', '-1001', '1001a', '##1001'])
      expect(readOrderNumber(typed), typed).to.equal(null);
  });
});
