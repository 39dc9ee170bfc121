import { expect } from 'chai';
import {
  addPiece,
  describeDifference,
  mentionedIn,
  NO_NAMES,
  selectionOf,
  wordFinding,
  type Lane,
  type LintFinding,
  type ShopNames,
} from '~/core/lane';
import { definitions } from '~/pieces/definitions';
import * as format from '~/studio/data/format';
import { wordChange } from '~/studio/data/word-change';
import { liveDemoLane } from '../../../demo/lane';

/** What the owner reads about a change of the live lane. */
function sentences(change: (lane: Lane) => void, names?: ShopNames): string[] {
  const lane = liveDemoLane();
  change(lane);
  return describeDifference(liveDemoLane(), lane, definitions, names).map(wordChange);
}
const giftOf = (lane: Lane) => ({ ...Object.values(lane.offers)[0]!, kind: 'gift' as const, quantity: 1 });
const quickView = (lane: Lane) => lane.pieces['quick-view']!;

describe('a change in words', () => {
  it('says what is on, off, new and gone', () => {
    expect(sentences((lane) => void (quickView(lane).on = false))).to.deep.equal(['Is turned off.']);
    expect(sentences((lane) => void delete lane.pieces['quick-view'])).to.deep.equal(['Is taken away.']);
    const without = liveDemoLane();
    delete without.pieces['quick-view'];
    expect(describeDifference(without, liveDemoLane(), definitions).map(wordChange)).to.deep.equal(['Is new.']);
    expect(sentences((lane) => void (lane.pieces['buy-bar']!.on = !lane.pieces['buy-bar']!.on))[0]).to.match(
      /^Is turned o/,
    );
  });

  it('names settings of every type as the owner sees them', () => {
    const set = (piece: string, key: string, value: string | number | boolean) =>
      sentences((lane) => void (lane.pieces[piece]!.settings[key] = value))[0];

    expect(set('quick-view', 'width', 500)).to.match(/: 500 px instead of \d+ px\.$/);
    expect(set('quick-view', 'zoom', false)).to.match(/: off instead of on\.$/);
    expect(set('cart-opener', 'placePhone', 'top 50')).to.match(/: top edge, 50 % along instead of /);
    expect(set('cart-opener', 'ownIcon', '/uploads/icon.svg')).to.match(/: a picture of your own instead of none\.$/);
    expect(set('quick-view', 'motion', 'none'))
      .to.match(/: .+ instead of .+\.$/)
      .and.not.include('none instead');
  });

  it('quotes words, and cuts what is long', () => {
    const word = (text: string) => sentences((lane) => void (quickView(lane).words = { en: { open: text } }))[0]!;

    expect(word('Peek')).to.match(/: “Peek” instead of “Quick look”$/);
    expect(word('x'.repeat(61))).to.include(`“${'x'.repeat(60)}…”`);
    expect(sentences((lane) => void (quickView(lane).words = { de: { open: 'Näher' } }))[0]).to.include('(de)');
  });

  it('shows of two long texts where they begin to differ', () => {
    const text = (end: string) => `${'The same at the beginning. '.repeat(10)}${end}`;
    const lanes = ['Then this.', 'Then that.'].map((end) => {
      const lane = liveDemoLane();
      lane.pages['choosing-a-kite']!.text['en'] = text(end);
      return lane;
    });
    const [said] = describeDifference(lanes[0]!, lanes[1]!, definitions).map(wordChange);
    expect(said).to.include('Then that.').and.include('Then this.');
    expect(said!.length).to.be.lessThan(220);
  });

  it('calls everything by its name, wherever the lane names it', () => {
    const names: ShopNames = {
      product: { 'p-101': 'Grey Heron' },
      category: { 'c-7': 'Paper kites' },
      variant: { 'v.55': 'Grey Heron, large' },
    };
    const changes: ((lane: Lane) => void)[] = [
      (lane) => void (quickView(lane).where.products = { mode: 'only', slugs: ['p-101'] }),
      (lane) => void (quickView(lane).where.categories = { mode: 'only', slugs: ['c-7'] }),
      (lane) => {
        const piece = lane.pieces['spares-table']!;
        piece.settings['shows'] = selectionOf({ from: 'picked', picked: { slugs: ['p-101'] } });
      },
      (lane) => {
        const piece = lane.pieces['spares-table']!;
        piece.settings['shows'] = selectionOf({ from: 'category', category: 'c-7', without: { slugs: ['p-101'] } });
      },
      (lane) => {
        const [link] = Object.values(lane.pieces).filter(({ kind }) => kind === 'buy-link');
        link!.settings['goods'] = { sku: 'v.55', quantity: 2, code: '', answers: {} };
      },
      (lane) => {
        const [offer] = Object.values(lane.offers).filter(({ kind }) => kind === 'percentOff');
        Object.assign(offer!, { selection: { only: { products: ['p-101'], categories: ['c-7'] } }, told: true });
      },
      (lane) => void (lane.offers['o-x'] = { ...giftOf(lane), name: 'A gift', variant: 'v.55' }),
      (lane) => void (lane.margins.products['p-101'] = 1000),
      (lane) => void (lane.margins.categories['c-7'] = 1000),
      (lane) => {
        lane.pages['choosing-a-kite']!.text['en'] =
          'Costs <pl-fact product="p-101" fact="price">dear</pl-fact>, <pl-piece name="spares-table"></pl-piece>';
      },
    ];
    for (const change of changes) {
      const lane = liveDemoLane();
      change(lane);
      const found = mentionedIn(lane, definitions);
      expect(
        [found.product.includes('p-101'), found.category.includes('c-7'), found.variant.includes('v.55')],
        String(change),
      ).to.include(true);
      const all = describeDifference(liveDemoLane(), lane, definitions, names);
      expect(all, String(change)).to.have.length(1);
      for (const said of [wordChange(all[0]!), JSON.stringify({ ...all[0]!, at: [], pieceId: null })])
        expect(said).not.to.match(/p-101|c-7|v\.55|pl-fact|pl-piece|spares-table/);
      // What nobody knows any more goes by what stands in the lane.
      expect(() => sentences(change, NO_NAMES)).not.to.throw();
    }
    const added = liveDemoLane();
    const id = addPiece(
      added,
      definitions.find(({ kind }) => kind === 'thanks-page')!,
    );
    const other = structuredClone(added);
    other.pieces[id]!.settings['couponOffer'] = Object.keys(added.offers)[0]!;
    const [said] = describeDifference(added, other, definitions, names).map(wordChange);
    expect(said).to.include(`the offer “${Object.values(added.offers)[0]!.name}”`);
  });

  it('says where parts went, and where they are shown', () => {
    const first = quickView(liveDemoLane()).parts[0]!;
    const part = (change: Partial<typeof first>) =>
      sentences((lane) => void Object.assign(quickView(lane).parts[0]!, change))[0];

    expect(part({ on: !first.on })).to.match(/: no longer shown\.$/);
    expect(part({ hideOn: ['phone'] })).to.match(/: hidden on phones\.$/);
    expect(part({ hideOn: ['desktop', 'phone'] })).to.match(/: hidden on phones and desktops\.$/);
    expect(sentences((lane) => quickView(lane).parts.unshift(quickView(lane).parts.pop()!))[0]).to.match(
      /: comes first\.$/,
    );
    expect(sentences((lane) => quickView(lane).parts.push(quickView(lane).parts.shift()!))[0]).to.match(
      /: comes after .+\.$/,
    );
  });

  it('says on what it is shown, and how it looks', () => {
    expect(sentences((lane) => void (quickView(lane).where.devices = []))[0]).to.match(
      /^Shown on devices: none instead/,
    );
    expect(
      sentences((lane) => void (quickView(lane).where.products = { mode: 'except', slugs: ['heron'] })),
    ).to.deep.equal(['Shown on products: except heron instead of all.']);
    const look = (state: 'rest' | 'hover', value: string) =>
      sentences((lane) => void (quickView(lane).look.slots['add'] = { [state]: { background: value } }))[0];
    expect(look('rest', '#aa0000')).to.match(/, background: #aa0000 instead of the theme\.$/);
    expect(look('hover', 'token:ink')).to.match(/, background \(hover\): Main text instead of the theme\.$/);
    expect(sentences((lane) => void (quickView(lane).look.css = '[data-slot=add]{color:red}'))).to.deep.equal([
      'Its own style rules are changed.',
    ]);
  });

  it('says what becomes of the shop and its offers', () => {
    const { radiusPx } = liveDemoLane().theme;
    expect(sentences((lane) => void (lane.theme.radiusPx = 3))).to.deep.equal([
      `Corners: “3 px” instead of “${radiusPx} px”.`,
    ]);
    expect(sentences((lane) => void (lane.shop.currency = 'SEK'))).to.deep.equal([
      'Currency: “Swedish Krona (SEK)” instead of “Euro (EUR)”.',
    ]);
    expect(
      sentences(
        (lane) =>
          void (lane.shop.tax = {
            basisPoints: 1900,
            included: false,
            rates: { low: { name: 'Low', basisPoints: 700 } },
          }),
      ),
    ).to.deep.equal(['Tax: “19 %, on top; Low 7 %” instead of “20 %, in the prices”.']);
    const zone = { name: 'Near', position: 0, countries: ['DK'], days: '3–5', express: null };
    const steps = [
      { upTo: 2000, amountMinor: 990 },
      { upTo: null, amountMinor: 1490 },
    ];
    const zoned = sentences((lane) => {
      lane.shop.delivery.by = 'weight';
      lane.shop.delivery.zones = { near: { ...zone, steps } };
    });
    expect(zoned).to.deep.equal([
      'Delivery costs come from: “your table, by weight” instead of “the carrier”.',
      'Delivery zone Near: “Denmark; 3–5 working days; up to 2 kg €9.90; beyond €14.90” instead of “none”.',
    ]);
    expect(sentences((lane) => void (lane.legal = { en: { terms: 'All sales are final.' } }))).to.deep.equal([
      'Terms of sale (en): “All sales are final.” instead of “none”.',
    ]);
    const offer = liveDemoLane().offers['free-delivery']!.name;
    expect(sentences((lane) => void delete lane.offers['free-delivery'])).to.deep.equal([
      `The offer “${offer}” is taken away.`,
    ]);
  });
});

describe('a finding in words', () => {
  it('says what to do about it, by the names the owner knows', () => {
    const lane = liveDemoLane();
    const word = (finding: LintFinding) => wordFinding(finding, lane, definitions);

    expect(
      word({ level: 'warning', code: 'nobody-sees', pieceId: 'quick-view', why: { because: 'nowhere' } }),
    ).to.match(/^Quick view is on.*Where/);
    expect(word({ level: 'error', code: 'deleted-product', pieceId: 'quick-view', slug: 'dodo' })).to.match(
      /product “dodo”, which is gone/,
    );
    expect(word({ level: 'error', code: 'deleted-category', pieceId: 'gone', slug: 'stunt' })).to.match(
      /^gone names the category “stunt”/,
    );
    const same = word({ level: 'warning', code: 'same-moment', pieceId: 'slide-out-cart', otherId: 'added-popup' });
    expect(same).to.match(/both open after an add/);
    expect(same).to.match(/Turn “.+” off/);
  });
});

describe('figures in words', () => {
  const { shop } = liveDemoLane();

  it('are whole where they are large, and finer where they are small', () => {
    expect([format.count(1234567), format.percent(0.2), format.percent(0.0321), format.percent(0)]).to.deep.equal([
      '1,234,567',
      '20 %',
      '3.2 %',
      '0 %',
    ]);
    expect([0.0144, -0.0144, 0.0004].map(format.points)).to.deep.equal(['+1.4', '−1.4', '±0']);
  });

  it('are exact for what was paid, and rough for what is guessed', () => {
    expect(format.money(123456, shop)).to.match(/1,234\.56/);
    expect(format.roughMoney(123456, shop)).to.match(/1,200$/);
    expect(format.roughMoney(987, shop)).to.match(/9\.9$/);
  });

  it('tell days as the shop has them', () => {
    expect(format.day('2026-03-01')).to.equal('1 Mar');
    const late = Date.UTC(2026, 6, 1, 23, 30);
    expect(format.moment(late, { ...shop, timeZone: 'UTC' })).to.equal('1 Jul 2026, 23:30');
    expect(format.moment(late, { ...shop, timeZone: 'Asia/Tokyo' })).to.equal('2 Jul 2026, 08:30');
  });
});
