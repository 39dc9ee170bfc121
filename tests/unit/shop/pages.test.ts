import { expect } from 'chai';
import { compileManifest } from '~/core/lane';
import { definitions } from '~/pieces/definitions';
import { opensSoon } from '~/shop/opens-soon';
import { liveDemoLane } from '../../../demo/lane';
import { withPage } from '../../support/page';
import type { LiveLane } from '~/services/lane/live-lane';

describe('a shop that is not open yet', () => {
  it('says so to strangers in their language, for now, and is not indexed', async () => {
    const lane = liveDemoLane();
    lane.shop.name = 'Reed & <Loft>';
    const live = { lane, manifest: compileManifest(lane, definitions, 0) } as unknown as LiveLane;
    const page = opensSoon(live, 'ar');
    expect(page.status).to.equal(503);
    expect(Number(page.headers.get('retry-after'))).to.be.greaterThan(0);
    expect(page.headers.get('cache-control')).to.equal('no-store');
    const html = await page.text();
    expect(html).to.include('dir="rtl"').and.include('noindex').and.include('Reed &amp; &lt;Loft>');
    expect(html).not.to.include('<Loft>');
  });
});

describe('a list that unfolds over the page', () => {
  const { open } = withPage();
  let turn = 0;

  it('closes with a press elsewhere, and with Escape, which gives the focus back', async () => {
    open('<details data-fold open><summary>Language</summary><a href="#de">Deutsch</a></details><p>Page</p>');
    turn += 1;
    await import(`~/shop/browser/folds?${turn}`);
    const fold = document.querySelector('details')!;
    document.querySelector('a')!.dispatchEvent(new MouseEvent('click', { bubbles: true, cancelable: true }));
    expect(fold.open).to.equal(true);
    document.querySelector('p')!.click();
    expect(fold.open).to.equal(false);

    fold.open = true;
    fold.dispatchEvent(new KeyboardEvent('keydown', { key: 'a', bubbles: true }));
    expect(fold.open).to.equal(true);
    fold.dispatchEvent(new KeyboardEvent('keydown', { key: 'Escape', bubbles: true }));
    expect([fold.open, document.activeElement?.tagName]).to.deep.equal([false, 'SUMMARY']);
  });
});
