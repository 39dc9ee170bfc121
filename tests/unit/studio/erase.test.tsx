import { expect } from 'chai';
import { withStudio } from '../../support/studio';

describe('erasing a buyer', () => {
  const studio = withStudio(() => import('~/studio/orders/erase-shopper'));

  it('says what there is before it is gone, and then that it is', async () => {
    const { EraseShopper } = studio.loaded;
    const asked: { apply: boolean }[] = [];
    studio.server.answers((_url, init) => {
      asked.push(JSON.parse(String(init.body)) as { apply: boolean });
      return Response.json({ orders: 2, checkouts: 0, files: 1, mails: 2 });
    });
    const view = studio.show(<EraseShopper />);

    await studio.user.type(view.getByLabelText('Their e-mail address'), 'mira@example.com');
    await studio.user.click(view.getByText('Look for it'));
    const found = await view.findByText(/There are 2 orders, 2 mails, 1 file and 0 checkout forms/);
    expect(asked.map(({ apply }) => apply)).to.deep.equal([false]);
    await studio.user.click(view.getByText('Erase mira@example.com'));

    expect(found.isConnected).to.equal(false);
    expect((await view.findByRole('status')).textContent).to.match(/^Erased: 2 orders/);
    expect(asked.map(({ apply }) => apply)).to.deep.equal([false, true]);
  });

  it('says when there is nothing, or why it cannot be done', async () => {
    const { EraseShopper } = studio.loaded;
    studio.server.answers(() => Response.json({ orders: 0, checkouts: 0, files: 0, mails: 0 }));
    const view = studio.show(<EraseShopper />);
    await studio.user.type(view.getByLabelText('Their e-mail address'), 'a@example.com');
    await studio.user.click(view.getByText('Look for it'));
    expect((await view.findByRole('status')).textContent).to.equal('Nothing is kept of a@example.com.');

    studio.server.answers(() => Response.json({ problems: [{ message: 'Wait a few minutes.' }] }, { status: 409 }));
    await studio.user.click(view.getByText('Look for it'));
    expect((await view.findByRole('alert')).textContent).to.equal('Wait a few minutes.');
  });
});
