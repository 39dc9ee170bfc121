import fc from 'fast-check';
import { expect } from 'chai';
import { contrastRatio } from '~/core/proof';
import { copyLook } from '~/core/lane/document/copy-look';
import { readTokens, writeTokens } from '~/core/lane/document/design-tokens';
import { proposeStates } from '~/core/lane/settings/propose-states';
import { THEME_COLOURS, type Theme } from '~/core/lane';
import { definitionOf } from '~/pieces/definitions';
import { liveDemoLane } from '../../../demo/lane';

const hex = fc.integer({ min: 0, max: 0xffffff }).map((value) => `#${value.toString(16).padStart(6, '0')}`);

describe('design tokens', () => {
  const { theme } = liveDemoLane();
  const codes = (file: unknown) => {
    const read = readTokens(typeof file === 'string' ? file : JSON.stringify(file));
    return read.ok ? null : [read.problems[0]!.code, read.problems[0]!.path];
  };

  it('carry a theme there and back, whatever its colours', () => {
    const themes = fc.record({
      ...Object.fromEntries(THEME_COLOURS.map((key) => [key, hex])),
      radiusPx: fc.integer({ min: 0, max: 40 }),
      font: fc.constantFrom('figtree', 'bricolage', 'system', 'serif'),
    }) as unknown as fc.Arbitrary<Theme>;
    fc.assert(
      fc.property(themes, (made) => {
        const read = readTokens(writeTokens(made));
        if (!read.ok) throw new Error(JSON.stringify(read.problems));
        expect(read.value).to.deep.equal({ theme: made, leftOut: [] });
      }),
    );
  });

  it('of another make are taken by what their names stand for, aliases followed', () => {
    const read = readTokens(
      JSON.stringify({
        base: { $type: 'color', teal: { $value: '#1c4e5f' }, lilac: { $value: '#aa88cc' } },
        brand: { primary: { $type: 'color', $value: '{base.teal}' } },
        text: { $type: 'color', muted: { $value: { colorSpace: 'srgb', components: [0.2, 0.2, 0.2] } } },
        shape: { radius: { $type: 'dimension', $value: '0.5rem' } },
        space: { gap: { $type: 'dimension', $value: '8px' } },
      }),
    );
    if (!read.ok) throw new Error(JSON.stringify(read.problems));
    expect(read.value.theme).to.include({ accent: '#1c4e5f', muted: '#333333', radiusPx: 8 });
    expect(read.value.leftOut).to.include('space.gap');
    expect(theme.accent).to.be.a('string');
  });

  it('are refused with the place: circles, aliases to nothing, colours that are none, other files', () => {
    const alias = (to: string) => ({ $type: 'color', $value: `{${to}}` });
    expect(codes({ a: alias('b'), b: alias('c'), c: alias('a') })).to.deep.equal(['tokens-circle', 'a']);
    expect(codes({ a: alias('a') })).to.deep.equal(['tokens-circle', 'a']);
    expect(codes({ a: alias('gone') })).to.deep.equal(['tokens-nowhere', 'a']);
    expect(codes({ accent: { $type: 'color', $value: 'reddish' } })).to.deep.equal(['tokens-colour', 'accent']);
    expect(codes('{')).to.deep.equal(['tokens-unreadable', 'file']);
    expect(codes({ lane: 1 })).to.deep.equal(['tokens-unreadable', 'file']);
    expect(codes(`${'{"a":'.repeat(60)}1${'}'.repeat(60)}`)).to.deep.equal(['tokens-unreadable', 'file']);
  });
});

describe('the other states of a look', () => {
  it('are proposed from how it is at rest: another ground, and a text that can be read on it', () => {
    fc.assert(
      fc.property(hex, fc.constantFrom('#ffffff', '#000000', '#12333b'), (background, text) => {
        const states = proposeStates({ background, text }, ['rest', 'hover', 'pressed']);
        expect(Object.keys(states)).to.deep.equal(['hover', 'pressed']);
        for (const rules of Object.values(states)) {
          expect(rules!.background).to.match(/^#[0-9a-f]{6}$/);
          const read = String(rules!.text ?? text);
          expect(contrastRatio(read, String(rules!.background))).to.be.at.least(4.5);
        }
      }),
    );
    expect(proposeStates({ background: '#1c4e5f', text: '#ffffff' }, ['rest', 'hover'])['hover']).not.to.have.property(
      'text',
    );
  });
});

describe('the look of another piece', () => {
  it('is taken over where both have the place, the state and the property', () => {
    const { pieces } = liveDemoLane();
    const [from, to] = [pieces['quick-view']!, pieces['added-popup']!];
    from.look.slots = {
      panel: { rest: { background: '#123456', shade: '#000000' }, pressed: { background: '#000000' } },
      shortText: { rest: { text: '#111111' } },
    };
    to.look.slots = { panel: { rest: { text: '#eeeeee' } } };
    expect(copyLook(from, to, definitionOf('added-popup')!)).to.equal(1);
    expect(to.look.slots['panel']!['rest']).to.deep.include({ background: '#123456' });
    expect(to.look.slots['panel']!['rest']).not.to.have.property('text');
    expect(to.look.slots['panel']).not.to.have.property('pressed');
    expect(to.look.slots).not.to.have.property('shortText');
  });
});
