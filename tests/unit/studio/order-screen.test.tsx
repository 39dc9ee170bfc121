import { expect } from 'chai';
import { refundable, type Order } from '~/core/orders';
import { countFunnel } from '~/core/funnel';
import { minor } from '~/core/money';
import type { KeptOrder } from '~/contract/studio/orders';
import { draftData, shellData, withStudio } from '../../support/studio';

const line = (name: string, quantity: number, total: number): Order['lines'][number] => ({
  variantId: 1,
  sku: name.toUpperCase(),
  name,
  choices: 'Large',
  quantity,
  taxBasisPoints: null,
  unitMinor: minor(Math.round(total / quantity)),
  totalMinor: minor(total),
  costMinor: null,
  steps: [],
  answers: [{ key: 'art', label: 'Artwork', text: 'sail.svg', uploadId: 'u1' }],
  addOns: [],
});

function kept(over: Partial<KeptOrder> = {}): KeptOrder {
  const order = {
    id: 7,
    token: 't',
    status: 'paid',
    email: 'ada@example.org',
    name: 'Ada',
    delivery: 'standard',
    deliveryName: 'Standard',
    deliveryDays: '2–3 working days',
    language: 'en',
    currency: 'EUR',
    taxIncluded: true,
    taxBasisPoints: 2000,
    subtotalMinor: 3000,
    discountMinor: 0,
    deliveryMinor: 490,
    taxMinor: 582,
    totalMinor: 3490,
    steps: [],
    laneRevision: 3,
    visitId: null,
    paymentReference: 'ref-1',
    placedAt: 0,
    day: '1970-01-01',
    coupon: null,
    note: 'Ring twice',
    cartVersion: 1,
    lines: [line('Heron', 3, 2000), line('Winder', 1, 1000)],
    address: { line1: 'Seestraße 1', line2: '', postcode: '12345', city: 'Windau', country: 'DE' },
  } as unknown as KeptOrder['order'];
  return {
    order,
    number: '1007',
    keeping: { packedAt: null, sentAt: null, cancelledAt: null, tracking: '' },
    refunds: [],
    returns: [],
    left: refundable(order, []),
    mails: [{ id: 'order-t', at: 0, subject: 'Your order 1007', text: 'Thank you, Ada.' }],
    way: [
      { at: 0, kind: 'product-page', page: '/shop/p/heron', product: 'heron' },
      { at: 1000, kind: 'order', page: null, product: null },
    ],
    ...over,
  };
}

