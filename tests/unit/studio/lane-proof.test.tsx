import { expect } from 'chai';
import { countFunnel } from '~/core/funnel';
import type { KeptProblem, PieceProof } from '~/contract/studio/proofs';
import { draftData, shellData, withStudio } from '../../support/studio';

const AT = Date.UTC(2026, 4, 3, 10, 30);
const problem = (over: Partial<KeptProblem> = {}): KeptProblem => ({
  key: 'faint add',
  check: 'faint',
  situation: 'hover',
  label: 'Under the pointer',
  heading: '“Add to cart” is hard to read',
  sentence: '#8fb3bd on #ffffff is 2.2 : 1. It takes 4.5 : 1.',
  setting: 'Add button: text. Change it to #4c6c75',
  ...over,
});
const piece = (pieceId: string, over: Partial<PieceProof> = {}): PieceProof => ({
  pieceId,
  draft: { at: AT, situations: 18, problems: [] },
  live: { at: AT, situations: 18, problems: [] },
  isChanged: true,
  ...over,
});
const withProblems = (...problems: KeptProblem[]) => ({ at: AT, situations: 18, problems });

/** Each stretch is reached by half of those on the one before. */
const funnel = countFunnel(
  [320, 160, 80, 40, 20, 20].map((sessions, i) => ({ depth: i + 1, sessions, revenueMinor: 0 })),
);

describe('what the proof sheets found', () => {
  const studio = withStudio(async () => ({
    ...(await import('~/studio/lane-proof/lane-proof')),
    ...(await import('~/studio/publish/proof-note')),
    ...(await import('~/studio/stretch/stretch')),
    ...(await import('~/studio/data/draft-store')),
  }));
  describe('on the screen of the whole lane', () => {
    async function show(proofs: readonly PieceProof[]) {
      studio.proofs = proofs;
      const { LaneProofPage } = studio.loaded;
      const view = studio.show(
        <LaneProofPage
          shell={shellData({ draft: draftData(), funnel, before: funnel })}
          samples={{ products: {}, carts: {} }}
          categories={[]}
          run={null}
          only={null}
        />,
      );
      await view.findAllByText(/^holds in all|problems? in 18 situations/);
      return view;
    }

    it('is added up, with what is new since what is live, and leads to the situation', async () => {
      const old = problem({ key: 'small close', heading: 'Close is too small to press', setting: null });
      const view = await show([
        piece('quick-view', { draft: withProblems(problem(), old), live: withProblems(old) }),
        piece('buy-bar'),
      ]);

      view.getByText(/^2 problems in 1 of 2 pieces, over 36 situations\./);
      view.getByText('2 problems in 18 situations, 1 new since what is live');
      view.getByText('holds in all 18 situations');
      const stone = view.getByText(/^“Add to cart” is hard to read/).closest('a')!;
      expect(stone.textContent).to.match(/new/);
      expect(stone.textContent).to.include('Mended by: Add button: text. Change it to #4c6c75');
      expect(stone.getAttribute('href')).to.equal('/studio/bench/quick-view?task=proof&situation=hover');
      expect(view.getByText(/^Close is too small/).textContent).not.to.match(/new$/);
      expect(view.getAllByText('not proved since it was changed').length).to.be.greaterThan(3);
    });

    it('says of what is live what was found there', async () => {
      const view = await show([piece('quick-view', { live: withProblems(problem()) })]);
      await studio.user.click(view.getByLabelText('What is live'));

      view.getByText('1 problem in 18 situations');
    });
  });

  describe('in the publish dialog', () => {
    async function show(proofs: readonly PieceProof[]): Promise<string> {
      studio.loaded.useDraft.getState().start(draftData());
      const { ProofNote } = studio.loaded;
      const view = studio.show(<ProofNote proofs={proofs} />);
      const note = await view.findByRole('region', { name: 'Proof' });
      return note.textContent!;
    }

    it('is how many are new, by piece', async () => {
      const told = await show([
        piece('quick-view', { draft: withProblems(problem(), problem({ key: 'other' })) }),
        piece('buy-bar', { draft: withProblems(problem()), live: withProblems(problem()) }),
      ]);
      expect(told).to.equal('2 problems new since what is live: Quick view 2.');
    });

    it('does not call new what was never looked at as it is live', async () => {
      expect(await show([piece('quick-view', { draft: withProblems(problem()), live: null })])).to.equal(
        '1 problem: Quick view 1.',
      );
    });

    it('is which pieces were changed and not proved, and that the others hold', async () => {
      expect(await show([piece('quick-view', { draft: null }), piece('buy-bar')])).to.match(
        /^Not proved since they were changed: Quick view\. Prove the lane$/,
      );
    });

    it('is that all hold, where they do', async () => {
      expect(await show([piece('quick-view'), piece('buy-bar', { isChanged: false })])).to.equal(
        'The changed piece holds in every situation.',
      );
    });
  });

  it('stands on the tile of its piece', async () => {
    const proofs = [piece('quick-view', { draft: withProblems(problem()) })];
    const { StretchPage } = studio.loaded;
    const shell = shellData({ draft: draftData(undefined, { proofs }), funnel, before: funnel });
    const view = studio.show(<StretchPage shell={shell} stretch="look" byDevice={[]} />);

    const link = view.getByText('1 problem in its proof');
    expect(link.getAttribute('href')).to.equal('/studio/bench/quick-view?task=proof');
  });
});
