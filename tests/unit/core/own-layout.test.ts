import { expect } from 'chai';
import { applyLayout, applySavedLayout, layoutOf, newPiece, readSavedLayout } from '~/core/lane';
import { definitionOf, definitions } from '~/pieces/definitions';

const thanks = definitionOf('thanks-page')!;

describe('a layout of the owner’s', () => {
  it('is read as it was kept, of every kind', () => {
    for (const definition of definitions) {
      const piece = newPiece(definition, true);
      piece.parts.reverse();
      const kept = layoutOf(piece, definition);
      const read = readSavedLayout(JSON.parse(JSON.stringify(kept)), definition);
      expect(read.ok && read.value, definition.kind).to.deep.equal(kept);
      const other = newPiece(definition, true);
      applySavedLayout(other, kept);
      expect(other.parts, definition.kind).to.deep.equal(piece.parts);
    }
  });

  it('brings parts, settings and look, and leaves words, goods and where', () => {
    const piece = newPiece(thanks, true);
    applyLayout(piece, thanks.layouts!['doorstep']!);
    Object.assign(piece.settings, { offerMinutes: 45, countries: 'DE', picture: '/media/icons/kite.svg' });
    piece.look.slots['box'] = { rest: { radius: 3 } };
    piece.words = { en: { next: 'Soon.' } };
    const other = newPiece(thanks, true);
    other.words = { en: { next: 'Later.' } };
    other.settings['countries'] = 'AT';

    applySavedLayout(other, layoutOf(piece, thanks));

    expect(other.parts).to.deep.equal(piece.parts);
    expect(other.look.slots['box']).to.deep.equal({ rest: { radius: 3 } });
    expect(other.settings).to.include({ columns: 'side', offerMinutes: 45, countries: 'AT', picture: '' });
    expect(other.words).to.deep.equal({ en: { next: 'Later.' } });
    // Changed afterwards, one does not change the other.
    other.parts[0]!.on = !other.parts[0]!.on;
    expect(piece.parts[0]!.on).not.to.equal(other.parts[0]!.on);
  });

  it('brings what a starting layout brings', () => {
    for (const definition of definitions)
      for (const layout of Object.values(definition.layouts ?? {})) {
        const piece = newPiece(definition, true);
        applyLayout(piece, layout);
        const other = newPiece(definition, true);
        applySavedLayout(other, layoutOf(piece, definition));
        expect(other.settings, `${definition.kind}, ${layout.label}`).to.include(layout.settings);
      }
  });

  it('gets what its kind has learnt since, and is refused with the place where it is none', () => {
    const { parts, look, settings } = layoutOf(newPiece(thanks, true), thanks);
    const old = { parts: parts.slice(2), look, settings: { columns: settings['columns'] } };
    const read = readSavedLayout(old, thanks);
    expect(read.ok && read.value.settings['offerMinutes']).to.equal(30);
    expect(read.ok && read.value.parts).to.have.length(parts.length);

    const bad = readSavedLayout({ parts, look, settings: { ...settings, columns: 'nine' } }, thanks);
    expect(!bad.ok && bad.problems[0]!.path).to.equal('settings.columns');
    for (const none of [null, 7, [], { parts: 'x' }]) expect(readSavedLayout(none, thanks).ok).to.equal(false);
  });
});
