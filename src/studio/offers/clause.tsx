import type { ReactNode } from 'react';
import { Tick } from '~/studio/fields/tick';

/** A part of an offer's sentence, with what it is about. */
export function Clause({ title, help, children }: { title: string; help: string; children: ReactNode }) {
  return (
    <section className="flex flex-col gap-2 border-s-[3px] border-mortar ps-3">
      <header className="flex flex-wrap items-baseline gap-x-3">
        <h3 className="text-[15px] font-semibold">{title}</h3>
        <p className="help">{help}</p>
      </header>
      {children}
    </section>
  );
}

interface MaybeProps {
  readonly label: string;
  readonly isOn: boolean;
  readonly onToggle: (isOn: boolean) => void;
  readonly children: ReactNode;
}

/** A clause that may be left out; its parts are there while it is in. */
export function Maybe({ label, isOn, onToggle, children }: MaybeProps) {
  return (
    <div className="flex flex-wrap items-center gap-2">
      <Tick label={label} checked={isOn} onChange={onToggle} />
      {isOn && children}
    </div>
  );
}
