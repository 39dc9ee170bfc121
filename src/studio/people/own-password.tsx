import { useState } from 'react';
import type { PeopleView } from '~/core/people';
import { ask } from '~/studio/data/api';

/** One's own password; all other sessions end with a change. */
export function OwnPassword({ onView }: { readonly onView: (view: PeopleView) => void }) {
  const [old, setOld] = useState('');
  const [next, setNext] = useState('');
  const [said, setSaid] = useState<{ readonly text: string; readonly isProblem: boolean } | null>(null);

  async function change(): Promise<void> {
    if (next.length < 10) return setSaid({ text: 'Choose a password of at least 10 characters.', isProblem: true });
    try {
      onView(await ask('POST /api/studio/people/password', { body: { old, next } }));
      setOld('');
      setNext('');
      setSaid({ text: 'Your password is changed. All your other sessions have ended.', isProblem: false });
    } catch (error) {
      setSaid({ text: (error as Error).message, isProblem: true });
    }
  }
  return (
    <section aria-labelledby="password">
      <form
        className="flex flex-col gap-3"
        onSubmit={(event) => {
          event.preventDefault();
          void change();
        }}
      >
        <h2 id="password">Your password</h2>
        <PasswordField label="Present password" kind="current-password" value={old} onChange={setOld} />
        <PasswordField
          label="New password, at least 10 characters"
          kind="new-password"
          value={next}
          onChange={setNext}
        />
        {said && (
          <p role={said.isProblem ? 'alert' : 'status'} className={said.isProblem ? 'text-brick' : 'text-moss'}>
            {said.text}
          </p>
        )}
        <button className="btn self-start">Change the password</button>
      </form>
    </section>
  );
}

interface FieldProps {
  readonly label: string;
  readonly kind: 'current-password' | 'new-password';
  readonly value: string;
  readonly onChange: (value: string) => void;
}

function PasswordField({ label, kind, value, onChange }: FieldProps) {
  return (
    <label className="flex flex-col gap-1 font-semibold">
      {label}
      <input
        className="field font-normal"
        type="password"
        autoComplete={kind}
        required
        maxLength={200}
        value={value}
        onChange={(event) => onChange(event.target.value)}
      />
    </label>
  );
}
