import { expect } from 'chai';
import { countFunnel } from '~/core/funnel';
import { draftData, shellData, withStudio } from '../../support/studio';

const funnel = countFunnel([{ depth: 1, sessions: 9, revenueMinor: 0 }]);
const CATEGORIES = [{ slug: 'spares', name: 'Spares', parentSlug: null }];

describe('the screen of who sees what', () => {
  const studio = withStudio(() => import('~/studio/seen/seen'));

  function show(change: Parameters<typeof draftData>[0] = () => undefined) {
    const { SeenPage } = studio.loaded;
    return studio.show(
      <SeenPage
        shell={shellData({ draft: draftData(change), funnel, before: funnel })}
        categories={CATEGORIES}
        tags={['Fast']}
      />,
    );
  }
  const rowOf = (view: ReturnType<typeof show>, name: string) =>
    [...view.getByRole('region', { name: 'Pieces' }).querySelectorAll('li')].find(
      (row) => row.querySelector('a')?.textContent === name,
    )!.textContent;

  it('answers for the page, the device and the category that are chosen', async () => {
    const view = show((lane) => {
      lane.pieces['quick-view']!.where.categories = { mode: 'only', slugs: ['spares'] };
      lane.pieces['quick-view']!.where.devices = ['desktop'];
    });
    expect(rowOf(view, 'Quick view')).to.match(/not seen/);

    await studio.user.selectOptions(view.getByLabelText('Page'), 'Category “Spares”');
    expect(rowOf(view, 'Quick view')).to.include('Where leaves out this device.');
    await studio.user.click(view.getByText('Desktop'));
    expect(rowOf(view, 'Quick view')).to.include('Where lets it be seen here.');
    view.getByText(/^\d+ of \d+ pieces are seen here\.$/);
    expect(view.getByText('Look at this page').getAttribute('href')).to.equal('/shop/c/spares?draft=walk-me&lang=en');
  });

  it('asks for the product of a product page first', async () => {
    const view = show();
    await studio.user.selectOptions(view.getByLabelText('Page'), 'A product page');
    view.getByText(/^Choose a product/);
    studio.server.answers((url) =>
      Response.json(
        url.includes('/api/studio/products')
          ? [{ slug: 'heron', name: 'Heron' }]
          : { slug: 'heron', name: 'Heron', categories: CATEGORIES, tags: [] },
      ),
    );
    await studio.user.type(view.getByLabelText('Product'), 'her');
    await studio.user.click(await view.findByText('+ Heron'));
    await view.findByRole('region', { name: 'Pieces' });
    expect(view.getByText('Look at this page').getAttribute('href')).to.match(/^\/shop\/p\/heron\?draft=/);
  });

  it('asks for the order that chooses a thank-you page', async () => {
    const view = show();
    await studio.user.selectOptions(view.getByLabelText('Page'), 'Thank-you page');
    expect(rowOf(view, 'Thank-you page')).to.match(/^Thank-you pageseenOf the thank-you pages/);
    await studio.user.clear(view.getByLabelText(/^Total of the order/));
    view.getByText('Bought before');
    expect(view.queryByText('Look at this page')).to.equal(null);
  });
});
