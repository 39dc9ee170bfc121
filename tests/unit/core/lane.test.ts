import { expect } from 'chai';
import fc from 'fast-check';
import {
  applyLanePatch,
  compileManifest,
  describeDifference,
  diffLanes,
  dropChange,
  invertPatch,
  lintLane,
  patchesClash,
  readLane,
  type Lane,
} from '~/core/lane';
import { definitionOf, definitions } from '~/pieces/definitions';
import { draftDemoLane, liveDemoLane } from '../../../demo/lane';

const slugs = {
  // What the demo's own texts and tables name is there.
  products: new Set(['lapwing', 'wagtail', 'heron', 'kestrel']),
  categories: new Set(['power', 'spares']),
};

function changed(change: (lane: Lane) => void): Lane {
  const lane = liveDemoLane();
  change(lane);
  return lane;
}

/** The demo's collision settled, so that a test of the lint finds what it is about and nothing else. */
function calm(change: (lane: Lane) => void): Lane {
  return changed((lane) => {
    lane.pieces['slide-out-cart']!.settings['opensOnAdd'] = false;
    change(lane);
  });
}

describe('readLane', () => {
  it('reads what it wrote', () => {
    const lane = liveDemoLane();

    expect(readLane(JSON.parse(JSON.stringify(lane)), definitions)).to.deep.equal({ ok: true, value: lane });
  });

  it('names the place that is wrong', () => {
    const read = readLane(
      changed((lane) => void (lane.pieces['quick-view']!.settings['width'] = 9000)),
      definitions,
    );

    expect(read.ok || read.problems[0]?.path).to.equal('pieces/quick-view/settings/width');
  });

  it('refuses a document of a newer version, and says so', () => {
    const read = readLane({ ...liveDemoLane(), version: 9 }, definitions);

    expect(read.ok || read.problems[0]?.code).to.equal('lane-version');
  });

  it('fills in settings and parts that a document from before them does not have', () => {
    const lane = changed((draft) => {
      delete draft.pieces['quick-view']!.settings['zoom'];
      draft.pieces['quick-view']!.parts.pop();
    });

    const read = readLane(lane, definitions);

    expect(read.ok && read.value.pieces['quick-view']!.settings['zoom']).to.equal(true);
    expect(read.ok && read.value.pieces['quick-view']!.parts.length).to.equal(
      liveDemoLane().pieces['quick-view']!.parts.length,
    );
  });

  it('puts in what the shop always has, where a document from before it does not', () => {
    const lane = changed((draft) => void delete draft.pieces['checkout']);

    const read = readLane(lane, definitions);

    expect(read.ok && read.value.pieces['checkout']?.kind).to.equal('checkout');
  });

  it('refuses a place that is none and a picture from elsewhere', () => {
    const withSetting = (key: string, value: string) =>
      readLane(
        changed((lane) => void (lane.pieces['cart-opener']!.settings[key] = value)),
        definitions,
      ).ok;

    expect(withSetting('placePhone', 'bottom 50')).to.equal(true);
    expect(withSetting('placePhone', 'middle 101')).to.equal(false);
    expect(withSetting('ownIcon', 'https://evil.example/x.svg')).to.equal(false);
  });

  it('refuses a part that stands twice and a setting nobody knows', () => {
    expect(
      readLane(
        changed((lane) => void lane.pieces['quick-view']!.parts.push({ key: 'name', on: true, hideOn: [] })),
        definitions,
      ).ok,
    ).to.equal(false);
    expect(
      readLane(
        changed((lane) => void (lane.pieces['quick-view']!.settings['sparkle'] = 1)),
        definitions,
      ).ok,
    ).to.equal(false);
  });
});

