import { expect } from 'chai';
import { followTimedOffer } from '~/shop/browser/timed-offer';
import { settled, withPage } from '../../support/page';

describe('an offer that ends', () => {
  const { open } = withPage();
  const drawn = (stands: string, left = 90_000) => {
    open(
      `<main><section data-pl-left="${left}" data-pl-stands="${stands}" data-pl-motion="rise" data-pl-once="pl_offer_7"><h2>More</h2><p data-pl-clock="{time} left" hidden></p><button data-pl-close hidden>No</button></section><p>After</p></main>`,
    );
    return document.querySelector<HTMLElement>('section')!;
  };

  it('counts from what was left when it was drawn, and is gone when it is over', async () => {
    const box = drawn('page', 40);
    const began = performance.now();
    followTimedOffer(box, () => performance.now() - began);
    expect(box.querySelector('p')!.textContent).to.equal('0:00:01 left');
    expect([box.hidden, box.querySelector('p')!.hidden]).to.deep.equal([false, false]);
    await new Promise((resolve) => setTimeout(resolve, 80));
    expect(box.hidden).to.equal(true);

    const late = drawn('popup', 0);
    followTimedOffer(late, () => 1);
    expect([late.hidden, document.querySelector('dialog')]).to.deep.equal([true, null]);
  });

  it('lies over the page once for an order, and stands in its place again', async () => {
    const box = drawn('popup');
    followTimedOffer(box, () => 0);
    const dialog = document.querySelector('dialog')!;
    expect(dialog.contains(box)).to.equal(true);
    expect(document.getElementById(dialog.getAttribute('aria-labelledby')!)!.textContent).to.equal('More');
    expect(dialog.dataset['motion']).to.equal('rise');

    const close = box.querySelector('button')!;
    expect(close.hidden).to.equal(false);
    close.click();
    await settled();

    expect(document.querySelector('dialog')).to.equal(null);
    expect(box.nextElementSibling!.textContent).to.equal('After');
    expect(close.hidden).to.equal(true);
    // Come back to, the page does not say it again.
    followTimedOffer(box, () => 0);
    expect(document.querySelector('dialog')).to.equal(null);
    // End what still counts.
    box.dataset['plLeft'] = '0';
  });

  it('stays in its place where nothing can be kept', () => {
    const box = drawn('popup');
    Object.defineProperty(globalThis, 'localStorage', {
      configurable: true,
      get() {
        throw new Error('shut');
      },
    });
    followTimedOffer(box, () => 0);
    expect(document.querySelector('dialog')).to.equal(null);
    expect(box.hidden).to.equal(false);
    box.dataset['plLeft'] = '0';
  });
});
