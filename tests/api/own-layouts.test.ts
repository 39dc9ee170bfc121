import { expect } from 'chai';
import { layoutOf, newPiece } from '~/core/lane';
import { definitionOf } from '~/pieces/definitions';
import { listLayouts, removeLayout, saveLayout } from '~/services/lane/own-layouts';
import { openTestShop, type TestShop } from '../support/shop';

describe('layouts an owner keeps', () => {
  let shop: TestShop;
  before(async () => {
    shop = await openTestShop();
  });
  after(() => shop.close());

  const listing = definitionOf('listing')!;
  const layout = layoutOf(newPiece(listing, true), listing);

  it('are listed by kind and name, written over by name, and removed', async () => {
    await saveLayout(shop.app, { kind: 'listing', name: 'Wide', layout });
    const both = await saveLayout(shop.app, { kind: 'listing', name: 'Narrow', layout });
    expect(both.ok && both.value.map(({ name }) => name)).to.deep.equal(['Narrow', 'Wide']);
    const moved = { ...layout, parts: [...layout.parts].reverse() };
    await saveLayout(shop.app, { kind: 'listing', name: 'Wide', layout: moved });

    const kept = await listLayouts(shop.app, 'listing');
    expect(kept.map(({ name }) => name)).to.deep.equal(['Narrow', 'Wide']);
    expect(kept[1]!.layout).to.deep.equal(moved);
    expect(await listLayouts(shop.app, 'thanks-page')).to.deep.equal([]);
    expect(await listLayouts(shop.app, 'no-kind')).to.deep.equal([]);

    expect((await removeLayout(shop.app, kept[0]!.id)).ok).to.equal(true);
    expect((await removeLayout(shop.app, kept[0]!.id)).ok).to.equal(false);
    expect(await listLayouts(shop.app, 'listing')).to.have.length(1);
  });

  it('are refused where they are none, and where there are many', async () => {
    const code = async (wanted: Parameters<typeof saveLayout>[1]) => {
      const saved = await saveLayout(shop.app, wanted);
      return saved.ok ? 'ok' : `${saved.problems[0]!.path} ${saved.problems[0]!.code}`;
    };
    expect(await code({ kind: 'no-kind', name: 'A', layout })).to.equal('kind not-found');
    expect(await code({ kind: 'listing', name: 'A', layout: { ...layout, settings: { size: 'enormous' } } })).to.match(
      /invalid/,
    );
    for (let i = 0; i < 60; i += 1) await saveLayout(shop.app, { kind: 'listing', name: `L${i}`, layout });
    expect(await listLayouts(shop.app, 'listing')).to.have.length(40);
    expect(await code({ kind: 'listing', name: 'Yet another', layout })).to.equal('name too-many-layouts');
    expect(await code({ kind: 'listing', name: 'Wide', layout })).to.equal('ok');
  });

  it('that a kind cannot read any more are not listed', async () => {
    await shop.app.db.run(
      `UPDATE layouts SET document = '{"parts":[{"key":"gone","on":true,"hideOn":[]}]}' WHERE name = 'Wide'`,
    );
    expect((await listLayouts(shop.app, 'listing')).map(({ name }) => name)).not.to.include('Wide');
  });
});
