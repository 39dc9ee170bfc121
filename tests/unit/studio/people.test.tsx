import { expect } from 'chai';
import type { ReadAuditEntry } from '~/core/audit';
import type { PeopleView } from '~/core/people';
import { draftData, withStudio } from '../../support/studio';

const OWN = { id: 1, email: 'owner@hollowtarn.example', name: 'Runa', role: 'owner' } as const;
const VIEW: PeopleView = {
  own: OWN,
  people: [OWN, { id: 2, email: 'pia@hollowtarn.example', name: 'Pia', role: 'editor' }],
  invites: [{ kind: 'invite', email: 'tom@hollowtarn.example', role: 'viewer', madeBy: 1, madeAt: 0, until: 9e12 }],
  sessions: [
    { key: 'a', device: 'Firefox on Linux', beganAt: 0, seenAt: 0, isThis: true },
    { key: 'b', device: 'Safari on iOS', beganAt: 0, seenAt: 0, isThis: false },
  ],
};
const entry = (id: number, action: ReadAuditEntry['action']): ReadAuditEntry => ({
  id,
  at: 0,
  accountId: 1,
  name: 'Runa',
  action,
  facts: {},
});

describe('people of the shop, as their owner sees them', () => {
  const studio = withStudio(async () => ({
    ...(await import('~/studio/people/people-screen')),
    ...(await import('~/studio/data/draft-store')),
  }));
  function show(view: PeopleView = VIEW) {
    const { PeopleRoom, useDraft } = studio.loaded;
    useDraft.getState().start(draftData());
    const audit = Array.from({ length: 50 }, (_, i) => entry(100 - i, i === 0 ? 'sign-out' : 'sign-in'));
    return studio.show(<PeopleRoom view={view} audit={audit} />);
  }
  const sent = () => {
    const { url, init } = studio.server.asked.at(-1)!;
    const { method = 'GET', body } = init ?? {};
    return [method, url, body === undefined ? null : (JSON.parse(body as string) as unknown)];
  };

  it('are removed and uninvited by a press each, and the last owner by none', async () => {
    const view = show();
    studio.server.answers(() => Response.json({ ...VIEW, invites: [] }));
    expect(view.queryByLabelText('Remove Runa')).to.equal(null);
    await studio.user.click(view.getByLabelText('Withdraw the invitation of tom@hollowtarn.example'));
    expect(sent()).to.deep.equal(['DELETE', '/api/studio/people/invites', { email: 'tom@hollowtarn.example' }]);
    await studio.user.click(view.getByLabelText('Remove Pia'));
    await studio.user.click(view.getByText('Cancel'));
    await studio.user.click(view.getByLabelText('Remove Pia'));
    studio.server.answers(() =>
      Response.json({ problems: [{ message: 'A shop needs an owner. Invite another one first.' }] }, { status: 422 }),
    );
    await studio.user.click(view.getByRole('button', { name: 'Remove Pia' }));
    await view.findByText('A shop needs an owner. Invite another one first.');
    studio.server.answers(() => Response.json({ ...VIEW, people: [OWN], invites: [] }));
    await studio.user.click(view.getByRole('button', { name: 'Remove Pia' }));
    expect(sent()).to.deep.equal(['DELETE', '/api/studio/people', { email: 'pia@hollowtarn.example' }]);
    expect(view.queryByText('pia@hollowtarn.example')).to.equal(null);
  });

  it('are invited by e-mail, with the link to be copied', async () => {
    const view = show();
    studio.server.answers(() => Response.json({ link: 'https://shop.example/studio/enter?key=k', view: VIEW }));
    await studio.user.type(view.getByLabelText('Invite by e-mail'), 'ida@hollowtarn.example');
    await studio.user.click(view.getByRole('button', { name: 'Invite' }));
    expect(sent()).to.deep.equal([
      'POST',
      '/api/studio/people/invites',
      { email: 'ida@hollowtarn.example', role: 'editor' },
    ]);
    const link = await view.findByLabelText('Link of the invitation');
    expect((link as HTMLInputElement).value).to.equal('https://shop.example/studio/enter?key=k');
  });

  it('change their own password, and end sessions, one or all others', async () => {
    const view = show();
    studio.server.answers(() => Response.json(VIEW));
    await studio.user.type(view.getByLabelText('Present password'), 'windward');
    await studio.user.type(view.getByLabelText(/^New password/), 'short');
    await studio.user.click(view.getByText('Change the password'));
    await view.findByText('Choose a password of at least 10 characters.');
    await studio.user.type(view.getByLabelText(/^New password/), ' but longer');
    await studio.user.click(view.getByText('Change the password'));
    await view.findByText(/Your password is changed/);
    expect(sent()[2]).to.deep.equal({ old: 'windward', next: 'short but longer' });
    await studio.user.click(view.getByLabelText('End the session of Safari on iOS'));
    expect(sent()).to.deep.equal(['DELETE', '/api/studio/people/sessions', { key: 'b' }]);
    await studio.user.click(view.getByText('End all others'));
    expect(sent()[2]).to.deep.equal({ key: null });
  });

  it('are read in the audit trail, a page after the other and one by one', async () => {
    const view = show();
    expect(view.getAllByText('signed out', { exact: false })).to.have.length(1);
    studio.server.answers(() => Response.json([entry(7, 'publish')]));
    await studio.user.click(view.getByText('Show earlier'));
    expect(sent()[1]).to.equal('/api/studio/people/audit?before=51');
    expect(view.queryByText('Show earlier')).to.equal(null);
    await studio.user.selectOptions(view.getByLabelText('By'), 'Pia');
    expect(sent()[1]).to.equal('/api/studio/people/audit?person=2');
  });
});
