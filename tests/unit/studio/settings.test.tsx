import { expect } from 'chai';
import type { ComponentType } from 'react';
import type { Lane } from '~/core/lane';
import type { SectionProps } from '~/studio/shop/section';
import type * as DraftStore from '~/studio/data/draft-store';
import { draftData, withStudio } from '../../support/studio';
import { liveDemoLane } from '../../../demo/lane';

type Store = typeof DraftStore;

/** A section of the settings on a draft of its own; `now` is the draft as it is. */
function sectionOf<Name extends string>(name: Name, load: () => Promise<Record<Name, (props: never) => unknown>>) {
  const studio = withStudio(async () => ({
    ...(await load()),
    ...(await import('~/studio/data/draft-store')),
  }));
  const show = (lane: Lane = liveDemoLane()) => {
    const { useDraft } = studio.loaded as unknown as Store;
    const Body = (studio.loaded as unknown as Record<string, ComponentType<SectionProps>>)[name]!;
    useDraft.getState().start(draftData(undefined, { lane }));
    function Held() {
      const { lane: held, change } = useDraft();
      return <Body lane={held} change={change} />;
    }
    return { view: studio.show(<Held />), now: () => useDraft.getState().lane };
  };
  return { studio, show };
}

describe('settings of the shop', () => {
  describe('about it', () => {
    const { studio, show } = sectionOf('AboutSection', () => import('~/studio/shop/about-section'));

    it('keep a name, and say what is wrong with an address without losing it', async () => {
      const { view, now } = show();
      await studio.user.clear(view.getByLabelText('Name of the shop'));
      await studio.user.tab();
      expect((await view.findByRole('alert')).textContent).to.equal('A shop needs a name.');
      expect(now().shop.name).to.equal('Hollowtarn Kites');
      await studio.user.type(view.getByLabelText('Name of the shop'), 'Reed & Loft');
      expect(now().shop.name).to.equal('Reed & Loft');

      const mail = view.getByLabelText('E-mail address') as HTMLInputElement;
      await studio.user.clear(mail);
      await studio.user.type(mail, 'nobody');
      await studio.user.tab();
      await view.findByText('Enter an e-mail address such as name@example.com.');
      expect([mail.value, now().shop.email]).to.deep.equal(['nobody', '']);
    });

    it('write sums as the country does, and put a language first', async () => {
      const { view, now } = show();
      await studio.user.selectOptions(view.getByLabelText('Country'), 'Denmark');
      expect([now().shop.delivery.home, now().shop.locale]).to.deep.equal(['DK', 'en-DK']);
      await studio.user.click(view.getAllByText('Make it the first')[0]!);
      expect([now().shop.languages, now().shop.locale]).to.deep.equal([['de', 'en', 'ar'], 'de-DK']);
      await studio.user.selectOptions(view.getByLabelText('Add a language'), 'French (fr)');
      await studio.user.click(view.getByLabelText('Remove Arabic'));
      await studio.user.click(await view.findByText('Take out Arabic'));
      expect(now().shop.languages).to.deep.equal(['de', 'en', 'fr']);
    });

    it('say what is written in a language before it is taken out', async () => {
      const lane = liveDemoLane();
      lane.legal = { de: { terms: 'Bedingungen.' } };
      const { view, now } = show(lane);
      await studio.user.click(view.getByLabelText('Remove German'));
      const dialog = await view.findByRole('dialog');
      expect(dialog.textContent).to.include('Terms of sale: written in German alone.');
      await studio.user.click(view.getByText('Cancel'));
      expect(now().shop.languages).to.include('de');
      await studio.user.click(view.getByLabelText('Remove German'));
      await studio.user.click(await view.findByText('Take out German'));
      expect(now().shop.languages).not.to.include('de');
    });

    it('say what a change of the currency does before it is done, and what stands in its way', async () => {
      const { view } = show();
      studio.server.answers((url) =>
        String(url).includes('rate=1')
          ? Response.json({
              from: 'EUR',
              to: 'JPY',
              products: 3,
              offers: 1,
              zones: 0,
              orders: 2,
              examples: [{ name: 'Merlin', fromMinor: 16_900, toMinor: 169 }],
            })
          : Response.json(
              { problems: [{ path: 'rate', message: 'Some prices would become nothing.' }] },
              { status: 422 },
            ),
      );
      await studio.user.click(view.getByText('Change the currency …'));
      expect((view.getByRole('button', { name: 'Change the currency' }) as HTMLButtonElement).disabled).to.equal(true);
      await studio.user.selectOptions(view.getByLabelText('New currency'), 'Japanese Yen (JPY)');
      const plan = await view.findByTestId('plan');
      expect(plan.textContent).to.match(/3 products.*1 offer.*Merlin€169.00JP¥169.*2 paid orders keep/);
      await studio.user.click(view.getByLabelText('are converted:'));
      const rate = view.getByLabelText('JPY for 1 EUR');
      await studio.user.clear(rate);
      await studio.user.type(rate, '0.01');
      await view.findByText('Some prices would become nothing.');
      expect(view.queryByTestId('plan')).to.equal(null);
    });

    it('begin as is usual in the country while the shop is not open', async () => {
      const { useDraft } = studio.loaded as unknown as Store;
      const { view, now } = show();
      await studio.act(async () => useDraft.setState({ live: { ...useDraft.getState().live, revision: 0 } }));
      await studio.user.selectOptions(view.getByLabelText('Country'), 'Japan');
      // It has prices, whose currency is changed in a step of its own.
      expect([now().shop.currency, now().shop.timeZone, now().shop.locale]).to.deep.equal([
        'EUR',
        'Asia/Tokyo',
        'en-JP',
      ]);
    });
  });

  describe('its look', () => {
    const { studio, show } = sectionOf('LookSection', () => import('~/studio/shop/look-section'));

    it('say which text is too faint, and mend it by one press', async () => {
      const lane = liveDemoLane();
      lane.theme.muted = '#aab8bd';
      const { view, now } = show(lane);
      view.getByText(/Quiet text on page: .* too faint/);
      await studio.user.click(view.getAllByText(/^Use/)[0]!);
      expect(now().theme.muted).not.to.equal('#aab8bd');
      await view.findByText(/Every text can be read/);
    });

    it('take colours over from pasted style rules', async () => {
      const { view, now } = show();
      await studio.user.click(view.getByText('Read colours from CSS …'));
      await studio.user.click(view.getByLabelText('Style rules'));
      await studio.user.paste(':root{--accent:#225544;--page-bg:#fffaf0;--radius:3px}');
      expect((await view.findByTestId('found-colours')).textContent).to.include('#225544');
      await studio.user.click(view.getByText('Take over 3 values'));
      expect(now().theme).to.include({ accent: '#225544', paper: '#fffaf0', radiusPx: 3 });
    });
  });

  describe('its delivery', () => {
    const { studio, show } = sectionOf('DeliverySection', () => import('~/studio/shop/delivery-section'));

    it('begin a table with the country of the shop, and keep its steps going up', async () => {
      const { view, now } = show();
      await studio.user.click(view.getByLabelText('By weight'));
      const zone = () => Object.values(now().shop.delivery.zones)[0]!;
      expect(zone()).to.deep.include({ name: 'Germany', countries: ['DE'] });

      await studio.user.click(view.getByText('Add a step'));
      expect(zone().steps.map(({ upTo }) => upTo)).to.deep.equal([1000, null]);
      const costs = view.getByLabelText('Step 1 costs');
      await studio.user.clear(costs);
      await studio.user.type(costs, '3.5');
      expect(zone().steps[0]!.amountMinor).to.equal(350);
      await studio.user.click(view.getByText('Add a step'));
      const second = view.getByLabelText('Step 2 up to');
      await studio.user.clear(second);
      await studio.user.type(second, '1');
      await view.findByText('Each step must be more than the one before it.');
      expect(zone().steps[1]!.upTo).to.equal(2000);

      await studio.user.selectOptions(view.getByLabelText('Add a country to Germany'), 'Austria');
      await studio.user.click(view.getByLabelText('Remove Germany'));
      expect(zone().countries).to.deep.equal(['AT']);
      await studio.user.click(view.getByLabelText('Express, too'));
      expect(zone().express).to.deep.equal({ days: '1–2', extraMinor: 800 });
      await studio.user.click(view.getByText('Remove the zone'));
      expect(now().shop.delivery.zones).to.deep.equal({});
    });

    it('are free from a sum, through the one offer that says so', async () => {
      const { view, now } = show();
      await studio.user.click(view.getByLabelText('Free standard delivery from'));
      expect(now().offers['free-delivery']).to.include({ kind: 'deliveryOff', on: false });
      await studio.user.click(view.getByLabelText('Free standard delivery from'));
      const sum = view.getByLabelText('Free delivery from');
      await studio.user.clear(sum);
      await studio.user.type(sum, '75');
      expect(now().offers['free-delivery']).to.include({ on: true });
      expect(now().offers['free-delivery']!.when.minGoodsMinor).to.equal(7500);
      expect(Object.values(now().offers).filter(({ kind }) => kind === 'deliveryOff')).to.have.length(1);
    });
  });

  describe('its words', () => {
    const { studio, show } = sectionOf('WordsSection', () => import('~/studio/shop/words-section'));

    it('are found, written in a language, and put back', async () => {
      const { view, now } = show();
      await studio.user.type(view.getByLabelText('Find words'), 'cart link');
      await studio.user.click(view.getByLabelText('German'));
      const field = view.getByLabelText('Cart link');
      await studio.user.clear(field);
      await studio.user.type(field, 'Korb');
      expect(now().shopWords['de']!['cart']).to.equal('Korb');
      await studio.user.click(view.getByText('back to default'));
      expect(now().shopWords['de']!['cart']).to.equal(undefined);
    });

    it('call the cart a bag by one press, with every sentence to be seen', async () => {
      const { view, now } = show();
      await studio.user.click(view.getByLabelText('Bag'));
      expect(now().shop.cart.kind).to.equal('bag');
      await studio.user.click(view.getByText(/texts change; see each$/));
      expect((await view.findByTestId('renamed-de')).textContent).to.include('In die Tasche');
      await studio.user.click(view.getByLabelText('A word of your own'));
      await studio.user.type(view.getByLabelText('In German'), 'Netz');
      await studio.user.selectOptions(view.getByLabelText('Article in German'), 'das');
      expect(now().shop.cart.own['de']).to.deep.equal({ word: 'Netz', gender: 'n' });
    });
  });

  describe('its tax and legal pages', () => {
    const tax = sectionOf('TaxSection', () => import('~/studio/shop/tax-section'));
    it('set the rate in per cent, and whether prices hold it', async () => {
      const { view, now } = tax.show();
      const rate = view.getByLabelText('Tax rate in percent');
      await tax.studio.user.clear(rate);
      await tax.studio.user.type(rate, '8.1');
      await tax.studio.user.click(view.getByLabelText('Tax comes on top'));
      expect(now().shop.tax).to.deep.equal({ basisPoints: 810, included: false, rates: {} });

      await tax.studio.user.click(view.getByText('Add a rate'));
      const low = view.getByLabelText('Percent of Reduced');
      await tax.studio.user.clear(low);
      await tax.studio.user.type(low, '7');
      expect(now().shop.tax.rates).to.deep.equal({ reduced: { name: 'Reduced', basisPoints: 700 } });
      await tax.studio.user.click(view.getByLabelText('Remove Reduced'));
      expect(now().shop.tax.rates).to.deep.equal({});
    });
  });

  describe('its legal pages', () => {
    const { studio, show } = sectionOf('LegalSection', () => import('~/studio/shop/legal-section'));
    it('are written by language', async () => {
      const { view, now } = show();
      await studio.user.type(view.getByLabelText('Terms of sale'), 'All made up.');
      await studio.user.click(view.getByLabelText('German'));
      await studio.user.type(view.getByLabelText('Terms of sale'), 'Alles erfunden.');
      expect(now().legal).to.deep.equal({ en: { terms: 'All made up.' }, de: { terms: 'Alles erfunden.' } });
    });
  });
});
