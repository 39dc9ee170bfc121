import { useRef, useState } from 'react';
import { ask } from '~/studio/data/api';
import { useDraft } from '~/studio/data/draft-store';
import { Labelled } from './fields';

interface Named {
  readonly slug: string;
  readonly name: string;
}

interface Props {
  readonly label: string;
  readonly help: string;
  /** A product that cannot be picked. */
  readonly own?: string;
  readonly slugs: readonly string[];
  /** Names of what is picked already. */
  readonly known?: readonly Named[];
  readonly most: number;
  readonly onChange: (slugs: string[]) => void;
}

const NONE: readonly Named[] = [];

/** Products picked by hand, in order. */
export function PickedProducts({ label, help, own, slugs, known = NONE, most, onChange }: Props) {
  const { names, learn } = useDraft();
  const called = new Map(known.map(({ slug, name }) => [slug, name]));
  const nameOf = (slug: string) => called.get(slug) ?? names.product[slug] ?? slug;
  const [found, setFound] = useState<readonly Named[] | null>(null);
  const latest = useRef('');

  async function look(typed: string): Promise<void> {
    latest.current = typed;
    if (typed.trim() === '') return setFound(null);
    const products = await ask('GET /api/studio/products', { query: { q: typed.trim() } });
    if (latest.current === typed)
      setFound(products.filter(({ slug }) => slug !== own && !slugs.includes(slug)).slice(0, 8));
  }

  function pick({ slug, name }: Named): void {
    learn({ [slug]: name });
    // Of one there can be, another takes its place.
    onChange(most === 1 ? [slug] : [...slugs, slug]);
    setFound((before) => before?.filter((other) => other.slug !== slug) ?? null);
  }

  const isFull = most > 1 && slugs.length >= most;
  const move = (from: number, to: number) => {
    const next = [...slugs];
    next.splice(to, 0, ...next.splice(from, 1));
    onChange(next);
  };

  return (
    <div className="flex flex-col gap-2">
      <Labelled label={label} help={help}>
        {(id, describedBy) => (
          <input
            id={id}
            type="search"
            className="field w-full"
            placeholder="Find a product to add …"
            aria-describedby={describedBy}
            disabled={isFull}
            onChange={(event) => void look(event.target.value)}
          />
        )}
      </Labelled>
      {found && !isFull && (
        <ul aria-label={`Found for ${label}`} className="flex flex-wrap gap-1">
          {found.length === 0 && <li className="help">Nothing else is called that.</li>}
          {found.map((product) => (
            <li key={product.slug}>
              <button className="btn" onClick={() => pick(product)}>
                + {product.name}
              </button>
            </li>
          ))}
        </ul>
      )}
      {slugs.length > 0 && (
        <ol aria-label={`${label}, picked`} className="flex flex-col">
          {slugs.map((slug, i) => {
            const name = nameOf(slug);
            return (
              <li key={slug} className="flex items-center gap-2 border-b border-mortar py-1">
                <span className="flex-1">{name}</span>
                {slugs.length > 1 && (
                  <>
                    <button
                      className="plain size-6"
                      aria-label={`Move ${name} up`}
                      disabled={i === 0}
                      onClick={() => move(i, i - 1)}
                    >
                      ↑
                    </button>
                    <button
                      className="plain size-6"
                      aria-label={`Move ${name} down`}
                      disabled={i === slugs.length - 1}
                      onClick={() => move(i, i + 1)}
                    >
                      ↓
                    </button>
                  </>
                )}
                <button
                  className="plain size-6 text-gravel hover:text-brick"
                  aria-label={`Remove ${name}`}
                  onClick={() => onChange(slugs.filter((other) => other !== slug))}
                >
                  ×
                </button>
              </li>
            );
          })}
        </ol>
      )}
    </div>
  );
}
