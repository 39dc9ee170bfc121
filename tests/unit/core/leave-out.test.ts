import { expect } from 'chai';
import { changeKey, describeDifference, leaveOut } from '~/core/lane';
import { definitions } from '~/pieces/definitions';
import { draftDemoLane, liveDemoLane } from '../../../demo/lane';

describe('some changes of many', () => {
  const [draft, live] = [draftDemoLane(), liveDemoLane()];
  const changes = describeDifference(live, draft, definitions);

  it('are told apart by their keys', () => {
    expect(new Set(changes.map(changeKey)).size).to.equal(changes.length);
    expect(changes.length).to.be.greaterThan(4);
  });

  it('leave the document as it is live where all are left, and as it is in the draft where none is', () => {
    expect(leaveOut(draft, live, [])).to.deep.equal(draft);
    expect(leaveOut(draft, live, changes)).to.deep.equal(live);
  });

  it('are the only ones that differ, whichever are left', () => {
    for (let mask = 0; mask < 2 ** Math.min(changes.length, 6); mask += 1) {
      const left = changes.filter((_, i) => mask & (1 << i));
      const going = changes.filter((change) => !left.includes(change)).map(changeKey);
      const told = describeDifference(live, leaveOut(draft, live, left), definitions).map(changeKey);
      expect(told).to.have.members(going);
    }
  });
});