describe('lane patches', () => {
  it('lead from one lane to another and back', () => {
    const [from, to] = [liveDemoLane(), draftDemoLane()];
    const patch = diffLanes(from, to);

    const forth = applyLanePatch(from, patch, definitions);
    const inverse = invertPatch(from, patch, definitions);
    const back = forth.ok && inverse.ok && applyLanePatch(forth.value, inverse.value, definitions);

    expect(forth).to.deep.equal({ ok: true, value: to });
    expect(back).to.deep.equal({ ok: true, value: from });
  });

  it('are undone by their inverse, whatever was changed', () => {
    const all = liveDemoLane().pieces['quick-view']!.parts;
    const parts = fc.shuffledSubarray(all, { minLength: all.length });
    fc.assert(
      fc.property(
        parts,
        fc.boolean(),
        fc.integer({ min: 420, max: 1100 }),
        fc.string({ maxLength: 40 }),
        (order, zoom, width, text) => {
          const from = draftDemoLane();
          const to = draftDemoLane();
          const piece = to.pieces['quick-view']!;
          piece.parts = order.map((part) => ({ ...part, on: zoom }));
          piece.settings = { ...piece.settings, zoom, width };
          piece.words = { en: { open: text } };
          const patch = diffLanes(from, to);
          const inverse = patch.length === 0 ? null : invertPatch(from, patch, definitions);
          if (!inverse) return true;
          const back = inverse.ok && applyLanePatch(to, inverse.value, definitions);
          return back && back.ok && JSON.stringify(sorted(back.value)) === JSON.stringify(sorted(from));
        },
      ),
      { numRuns: 60 },
    );
  });

  it('are refused with the place when they would make the lane invalid, and change nothing', () => {
    const lane = liveDemoLane();

    const refused = applyLanePatch(
      lane,
      [{ op: 'replace', path: '/pieces/quick-view/settings/motion', value: 'explode' }],
      definitions,
    );

    expect(refused.ok || refused.problems[0]?.path).to.equal('pieces/quick-view/settings/motion');
    expect(lane).to.deep.equal(liveDemoLane());
  });

  it('are refused when they point nowhere, and cannot reach a prototype', () => {
    expect(applyLanePatch(liveDemoLane(), [{ op: 'remove', path: '/pieces/gone/on' }], definitions).ok).to.equal(false);
    applyLanePatch(liveDemoLane(), [{ op: 'add', path: '/__proto__/polluted', value: 1 }], definitions);
    expect(({} as Record<string, unknown>)['polluted']).to.equal(undefined);
  });

  it('clash when they touch one place, one list, or one inside the other', () => {
    const at = (path: string) => [{ op: 'replace' as const, path, value: 1 }];

    expect(patchesClash(at('/pieces/a/words/en/open'), at('/pieces/a/words/en/close'))).to.equal(false);
    expect(patchesClash(at('/pieces/a/words/en/open'), at('/pieces/a/words'))).to.equal(true);
    expect(patchesClash(at('/pieces/a/parts/0/on'), at('/pieces/a/parts/3'))).to.equal(true);
  });
});

describe('compileManifest', () => {
  it('leaves out pieces that are off, parts that are off, offers and costs', () => {
    const manifest = compileManifest(
      changed((lane) => void (lane.pieces['slide-out-cart']!.on = false)),
      definitions,
      7,
    );

    expect(manifest.pieces.map((piece) => piece.id))
      .to.include('quick-view')
      .and.not.include('slide-out-cart');
    expect(manifest.pieces[0]!.parts.map((part) => part.key)).not.to.include('video');
    // A buy link says its code to whoever presses it, and is drawn by the server alone.
    const sent = manifest.pieces.filter(({ kind }) => !definitionOf(kind)!.isDrawnOnly);
    expect(JSON.stringify({ ...manifest, pieces: sent })).not.to.match(/offers|costMinor|margin|thresholdMinor|WIND10/);
    expect(manifest.revision).to.equal(7);
  });

  it('keeps what the shop always has, even off, and puts first what opens first', () => {
    const lane = changed((draft) => {
      draft.pieces['checkout']!.on = false;
      draft.pieces['checkout']!.where.devices = [];
    });

    const { pieces } = compileManifest(lane, definitions, 1);

    expect(pieces.find((piece) => piece.id === 'checkout')?.where.devices).to.have.length(3);
    const opening = pieces.filter((piece) => piece.opensOn.includes('added-to-cart')).map((piece) => piece.id);
    expect(opening).to.deep.equal(['added-popup', 'slide-out-cart']);
  });

  it('speaks the language asked for, with the owner’s own words first', () => {
    const lane = changed((draft) => void (draft.pieces['quick-view']!.words = { de: { open: 'Näher' } }));

    expect(compileManifest(lane, definitions, 1, 'de').pieces[0]!.words['open']).to.equal('Näher');
    expect(compileManifest(lane, definitions, 1, 'de').pieces[0]!.words['close']).to.equal('Schließen');
    expect(compileManifest(lane, definitions, 1, 'fr').pieces[0]!.words['open']).to.equal('Quick look');
  });

  it('turns looks into rules for each state', () => {
    const lane = changed(
      (draft) =>
        void (draft.pieces['quick-view']!.look.slots['add'] = {
          hover: { background: '#aa0000' },
          rest: { radius: 4 },
        }),
    );

    const css = compileManifest(lane, definitions, 1).pieces[0]!.css;

    expect(css).to.include(
      '[data-slot=add]{background-color:var(--pl-accent);color:var(--pl-on-accent);font-size:1rem;border-radius:4px;--pl-radius:4px}',
    );
    expect(css).to.include('[data-slot=add]:is(:hover,[data-force=hover]){background-color:#aa0000}');
  });
});

describe('a part hidden on a device', () => {
  it('is hidden by the style sheet too, so that what the server drew is right at once', () => {
    const lane = changed((draft) => {
      Object.assign(
        draft.pieces['checkout']!.parts.find(({ key }) => key === 'note')!,
        { on: true, hideOn: ['phone', 'desktop'] },
      );
      Object.assign(
        draft.pieces['checkout']!.parts.find(({ key }) => key === 'coupon')!,
        { on: false, hideOn: ['phone'] },
      );
    });

    const { css } = compileManifest(lane, definitions, 1).pieces.find(({ kind }) => kind === 'checkout')!;

    expect(css.match(/@media[^}]+\}/g)).to.deep.equal([
      '@media (max-width:639.98px){[data-part=note]{display:none!important}',
      '@media (min-width:1024px){[data-part=note]{display:none!important}',
    ]);
  });
});

