/** @jsxImportSource preact */
import { expect } from 'chai';
import { NOTHING_CHOSEN, readChosen, type Chosen, type Facet } from '~/core/catalogue';
import { sayIn } from '~/core/words';
import { ChosenMarks, Facets, fieldsOf } from '~/shop/listing/facets';
import { liveDemoLane } from '../../../demo/lane';
import { draw } from '../../support/draw';

const say = sayIn(liveDemoLane(), 'en');
const values = (...chosen: readonly [string, boolean][]) =>
  chosen.map(([value, isChosen], i) => ({ value, isChosen, count: i + 1 }));
const facets: readonly Facet[] = [
  { kind: 'attribute', key: 'Skill', values: values(['First kite', true], ['Old hand', false]) },
  { kind: 'axis', key: 'Size', values: values(['S', false], ['L', true]) },
  { kind: 'tag', key: '', values: values(['gift', true]) },
  { kind: 'rating', key: '', values: values(['4', true]) },
  { kind: 'range', key: 'Span', unit: 'cm', least: 80, most: 300, range: { from: 100, to: null } },
];
const chosen: Chosen = {
  attributes: { Skill: ['First kite'] },
  axes: { Size: ['L'] },
  ranges: { Span: { from: 100, to: null } },
  tags: ['gift'],
  rating: 4,
};

describe('what a listing is narrowed by', () => {
  it('is a form that says what is chosen, each value with how many there are', () => {
    const drawn = draw(Facets, { facets, say, at: 'column' });
    const inputs = drawn.all('input') as HTMLInputElement[];
    const sent = inputs
      .filter(({ type, checked, value }) => (type === 'number' ? value !== '' : checked))
      .map(({ name, value }) => [name, value] as [string, string]);
    expect(readChosen(new URLSearchParams(sent))).to.deep.equal(chosen);
    expect(drawn.texts('small')).to.deep.equal(['1', '2', '1', '2', '1', '1']);
    expect(drawn.texts('legend')).to.include('Span (cm)');
    // Fields that a facet holds are those of the form.
    const fields = facets.flatMap(fieldsOf);
    for (const { type, name, value } of inputs)
      expect(fields).to.include(type === 'number' ? name : `${name} ${value}`);
    expect(draw(Facets, { facets: [], say, at: 'row' }).html).to.equal('');
  });

  it('is taken back one by one, from the first page on', () => {
    const search = 'a.Skill=First+kite&v.Size=L&n.Span.from=100&tag=gift&rating=4&q=kite&page=3&shown=2';
    const href = (change: (search: URLSearchParams) => void) => {
      const next = new URLSearchParams(search);
      change(next);
      return `?${next}`;
    };
    const drawn = draw(ChosenMarks, { chosen, say, href });
    const links = drawn.all('a').map((link) => new URLSearchParams(link.getAttribute('href')!.slice(1)));
    expect(links).to.have.length(5);
    for (const link of links) {
      expect([link.get('q'), link.has('page'), link.has('shown')]).to.deep.equal(['kite', false, false]);
      expect(readChosen(link)).not.to.deep.equal(chosen);
    }
    const left = links.map((link) => [...link.keys()].filter((name) => name !== 'q'));
    expect(left.map((names) => names.length)).to.deep.equal([4, 4, 4, 4, 4]);
    expect(drawn.texts('a').join(' ')).to.include('Skill: First kite').and.include('gift');
    expect(draw(ChosenMarks, { chosen: NOTHING_CHOSEN, say, href }).html).to.equal('');
  });
});
