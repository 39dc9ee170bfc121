import { expect } from 'chai';
import { draftData, withStudio } from '../../support/studio';
import { until } from '../../support/page';

describe('changing many products at once', () => {
  const studio = withStudio(async () => ({
    ...(await import('~/studio/catalogue/bulk-dialog')),
    ...(await import('~/studio/catalogue/past-changes')),
    ...(await import('~/studio/data/draft-store')),
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
        withoutPrice: hidesAll ? 2 : 0,
        hidesAll,
        id: null,
      });
    });
    const list = { q: '', filter: 'all', category: '', texts: '' } as const;
    const view = studio.show(<BulkDialog list={list} slugs={[]} total={1} onClose={() => undefined} />);
    const press = () => view.getByRole('button', { name: /^Make/ }) as HTMLButtonElement;
    await studio.user.click(view.getByLabelText('Shown or not'));
    await studio.user.click(view.getByLabelText('Do not show'));
    await until(() => view.queryByText(/would show no product any more/) !== null);
    expect(press().disabled).to.equal(true);
    view.getByText(/^2 stay as they are: they would be shown and cost nothing/);

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

  it('lists what was done, in words, and undoes it long after', async () => {
    const { PastChanges, useDraft } = studio.loaded;
    useDraft.setState({ lane: draftData().lane, live: draftData().live });
    const change = { at: Date.UTC(2026, 10, 3), by: 'Maud Fell', undoneAt: null };
    let undone: number | null = null;
    studio.server.answers((_url, init) => {
      if (init.method === 'DELETE') undone = 5;
      return Response.json([
        { ...change, id: 3, rows: 1, what: { kind: 'price', percent: -10, endMinor: 95 } },
        { ...change, id: 2, rows: 4, what: { kind: 'tag', tag: 'autumn', on: true }, undoneAt: undone },
        { ...change, id: 1, rows: 2, what: { kind: 'shown', on: false }, by: null },
      ]);
    });
    const view = studio.show(<PastChanges />);
    await studio.user.click(view.getByText('Past changes …'));
    await view.findByText('1 price lowered by 10 %, ending on €0.95');
    view.getByText('2 products taken off the shelf');
    view.getByText(/somebody who is gone/);
    await studio.user.click(view.getByRole('button', { name: 'Undo: Tag “autumn” added to 4 products' }));
    await view.findByText('undone');
    expect(studio.server.asked.map(({ url, init }) => `${init.method ?? 'GET'} ${url}`)).to.include(
      'DELETE /api/studio/bulk/2',
    );
    expect(view.queryByRole('button', { name: /autumn/ })).to.equal(null);
  });
});
