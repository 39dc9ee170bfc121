import { FIRST_BENCH } from './first-bench';
import { useEffect } from 'react';
import { STRETCHES } from '~/core/funnel';
import { useDraft } from '~/studio/data/draft-store';
import { Modal } from '~/studio/fields/modal';

const KEYS = [
  ['1 – 6', 'go to a stretch of the road, Browse to After'],
  ['b', 'the piece shaped last'],
  ['p', 'its proof sheet'],
  ['w', 'visit the shop with the draft, in a new tab'],
  ['/', 'find a setting, part or word'],
  ['?', 'this list'],
  ['Ctrl Z, Ctrl Shift Z', 'undo, redo'],
  ['Ctrl Enter', 'publish …'],
] as const;

interface Actions {
  readonly find: () => void;
  readonly keys: () => void;
  readonly publish: () => void;
}

/** Shortcuts of the whole studio; off while something is typed in. */
export function useShortcuts({ find, keys, publish }: Actions): void {
  useEffect(() => {
    const press = (event: KeyboardEvent) => {
      const isTyping = (event.target as Element).closest('input,textarea,select,[contenteditable],[role=dialog]');
      if (isTyping) return;
      const { undo, redo, token } = useDraft.getState();
      const act = () => {
        if (event.ctrlKey || event.metaKey) {
          if (event.key === 'Enter') return publish;
          if (event.key.toLowerCase() === 'z') return event.shiftKey ? redo : undo;
          return null;
        }
        const stretch = STRETCHES[Number(event.key) - 1];
        if (stretch) return () => location.assign(`/studio/stretch/${stretch}`);
        if (event.key === 'b') return () => location.assign(localStorage.getItem('pl-last-bench') ?? FIRST_BENCH);
        if (event.key === 'p')
          return () => location.assign(`${localStorage.getItem('pl-last-bench') ?? FIRST_BENCH}?task=proof`);
        if (event.key === 'w') return () => window.open(`/shop/?draft=${token}`, '_blank');
        if (event.key === '/') return find;
        return event.key === '?' ? keys : null;
      };
      const action = act();
      if (!action) return;
      event.preventDefault();
      action();
    };
    addEventListener('keydown', press);
    return () => removeEventListener('keydown', press);
  });
}

export function ShortcutList({ onClose }: { onClose: () => void }) {
  return (
    <Modal title="Keys" onClose={onClose} width={440}>
      <dl className="grid grid-cols-[max-content_1fr] gap-x-6 gap-y-2">
        {KEYS.map(([key, text]) => (
          <div key={key} className="contents">
            <dt className="font-semibold">{key}</dt>
            <dd>{text}</dd>
          </div>
        ))}
      </dl>
    </Modal>
  );
}
