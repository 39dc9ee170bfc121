import { expect } from 'chai';
import fc from 'fast-check';
import {
  firstThatFinds,
  nearWords,
  queryWords,
  ranksOf,
  searchesOf,
  trigramsOf,
  wordsOf,
  type SearchWord,
} from '~/core/search';

const word = (text: string, products: number, others: string[] = []): SearchWord => ({ text, others, products });

describe('wordsOf', () => {
  it('are small, without accents and marks, and keep what an apostrophe holds together', () => {
    expect(wordsOf('Children’s kites: Größe 5.5 mm, naïve!')).to.deep.equal([
      'childrens',
      'kites',
      'grosse',
      '5',
      '5',
      'mm',
      'naive',
    ]);
    expect(wordsOf('— … !')).to.deep.equal([]);
  });

  it('of a search are each there once, and no more than anybody types', () => {
    expect(queryWords('kite KITE kite delta')).to.deep.equal(['kite', 'delta']);
    expect(queryWords(Array.from({ length: 50 }, (_, i) => `w${i}`).join(' '))).to.have.length(8);
    expect(queryWords('x'.repeat(5000))[0]).to.have.length(40);
  });
});

describe('searchesOf', () => {
  it('insist on every word first, then on all but the commonest', () => {
    expect(searchesOf([word('kite', 40), word('delta', 6)])).to.deep.equal([
      '("delta" *) AND ("kite" *)',
      '("delta" *) AND (("delta" *) OR ("kite" *))',
    ]);
  });

  it('take what stands for a word as the word, phrases among it', () => {
    expect(searchesOf([word('peg', 2, ['ground stake'])])).to.deep.equal(['("peg" * OR "ground stake" *)']);
  });

  it('leave out what is nowhere, and look for nothing when all is', () => {
    expect(searchesOf([{ text: 'spar', others: ['rod'], products: 2, isWhole: true }])).to.deep.equal([
      '("spar" OR "rod" *)',
    ]);
    expect(searchesOf([word('zeppelin', 0), word('delta', 6)])).to.deep.equal(['("delta" *)']);
    expect(searchesOf([word('zeppelin', 0)])).to.deep.equal([]);
  });

  it('hold whatever is typed in quotes, so that none of it is the query’s own', () => {
    fc.assert(
      fc.property(fc.array(fc.string({ minLength: 1 }), { minLength: 1, maxLength: 4 }), (texts) => {
        const [first] = searchesOf(texts.map((text) => word(text, 1)));

        const bare = first!.replace(/"(?:[^"]|"")*"/g, '');
        expect(bare).to.match(/^[() *]*(?:(?:AND|OR)[() *]*)*$/);
      }),
    );
  });

  it('are tried until one finds enough, else the best one counts', async () => {
    const counts: Record<string, number> = { a: 1, b: 2, c: 9 };
    const count = (search: string) => Promise.resolve(counts[search]!);

    expect(await firstThatFinds(['a', 'b', 'c'], count)).to.equal('c');
    expect(await firstThatFinds(['a', 'b'], count)).to.equal('b');
    expect(await firstThatFinds([], count)).to.equal(null);
  });
});

describe('nearWords', () => {
  const known = ['winder', 'winter', 'wonder', 'delta', 'heron'].map((each, i) => ({ word: each, products: 9 - i }));

  it('are those a slip away, nearest first, then the more frequent', () => {
    expect(nearWords('windr', known)).to.deep.equal(['winder']);
    expect(nearWords('wider', known)).to.deep.equal(['winder']);
    expect(nearWords('wintder', known)).to.deep.equal(['winder', 'winter']);
  });

  it('count two letters that changed places as one slip', () => {
    expect(nearWords('delat', known)).to.deep.equal(['delta']);
  });

  it('are none for words too short to have one', () => {
    expect(nearWords('hen', known)).to.deep.equal([]);
  });

  it('share three letters in a row at least with what was typed', () => {
    expect(trigramsOf('delta')).to.deep.equal(['del', 'elt', 'lta']);
    expect(trigramsOf('ab')).to.deep.equal([]);
  });
});

describe('ranksOf', () => {
  const word = (text: string, products: number): SearchWord => ({ text, others: [], products });

  it('orders by the phrase in the name, its words there, and the phrase anywhere; measures also as they are parted', () => {
    expect(ranksOf('line 40kg', [word('line', 9), word('40kg', 2)])).to.deep.equal({
      typed: 'line 40kg',
      phraseInName: 'name : "line 40 kg" *',
      wordsInName: 'name : (("line" *) AND ("40kg" * OR "40 kg" *))',
      phrase: '"line 40 kg" *',
    });
    expect(ranksOf('zeppelin', [word('zeppelin', 0)])).to.equal(null);
  });
});