describe('describeDifference', () => {
  it('finds nothing between equal lanes, and the demo’s seven changes', () => {
    expect(describeDifference(liveDemoLane(), liveDemoLane(), definitions)).to.deep.equal([]);
    expect(describeDifference(liveDemoLane(), draftDemoLane(), definitions)).to.have.length(7);
  });

  it('says one part moved, not that all others did', () => {
    const lane = changed((draft) => {
      const { parts } = draft.pieces['quick-view']!;
      parts.push(parts.shift()!);
    });

    expect(describeDifference(liveDemoLane(), lane, definitions)).to.deep.equal([
      {
        pieceId: 'quick-view',
        pieceName: 'Quick view',
        at: ['pieces', 'quick-view', 'parts', 'name', 'place'],
        code: 'part-moved',
        what: 'Name',
        after: 'Link to the page',
      },
    ]);
  });
});

describe('dropChange', () => {
  const moved = (): Lane =>
    changed((draft) => {
      Object.assign(draft, draftDemoLane());
      const quickView = draft.pieces['quick-view']!;
      quickView.parts.unshift(quickView.parts.pop()!);
      quickView.look.slots = { add: { hover: { background: '#aa0000' } } };
      quickView.look.css = '[data-slot=add]{color:red}';
      quickView.where.devices = ['phone'];
      draft.pieces['buy-bar']!.on = false;
      delete draft.pieces['added-popup'];
      draft.shop.name = 'Reed & Loft';
      draft.shop.tax.included = false;
      draft.shop.cart = { kind: 'bag', own: {} };
      draft.theme.accent = '#225544';
      draft.shopWords = { ...draft.shopWords, de: { ...draft.shopWords['de'], cart: 'Korb' } };
      draft.legal = { en: { terms: 'All made up.' } };
      delete draft.offers['free-delivery'];
      const steps = [{ upTo: null, amountMinor: 490 }];
      draft.shop.delivery.zones = {
        near: { name: 'Near', position: 0, countries: ['DK'], days: '2', steps, express: null },
      };
    });

  it('takes each change out alone, and leaves all others as they are', () => {
    const live = liveDemoLane();
    const all = describeDifference(live, moved(), definitions);
    expect(all.length).to.be.greaterThan(18);
    for (const change of all) {
      const draft = structuredClone(moved());
      dropChange(draft, live, change);
      expect(readLane(draft, definitions).ok, JSON.stringify(change)).to.equal(true);
      const left = describeDifference(live, draft, definitions);
      const told = (one: { at: readonly string[]; code: string }) => `${one.code} ${one.at.join('/')}`;
      expect(left.map(told)).to.have.members(all.filter((one) => one !== change).map(told));
    }
  });

  it('leaves nothing when all are taken out', () => {
    const live = liveDemoLane();
    const draft = structuredClone(moved());
    for (const change of describeDifference(live, moved(), definitions)) dropChange(draft, live, change);
    expect(describeDifference(live, draft, definitions)).to.deep.equal([]);
  });
});

describe('lintLane', () => {
  it('finds a piece nobody can see', () => {
    const lane = calm((draft) => void (draft.pieces['quick-view']!.where.devices = []));

    expect(lintLane(lane, definitions, slugs)).to.deep.equal([
      { level: 'warning', code: 'nobody-sees', pieceId: 'quick-view', why: { because: 'nowhere' } },
    ]);
  });

  it('finds links to what is gone, and lets those that exist be', () => {
    const lane = calm(
      (draft) => void (draft.pieces['quick-view']!.where.products = { mode: 'except', slugs: ['lapwing', 'dodo'] }),
    );

    expect(lintLane(lane, definitions, slugs)).to.deep.equal([
      { level: 'error', code: 'deleted-product', pieceId: 'quick-view', slug: 'dodo' },
    ]);
  });

  it('finds two surfaces that answer the same moment', () => {
    expect(lintLane(liveDemoLane(), definitions, slugs)).to.deep.equal([
      { level: 'warning', code: 'same-moment', pieceId: 'slide-out-cart', otherId: 'added-popup' },
    ]);
  });

  it('does not, where no shopper sees both', () => {
    const lane = changed((draft) => {
      draft.pieces['slide-out-cart']!.where.devices = ['desktop'];
      draft.pieces['added-popup']!.where.devices = ['phone', 'tablet'];
    });

    expect(lintLane(lane, definitions, slugs)).to.deep.equal([]);
  });

  it('asks nothing of pieces that are off', () => {
    const lane = calm((draft) => {
      draft.pieces['quick-view']!.on = false;
      draft.pieces['quick-view']!.where.pages = [];
    });

    expect(lintLane(lane, definitions, slugs)).to.deep.equal([]);
  });
});

function sorted(value: unknown): unknown {
  if (Array.isArray(value)) return value.map(sorted);
  if (typeof value !== 'object' || value === null) return value;
  return Object.fromEntries(
    Object.entries(value)
      .sort(([a], [b]) => (a < b ? -1 : 1))
      .map(([key, inner]) => [key, sorted(inner)]),
  );
}
