import { useState } from 'react';
import type { Account, PeopleView, Role } from '~/core/people';
import { ask } from '~/studio/data/api';
import { moment } from '~/studio/data/format';
import { Modal } from '~/studio/fields/modal';
import { useShop } from '~/studio/data/sums';
import { SelectField } from '~/studio/fields/fields';

const ROLES: Readonly<Record<Role, string>> = {
  editor: 'Editor: shapes, brings goods in, publishes',
  viewer: 'Viewer: reads, without buyers',
  owner: 'Owner: everything, including people',
};

interface Props {
  readonly view: PeopleView;
  readonly onView: (view: PeopleView) => void;
}

/** Who may come in, and who is invited. */
export function People({ view, onView }: Props) {
  const shop = useShop();
  const [removing, setRemoving] = useState<Account | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const owners = view.people.filter(({ role }) => role === 'owner').length;

  async function send(work: Promise<PeopleView>): Promise<void> {
    try {
      onView(await work);
      setProblem(null);
      setRemoving(null);
    } catch (error) {
      setProblem((error as Error).message);
    }
  }
  return (
    <section aria-labelledby="people" className="flex flex-col gap-3">
      <h2 id="people">Who may come in</h2>
      <table className="tbl panel w-full">
        <thead>
          <tr>
            <th scope="col">Name</th>
            <th scope="col">E-mail</th>
            <th scope="col">Role</th>
            <th scope="col">
              <span className="sr-only">Remove</span>
            </th>
          </tr>
        </thead>
        <tbody>
          {view.people.map((person) => (
            <tr key={person.id}>
              <td>{person.id === view.own.id ? `${person.name} (you)` : person.name}</td>
              <td>{person.email}</td>
              <td>{ROLES[person.role]}</td>
              <td className="text-end">
                {person.role === 'owner' && owners === 1 ? (
                  <span className="help">the last owner stays</span>
                ) : (
                  <button className="btn" onClick={() => setRemoving(person)} aria-label={`Remove ${person.name}`}>
                    Remove
                  </button>
                )}
              </td>
            </tr>
          ))}
          {view.invites.map(({ email, role, until }) => (
            <tr key={email}>
              <td className="text-gravel">invited</td>
              <td>{email}</td>
              <td>
                {ROLES[role!]}
                <span className="help block">The link works until {moment(until, shop)}.</span>
              </td>
              <td className="text-end">
                <button
                  className="btn"
                  aria-label={`Withdraw the invitation of ${email}`}
                  onClick={() => void send(ask('DELETE /api/studio/people/invites', { body: { email } }))}
                >
                  Withdraw
                </button>
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      {problem && !removing && (
        <p role="alert" className="text-brick">
          {problem}
        </p>
      )}
      <Invite onView={onView} />
      {removing && (
        <Modal
          title={`Remove ${removing.name}?`}
          text="Their sessions and links end at once. What they did stays in the list below."
          onClose={() => setRemoving(null)}
        >
          <div className="flex flex-col gap-3">
            {problem && (
              <p role="alert" className="text-brick">
                {problem}
              </p>
            )}
            <span className="flex gap-2">
              <button
                className="btn btn-stop"
                onClick={() => void send(ask('DELETE /api/studio/people', { body: { email: removing.email } }))}
              >
                Remove {removing.name}
              </button>
              <button className="btn" onClick={() => setRemoving(null)}>
                Cancel
              </button>
            </span>
          </div>
        </Modal>
      )}
    </section>
  );
}

function Invite({ onView }: Pick<Props, 'onView'>) {
  const [email, setEmail] = useState('');
  const [role, setRole] = useState<Role>('editor');
  const [link, setLink] = useState<{ readonly to: string; readonly address: string } | null>(null);
  const [problem, setProblem] = useState<string | null>(null);

  async function invite(): Promise<void> {
    try {
      const made = await ask('POST /api/studio/people/invites', {
        body: {
          email,
          role,
        },
      });
      onView(made.view);
      setLink({ to: email.trim(), address: made.link });
      setEmail('');
      setProblem(null);
    } catch (error) {
      setProblem((error as Error).message);
    }
  }
  return (
    <form
      className="flex flex-col gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        void invite();
      }}
    >
      <div className="flex flex-wrap items-end gap-3">
        <label className="flex flex-col gap-1 font-semibold">
          Invite by e-mail
          <input
            className="field w-72 font-normal"
            type="email"
            required
            maxLength={200}
            placeholder="name@example.com"
            value={email}
            onChange={(event) => setEmail(event.target.value)}
          />
        </label>
        <SelectField
          label="As"
          value={role}
          options={Object.entries(ROLES)}
          onChange={(next) => setRole(next as Role)}
        />
        <button className="btn btn-go">Invite</button>
      </div>
      {problem && (
        <p role="alert" className="text-brick">
          {problem}
        </p>
      )}
      {link && (
        <div role="status" className="panel flex flex-col gap-1 px-4 py-3">
          <p>A mail with this link is on its way to {link.to}. It lets one person in, once, within seven days:</p>
          <input className="field w-full" readOnly aria-label="Link of the invitation" value={link.address} />
        </div>
      )}
    </form>
  );
}