describe('an order that is opened', () => {
  const studio = withStudio(() => import('~/studio/orders/order-screen'));
  const show = (over: Partial<KeptOrder> = {}) => {
    const { OrderScreen } = studio.loaded;
    const funnel = countFunnel([]);
    return studio.show(
      <OrderScreen shell={shellData({ funnel, before: funnel, draft: draftData() })} kept={kept(over)} />,
    );
  };
  const sent = () => JSON.parse(String(studio.server.asked.at(-1)!.init.body)) as object;

  it('says what was bought, by whom, how it was paid, and the way to it', () => {
    const view = show();

    view.getByRole('heading', { name: /Order 1007 paid/ });
    expect(view.getAllByText('sail.svg')[0]!.getAttribute('href')).to.equal('/api/uploads/u1');
    view.getByText('12345 Windau');
    view.getByText('Ring twice');
    view.getByText('Looked at a product');
    view.getByText('Thank you, Ada.');
    expect(view.getByText('ref-1')).not.to.equal(null);
  });

  it('says to the cent what a refund comes to before it is given', async () => {
    studio.server.answers(() => Response.json(kept()));
    const view = show();
    await studio.user.click(view.getByText('Refund …'));
    const go = () => view.getByRole('button', { name: /^Refund €/ }) as HTMLButtonElement;
    expect(go().disabled).to.equal(true);

    const units = view.getByLabelText('Units of Heron to refund');
    await studio.user.clear(units);
    await studio.user.type(units, '2');
    await studio.user.click(view.getByLabelText(/^Delivery/));
    expect(go().textContent).to.equal('Refund €18.23');
    await studio.user.click(view.getByLabelText('Put the items back in stock'));
    await studio.user.click(go());

    expect(sent()).to.deep.equal({
      action: 'refund',
      units: [{ line: 0, quantity: 2 }],
      delivery: true,
      sumMinor: 0,
      restock: false,
      reason: '',
    });
    expect(view.queryByRole('dialog')).to.equal(null);
  });

  it('gives goodwill, and says where that is more than is left', async () => {
    studio.server.answers(() => Response.json(kept()));
    const view = show();
    await studio.user.click(view.getByText('Refund …'));
    const goodwill = view.getByLabelText('Goodwill');
    const go = () => view.getByRole('button', { name: /^Refund €/ }) as HTMLButtonElement;
    await studio.user.clear(goodwill);
    await studio.user.type(goodwill, '34.91');
    expect(view.getByRole('dialog').textContent).to.include('more than the €34.90 left of this order');
    expect(go().disabled).to.equal(true);
    await studio.user.clear(goodwill);
    await studio.user.type(goodwill, '5');
    expect(go().textContent).to.equal('Refund €5.00');
    await studio.user.click(go());
    expect(sent()).to.include({ sumMinor: 500, delivery: false });
    view.unmount();

    const after = { id: 1, at: 5, units: [], delivery: false, restocked: false, reason: '', key: 'r1' };
    const given = { ...after, sumMinor: minor(500), amountMinor: minor(500), state: 'done' as const };
    const next = show({ refunds: [given], left: refundable(kept().order, [given]) });
    next.getByText(/€5.00 as goodwill/);
    await studio.user.click(next.getByText('Refund …'));
    next.getByText(/€5.00 was refunded as goodwill. €29.90 of the order is left to refund./);
  });

  it('notes what comes back, that it is back, and refunds just that', async () => {
    const coming = { id: 3, at: 5, note: 'Too small', cameAt: null, restocked: false };
    const units = [{ line: 0, quantity: 2 }];
    studio.server.answers(() => Response.json(kept({ returns: [{ ...coming, units }] })));
    const view = show();
    await studio.user.click(view.getByRole('button', { name: 'Note a return …' }));
    const note = () => view.getByRole('button', { name: 'Note it' }) as HTMLButtonElement;
    expect(note().disabled).to.equal(true);
    const field = view.getByLabelText('Units of Heron that come back');
    await studio.user.clear(field);
    await studio.user.type(field, '2');
    await studio.user.type(view.getByLabelText('Note, for yourself'), 'Too small');
    await studio.user.click(note());
    expect(sent()).to.deep.equal({ action: 'return', units, note: 'Too small' });
    await view.findByText(/on its way back; Too small/);

    studio.server.answers(() => Response.json(kept({ returns: [{ ...coming, units, cameAt: 9, restocked: true }] })));
    await studio.user.click(view.getByRole('button', { name: 'It is back …' }));
    await studio.user.click(view.getByRole('button', { name: 'It is back' }));
    expect(sent()).to.deep.equal({ action: 'return-came', returnId: 3, restock: true });
    await view.findByText(/back in stock; Too small/);
    // What is on the shelf again is not put there a second time.
    await studio.user.click(view.getByRole('button', { name: 'Refund these …' }));
    expect((view.getByLabelText('Units of Heron to refund') as HTMLInputElement).value).to.equal('2');
    expect((view.getByLabelText('Put the items back in stock') as HTMLInputElement).checked).to.equal(false);
  });

  it('does not put on the shelf again what a refund put there', async () => {
    const units = [{ line: 0, quantity: 1 }];
    const refund = {
      id: 1,
      at: 5,
      units,
      delivery: false,
      sumMinor: minor(0),
      amountMinor: minor(500),
      restocked: true,
      reason: '',
      key: 'r1',
      state: 'done' as const,
    };
    const coming = { id: 3, at: 5, units, note: '', cameAt: null, restocked: false };
    const view = show({ refunds: [refund], returns: [coming] });
    await studio.user.click(view.getByRole('button', { name: 'It is back …' }));
    expect((view.getByLabelText('Put the items back in stock') as HTMLInputElement).checked).to.equal(false);
    view.getByText(/already/);
  });

  it('is cancelled with all that is left of it, and says what the server refuses', async () => {
    studio.server.answers(() => Response.json({ problems: [{ message: 'The provider refused.' }] }, { status: 422 }));
    const view = show();
    await studio.user.click(view.getByText('Cancel the order …'));
    await studio.user.click(view.getByRole('button', { name: 'Cancel it and refund €34.90' }));

    expect(sent()).to.deep.equal({ action: 'cancel', restock: true, reason: '' });
    expect((await view.findAllByText('The provider refused.')).length).to.be.greaterThan(0);
  });

  it('is sent with its tracking number, and what is over is over', async () => {
    const done = kept({ keeping: { packedAt: 1, sentAt: 2, cancelledAt: null, tracking: 'LW 12' } });
    studio.server.answers(() => Response.json(done));
    const view = show();
    await studio.user.type(view.getByLabelText('Tracking number'), 'LW 12');
    await studio.user.click(view.getByText('Mark as sent'));

    expect(sent()).to.deep.equal({ action: 'send', tracking: 'LW 12' });
    await view.findByRole('heading', { name: /Order 1007 sent/ });
    expect(view.queryByText('Mark as packed')).to.equal(null);
    view.unmount();

    const over = show({ keeping: { packedAt: null, sentAt: null, cancelledAt: 5, tracking: '' } });
    expect(over.queryByText('Refund …')).to.equal(null);
  });
});
