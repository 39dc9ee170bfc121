import { useMemo, useState } from 'react';
import { definitionOf } from '~/pieces/registry';
import { useDraft } from './draft-store';
import { Modal } from './modal';

interface Entry {
  readonly id: string;
  readonly label: string;
  readonly place: string;
  readonly help: string;
  readonly href: string;
}

/** Finds any setting, part or word of any piece. */
export function Finder({ onClose }: { onClose: () => void }) {
  const lane = useDraft((state) => state.lane);
  const [text, setText] = useState('');
  const entries = useMemo(() => listEntries(lane.pieces), [lane.pieces]);
  const wanted = text.toLowerCase().split(/\s+/).filter(Boolean);
  const found = entries
    .filter((entry) =>
      wanted.every((word) => `${entry.label} ${entry.place} ${entry.help}`.toLowerCase().includes(word)),
    )
    .slice(0, 40);
  return (
    <Modal title="Find a setting, part or word" onClose={onClose}>
      <input
        autoFocus
        className="field mb-3 w-full"
        placeholder="Such as: backdrop, quantity, sold out"
        aria-label="Find"
        value={text}
        onChange={(event) => setText(event.target.value)}
      />
      {found.length === 0 && <p className="help">Nothing is called that. Try a shorter word.</p>}
      <ul>
        {found.map((entry) => (
          <li key={entry.id}>
            <a href={entry.href} className="block rounded-stone px-2 py-1.5 no-underline hover:bg-slab focus:bg-slab">
              <strong>{entry.label}</strong> <span className="text-gravel">{entry.place}</span>
              <span className="help block">{entry.help}</span>
            </a>
          </li>
        ))}
      </ul>
    </Modal>
  );
}

function listEntries(pieces: Readonly<Record<string, { kind: string }>>): Entry[] {
  return Object.entries(pieces).flatMap(([id, piece]) => {
    const definition = definitionOf(piece.kind);
    if (!definition) return [];
    const href = (task: string, part?: string) => `/studio/bench/${id}?task=${task}${part ? `&part=${part}` : ''}`;
    return [
      ...Object.entries(definition.settings).map(([key, spec]) => ({
        id: `${id} setting ${key}`,
        label: spec.label,
        place: `${definition.name}, ${spec.task}`,
        help: spec.help,
        href: href(spec.task, spec.part),
      })),
      ...Object.entries(definition.parts).map(([key, part]) => ({
        id: `${id} part ${key}`,
        label: part.label,
        place: `${definition.name}, parts`,
        help: part.help,
        href: href('parts', key),
      })),
      ...Object.entries(definition.words).map(([key, word]) => ({
        id: `${id} word ${key}`,
        label: word.label,
        place: `${definition.name}, words`,
        help: `“${word.default.en}”. ${word.help}`,
        href: href('words'),
      })),
      ...Object.entries(definition.looks).map(([key, look]) => ({
        id: `${id} look ${key}`,
        label: look.label,
        place: `${definition.name}, look`,
        help: look.help,
        href: href('look', look.part),
      })),
    ];
  });
}
