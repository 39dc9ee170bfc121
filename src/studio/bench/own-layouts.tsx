import { useState } from 'react';
import { applySavedLayout, layoutOf, type SavedLayout } from '~/core/lane';
import { ask } from '~/studio/data/api';
import type { PanelProps } from './panel';

/** One that was kept. */
export interface OwnLayout {
  readonly id: number;
  readonly name: string;
  readonly layout: SavedLayout;
}

export interface LayoutProps {
  /** Of this kind, by name. */
  readonly layouts: readonly OwnLayout[];
  readonly onLayouts: (layouts: readonly OwnLayout[]) => void;
}

type Props = Pick<PanelProps, 'piece' | 'definition' | 'edit'> & LayoutProps;

/** Layouts the owner keeps, to begin other pieces of the kind from. */
export function OwnLayouts({ piece, definition, edit, layouts, onLayouts }: Props) {
  const [name, setName] = useState('');
  const [said, setSaid] = useState<{ readonly text: string; readonly isBad: boolean } | null>(null);
  const failed = (error: unknown) => setSaid({ text: (error as Error).message, isBad: true });
  const { kind } = definition;
  function save(): void {
    ask('POST /api/studio/layouts', { body: { kind, name, layout: layoutOf(piece, definition) } }).then((all) => {
      onLayouts(all);
      setSaid({ text: `“${name.trim()}” is kept.`, isBad: false });
      setName('');
    }, failed);
  }
  function remove({ id, name: gone }: OwnLayout): void {
    ask('DELETE /api/studio/layouts/[id]', { params: { id } }).then(() => {
      onLayouts(layouts.filter((one) => one.id !== id));
      setSaid({ text: `“${gone}” is removed. Pieces begun from it stay as they are.`, isBad: false });
    }, failed);
  }
  return (
    <section className="flex flex-col gap-1.5" aria-label="Layouts of yours">
      <h3 className="font-semibold">Layouts of yours</h3>
      <p className="help">Keep parts, their order, settings and look under a name, and begin another piece from it.</p>
      {layouts.length > 0 && (
        <ul className="flex flex-col gap-1">
          {layouts.map((one) => (
            <li key={one.id} className="flex gap-1">
              <button
                className="btn min-w-0 flex-1 justify-start"
                onClick={() => edit((draft) => applySavedLayout(draft, one.layout))}
              >
                <span className="truncate">{one.name}</span>
              </button>
              <button className="btn" aria-label={`Remove the layout ${one.name}`} onClick={() => remove(one)}>
                Remove
              </button>
            </li>
          ))}
        </ul>
      )}
      <form
        className="flex gap-1"
        onSubmit={(event) => {
          event.preventDefault();
          save();
        }}
      >
        <input
          className="field min-w-0 flex-1"
          aria-label="Name of the layout"
          placeholder="Name"
          maxLength={40}
          value={name}
          onChange={(event) => setName(event.target.value)}
        />
        <button className="btn" disabled={name.trim() === ''}>
          {layouts.some((one) => one.name === name.trim()) ? 'Save over it' : 'Keep this one'}
        </button>
      </form>
      {said && (
        <p role={said.isBad ? 'alert' : 'status'} className={said.isBad ? 'text-brick' : 'help'}>
          {said.text}
        </p>
      )}
    </section>
  );
}
