import { expect } from 'chai';
import { movedTo, movePage, pageSlug } from '~/core/lane';
import { liveDemoLane } from '../../../demo/lane';

describe('pages of the owner’s own', () => {
  const page = { on: true, inFooter: false, formerly: [], title: {}, text: {} };

  it('are found under every address they had, until another takes it', () => {
    const lane = { ...liveDemoLane(), pages: { one: { ...page } } } as ReturnType<typeof liveDemoLane>;
    movePage(lane, 'one', 'two');
    movePage(lane, 'two', 'three');
    expect(Object.keys(lane.pages)).to.deep.equal(['three']);
    expect([movedTo(lane.pages, 'one'), movedTo(lane.pages, 'two')]).to.deep.equal(['three', 'three']);
    expect(movedTo(lane.pages, 'three')).to.equal(null);
    lane.pages['one'] = { ...page };
    expect(movedTo(lane.pages, 'one')).to.equal(null);
    movePage(lane, 'three', 'two');
    expect(lane.pages['two']!.formerly).to.deep.equal(['one', 'three']);
    lane.pages['two']!.on = false;
    expect(movedTo(lane.pages, 'three')).to.equal(null);
  });

  it('take an address from their title that is free', () => {
    expect(pageSlug('Über Drachen!', ['uber-drachen'])).to.equal('uber-drachen-2');
    expect(pageSlug('***', [])).to.equal('page');
  });
});
