import X from 'lucide-react/icons/x';
import { useEffect, useState } from 'react';
import { whoSees, type PageKind, type Scope } from '~/core/where';
import { DEVICES } from '~/core/where/where.schema';
import { ask } from '../shared/api';
import { SettingControl, Tick } from '../shared/controls';
import { Segmented } from '../shared/segmented';
import type { PanelProps } from './panel';

const DEVICE_NAMES = { phone: 'Phones', tablet: 'Tablets', desktop: 'Desktops' } as const;
const PAGE_NAMES: Readonly<Record<PageKind, string>> = {
  home: 'Front page',
  listing: 'Listings',
  product: 'Product pages',
  cart: 'Cart',
  checkout: 'Checkout',
  thanks: 'Thank-you page',
  other: 'Other pages',
};

interface Named {
  readonly slug: string;
  readonly name: string;
}

/** Where the piece is shown, and an answer in words. */
export function WherePanel(props: PanelProps & { categories: readonly Named[] }) {
  const { piece, definition, edit, part, categories } = props;
  const settings = Object.entries(definition.settings).filter(([, spec]) => spec.task === 'where');
  return (
    <>
      {settings.map(([key, spec]) => (
        <SettingControl
          key={key}
          spec={spec}
          value={piece.settings[key] ?? spec.default}
          onChange={(value) => edit((draft) => void (draft.settings[key] = value), `setting ${key}`)}
        />
      ))}
      {definition.isAlwaysOn ? (
        <p className="help">
          The shop always has it, on {definition.pages.map((page) => PAGE_NAMES[page].toLowerCase()).join(', ')}. Parts
          can be hidden on a device under Parts.
        </p>
      ) : (
        <Scopes piece={piece} definition={definition} edit={edit} part={part} categories={categories} />
      )}
    </>
  );
}

/** Devices, pages, categories and products, and who that leaves. */
function Scopes({ piece, definition, edit, categories }: PanelProps & { categories: readonly Named[] }) {
  const { where } = piece;
  const toggle = <T,>(list: T[], item: T, on: boolean) =>
    on ? [...list, item] : list.filter((other) => other !== item);
  const seenBy = DEVICES.filter((device) =>
    definition.pages.some((page) => whoSees(where, { device, page, categories: [], product: null }).shown),
  );
  const added = definition.judges === 'added' ? ' of what was added' : '';
  return (
    <>
      <fieldset>
        <legend className="font-semibold">Devices</legend>
        {DEVICES.map((device) => (
          <Tick
            key={device}
            label={DEVICE_NAMES[device]}
            checked={where.devices.includes(device)}
            onChange={(on) => edit((draft) => void (draft.where.devices = toggle(draft.where.devices, device, on)))}
          />
        ))}
      </fieldset>
      <fieldset>
        <legend className="font-semibold">Pages</legend>
        {definition.pages.map((page) => (
          <Tick
            key={page}
            label={PAGE_NAMES[page]}
            checked={where.pages.includes(page)}
            onChange={(on) => edit((draft) => void (draft.where.pages = toggle(draft.where.pages, page, on)))}
          />
        ))}
      </fieldset>
      <ScopeField
        label={`Categories${added}`}
        scope={where.categories}
        onChange={(scope) => edit((draft) => void (draft.where.categories = scope))}
        search={(text) =>
          Promise.resolve(categories.filter((category) => category.name.toLowerCase().includes(text.toLowerCase())))
        }
      />
      <ScopeField
        label={`Products${added}`}
        scope={where.products}
        onChange={(scope) => edit((draft) => void (draft.where.products = scope))}
        search={(text) => ask<Named[]>(`/api/studio/products?q=${encodeURIComponent(text)}`)}
      />
      <p
        className={`border-s-4 ps-3 ${piece.on && seenBy.length > 0 ? 'border-moss' : 'border-brick text-brick'}`}
        data-testid="who-sees"
      >
        {!piece.on
          ? 'Nobody sees it: it is turned off.'
          : seenBy.length === 0
            ? 'Nobody would see it: no device and page are left.'
            : `Seen on ${seenBy.map((device) => DEVICE_NAMES[device].toLowerCase()).join(', ')}, on ${where.pages.map((page) => PAGE_NAMES[page].toLowerCase()).join(', ')}.`}
      </p>
    </>
  );
}

interface ScopeProps {
  readonly label: string;
  readonly scope: Scope;
  readonly onChange: (scope: Scope) => void;
  readonly search: (text: string) => Promise<readonly Named[]>;
}

/** All, only these, or all but these. */
function ScopeField({ label, scope, onChange, search }: ScopeProps) {
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
                {slug}
                <button
                  className="plain"
                  aria-label={`Take out ${slug}`}
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
