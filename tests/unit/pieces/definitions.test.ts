import { expect } from 'chai';
import {
  applyLayout,
  compileManifest,
  describeDifference,
  LOOK_PROPERTIES,
  newPiece,
  readLane,
  resetPart,
  type Lane,
} from '~/core/lane';
import { own } from '~/core/own';
import { definitionOf, definitions, definitionWithRole, situationsOf } from '~/pieces/definitions';
import { servers } from '~/pieces/servers';
import { views } from '~/pieces/views';
import { wordChange } from '~/studio/data/word-change';
import { liveDemoLane } from '../../../demo/lane';
import { another } from '../../support/another';

function laneWith(kind: string): Lane {
  return { ...liveDemoLane(), pieces: { it: newPiece(definitionOf(kind)!, true) } };
}

describe('the lists of kinds', () => {
  it('name the same kinds, each once', () => {
    const viewed = definitions.filter(({ isDrawnOnly }) => !isDrawnOnly);
    expect(Object.keys(views).sort()).to.deep.equal(viewed.map(({ kind }) => kind).sort());
    const drawn = definitions.filter(({ spots = [] }) => spots.length > 0);
    expect(Object.keys(servers).sort()).to.deep.equal(drawn.map(({ kind }) => kind).sort());
    expect(new Set(definitions.map((definition) => definition.kind)).size).to.equal(definitions.length);
  });

  it('have one kind for each role that others ask for', () => {
    const roles = definitions.flatMap(({ role }) => role ?? []);
    expect(roles.toSorted()).to.deep.equal([
      'added',
      'cart',
      'cart-page',
      'checkout',
      'line',
      'link',
      'look',
      'options',
      'table',
      'thanks',
    ]);
    for (const role of roles) expect(definitionWithRole(role).role).to.equal(role);
  });

  it('know what of a piece is otherwise on other sites', () => {
    for (const { kind, settings, elsewhere = {} } of definitions)
      expect(Object.keys(settings), kind).to.include.members(Object.keys(elsewhere));
  });
});

