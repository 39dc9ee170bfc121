import { expect } from 'chai';
import { draftData, withStudio } from '../../support/studio';
import { until } from '../../support/page';

describe('changing many products at once', () => {
  const studio = withStudio(async () => ({
    ...(await import('~/studio/catalogue/bulk-dialog')),
    ...(await import('~/studio/shared/draft-store')),
  }));

  it('asks again before everything is hidden, and not before some of it is', async () => {
    const { BulkDialog, useDraft } = studio.loaded;
    useDraft.setState({ lane: draftData().lane, live: draftData().live });
    let hidesAll = true;
    const sent: boolean[] = [];
    studio.server.answers((_url, init) => {
      const { apply } = JSON.parse(String(init?.body)) as { apply: boolean };
      sent.push(apply);
      return Response.json({
        rows: [{ name: 'Heron', sku: null, from: 1, to: 0 }],
        count: 1,
        products: 1,
        hidesAll,
        id: null,
      });
    });
    const list = { q: '', filter: 'all', category: '', texts: '' };
    const view = studio.show(<BulkDialog list={list} slugs={[]} total={1} onClose={() => undefined} />);
    const press = () => view.getByRole('button', { name: /^Make/ }) as HTMLButtonElement;
    await studio.user.click(view.getByLabelText('Shown or not'));
    await studio.user.click(view.getByLabelText('Do not show'));
    await until(() => view.queryByText(/would show no product any more/) !== null);
    expect(press().disabled).to.equal(true);

    await studio.user.click(view.getByLabelText('Hide everything all the same'));
    expect(press().disabled).to.equal(false);
    await studio.user.click(press());
    await until(() => sent.at(-1) === true);

    view.unmount();
    hidesAll = false;
    const other = studio.show(<BulkDialog list={list} slugs={['heron']} total={1} onClose={() => undefined} />);
    await studio.user.click(other.getByLabelText('Shown or not'));
    await studio.user.click(other.getByLabelText('Do not show'));
    await until(() => !(other.getByRole('button', { name: /^Make/ }) as HTMLButtonElement).disabled);
    expect(other.queryByText(/would show no product any more/)).to.equal(null);
  });
});
