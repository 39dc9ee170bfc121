import { useState } from 'react';
import type { ReadAuditEntry } from '~/core/audit';
import type { Account, PeopleView } from '~/core/people';
import { Shell } from '~/studio/shell/shell';
import type { ShellData } from '~/studio/data/studio-data';
import { AuditTrail } from './audit-trail';
import { OwnPassword } from './own-password';
import { People } from './people';
import { Sessions } from './sessions';

interface Props {
  readonly shell: ShellData;
  readonly view: PeopleView;
  readonly audit: readonly ReadAuditEntry[];
}

/** Who works on the shop, how they come in, and what they did. */
export function PeopleScreen({ shell, view, audit }: Props) {
  return (
    <Shell data={shell} room="/studio/people">
      <PeopleRoom view={view} audit={audit} />
    </Shell>
  );
}

export function PeopleRoom({ view: first, audit }: Omit<Props, 'shell'>) {
  const [view, setView] = useState(first);
  const { own } = view;
  const isOwner = own.role === 'owner';
  return (
    <div className="flex max-w-[1100px] flex-col gap-8 px-[18px] py-4">
      <header>
        <h1>People of the shop</h1>
        <p className="text-gravel">
          You are {own.name}, {own.email}, {said(own)}.
        </p>
      </header>
      {isOwner && <People view={view} onView={setView} />}
      <div className="grid gap-8 lg:grid-cols-2">
        <OwnPassword onView={setView} />
        <Sessions sessions={view.sessions} onView={setView} />
      </div>
      {isOwner && <AuditTrail first={audit} people={view.people} />}
    </div>
  );
}

const said = ({ role }: Account) => (role === 'viewer' ? 'a viewer' : `an ${role}`);