for (const definition of definitions) {
  describe(`the definition of ${definition.kind}`, () => {
    it('makes a piece that is valid as it is', () => {
      expect(readLane(laneWith(definition.kind), definitions).ok).to.equal(true);
    });

    it('explains everything it declares in one line', () => {
      const declared = [definition.settings, definition.parts, definition.words, definition.looks].flatMap(
        (record) => Object.values(record) as { label: string; help: string }[],
      );

      for (const item of declared) {
        expect(item.label, JSON.stringify(item)).to.match(/^\S.{1,40}$/);
        expect(item.help, item.label).to.match(/^\S.{8,130}$/);
      }
    });

    it('hangs settings, words and looks on parts that exist', () => {
      const placed = [definition.settings, definition.words, definition.looks].flatMap(
        (record) => Object.values(record) as { part?: string }[],
      );

      for (const item of placed) if (item.part) expect(Object.keys(definition.parts)).to.include(item.part);
    });

    it('has its words in every language that ships', () => {
      for (const [key, word] of Object.entries(definition.words))
        expect(Object.keys(word.default), key).to.have.members(['en', 'de', 'ar']);
    });

    it('keeps every default within its own limits', () => {
      for (const spec of Object.values(definition.settings)) {
        if (spec.type === 'number') expect(spec.default).to.be.within(spec.min, spec.max);
        if (spec.type === 'choice') expect(Object.keys(spec.options)).to.include(spec.default);
      }
    });

    it('has situations of its own, each once, with a phone among them', () => {
      const situations = situationsOf(definition.kind);

      expect(new Set(situations.map((situation) => situation.key)).size).to.equal(situations.length);
      expect(situations.some((situation) => situation.width < 640)).to.equal(true);
      expect(situations.some((situation) => situation.rightToLeft)).to.equal(true);
    });

    for (const [key, spec] of Object.entries(definition.settings)) {
      it(`carries a change of “${spec.label}” into the manifest and into a sentence`, () => {
        const before = laneWith(definition.kind);
        const after = structuredClone(before);
        after.pieces['it']!.settings[key] = another(spec);

        const changes = describeDifference(before, after, definitions);

        expect(compileManifest(after, definitions, 1)).not.to.deep.equal(compileManifest(before, definitions, 1));
        expect(changes.map(wordChange).join()).to.include(spec.label);
      });
    }

    for (const [key, slot] of Object.entries(definition.looks)) {
      it(`turns every property of “${slot.label}” into a rule in every state`, () => {
        for (const state of slot.states) {
          for (const property of slot.properties) {
            const lane = laneWith(definition.kind);
            const { type } = LOOK_PROPERTIES[property];
            const values: Partial<Record<typeof property, string | number>> = {
              size: 33,
              radius: 33,
              borderWidth: 3,
              family: 'serif',
              letterCase: 'uppercase',
            };
            const value = values[property] ?? '#12ab34';
            lane.pieces['it']!.look.slots[key] = { [state]: { [property]: value } };

            const { css } = compileManifest(lane, definitions, 1).pieces.find((piece) => piece.id === 'it')!;

            expect(readLane(lane, definitions).ok, `${state} ${property}`).to.equal(true);
            const said = { size: '2.0625rem', family: 'Georgia', borderWidth: '3px' };
            const written = own(said, property) ?? (type === 'px' ? '33px' : value);
            expect(css).to.include(`${LOOK_PROPERTIES[property].css}:${written}`);
          }
        }
      });
    }

    for (const word of definition.priceWords ?? []) {
      it(`says beside “${word}” that tax comes on top, only where it does`, () => {
        const lane = laneWith(definition.kind);
        const words = () => compileManifest(lane, definitions, 1, 'de').pieces.find(({ id }) => id === 'it')!.words;
        lane.shop.tax = { basisPoints: 1900, included: true, rates: {} };
        const plain = words();
        lane.shop.tax.included = false;
        expect(words()[word]).to.equal(`${plain[word]!}, zzgl. Steuer`);
        lane.shop.tax.basisPoints = 0;
        expect(words()).to.deep.equal(plain);
      });
    }

    for (const [key, layout] of Object.entries(definition.layouts ?? {})) {
      it(`begins from “${layout.label}” with exactly its parts, in a valid piece`, () => {
        const lane = laneWith(definition.kind);
        applyLayout(lane.pieces['it']!, layout);

        const { parts } = lane.pieces['it']!;
        expect(
          parts.filter((part) => part.on).map((part) => part.key),
          key,
        ).to.deep.equal([...layout.parts]);
        expect(parts).to.have.length(Object.keys(definition.parts).length);
        expect(readLane(lane, definitions).ok).to.equal(true);
      });
    }

    it('puts every part back to what it was', () => {
      for (const key of Object.keys(definition.parts)) {
        const fresh = newPiece(definition, true);
        const piece = newPiece(definition, true);
        const part = piece.parts.find((candidate) => candidate.key === key)!;
        Object.assign(part, { on: !part.on, hideOn: ['phone'] });
        for (const [name, spec] of Object.entries(definition.settings))
          if (spec.part === key) piece.settings[name] = another(spec);
        for (const [name, spec] of Object.entries(definition.words))
          if (spec.part === key) (piece.words['en'] ??= {})[name] = 'changed';

        resetPart(piece, definition, key);

        expect({ ...piece, words: {} }, key).to.deep.equal(fresh);
        expect(Object.keys(piece.words['en'] ?? {})).to.deep.equal([]);
      }
    });

    // A kind that is one whole has no parts to hide.
    const partly = Object.keys(definition.parts).length > 0 ? it : it.skip;
    partly('says hidden, shown and moved parts in plain words', () => {
      const before = laneWith(definition.kind);
      const after = structuredClone(before);
      const { parts } = after.pieces['it']!;
      parts[0]!.on = !parts[0]!.on;
      parts[1]!.hideOn = ['phone', 'tablet'];
      parts.unshift(parts.pop()!);

      const sentences = describeDifference(before, after, definitions).map(wordChange).join(' ');

      expect(sentences).to.match(/: (now|no longer) shown\./);
      expect(sentences).to.include(': hidden on phones and tablets.');
      // Of two parts either may be said to have moved.
      expect(sentences).to.match(/: comes (first|after .+)\./);
    });
  });
}
