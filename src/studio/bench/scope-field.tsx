import X from 'lucide-react/icons/x';
import { useEffect, useState } from 'react';
import { type Scope } from '~/core/where';
import { Segmented } from '~/studio/fields/segmented';

export interface Named {
  readonly slug: string;
  readonly name: string;
}

interface ScopeProps {
  readonly label: string;
  readonly scope: Scope;
  readonly nameOf: (slug: string) => string;
  readonly onChange: (scope: Scope) => void;
  readonly search: (text: string) => Promise<readonly Named[]>;
}

/** All, only these, or all but these. */
export function ScopeField({ label, scope, nameOf, onChange, search }: ScopeProps) {
  const [text, setText] = useState('');
  const [found, setFound] = useState<readonly Named[]>([]);
  const slugs = scope.mode === 'all' ? [] : scope.slugs;
  useEffect(() => {
    let isStale = false;
    const timer = setTimeout(
      () =>
        void search(text).then(
          (names) => !isStale && setFound(names),
          () => setFound([]),
        ),
      150,
    );
    return () => {
      isStale = true;
      clearTimeout(timer);
    };
  }, [text, scope.mode]);
  return (
    <div className="flex flex-col gap-1.5">
      <span className="font-semibold">{label}</span>
      <Segmented
        label={label}
        options={{ all: 'All', only: 'Only', except: 'All but' }}
        value={scope.mode}
        onChange={(mode) => onChange(mode === 'all' ? { mode } : { mode, slugs: [...slugs] })}
      />
      {scope.mode !== 'all' && (
        <>
          <ul className="flex flex-wrap gap-1">
            {slugs.map((slug) => (
              <li key={slug} className="flex items-center gap-1 rounded-stone bg-slab px-2 py-0.5">
                {nameOf(slug)}
                <button
                  className="plain"
                  aria-label={`Take out ${nameOf(slug)}`}
                  onClick={() => onChange({ mode: scope.mode, slugs: slugs.filter((other) => other !== slug) })}
                >
                  <X size={13} />
                </button>
              </li>
            ))}
          </ul>
          <input
            className="field"
            placeholder="Type a name"
            aria-label={`Find ${label.toLowerCase()}`}
            value={text}
            onChange={(event) => setText(event.target.value)}
          />
          <ul className="max-h-40 overflow-auto">
            {found
              .filter((item) => !slugs.includes(item.slug))
              .slice(0, 8)
              .map((item) => (
                <li key={item.slug}>
                  <button
                    className="plain w-full px-1.5 py-1 text-start hover:bg-slab"
                    onClick={() => onChange({ mode: scope.mode, slugs: [...slugs, item.slug] })}
                  >
                    {item.name}
                  </button>
                </li>
              ))}
          </ul>
        </>
      )}
    </div>
  );
}
