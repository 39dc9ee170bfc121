import X from 'lucide-react/icons/x';
import { useEffect, useState } from 'react';
import { pageOfSpot, SPOTS } from '~/core/lane';
import { summariseWhere, type PageKind, type Scope } from '~/core/where';
import { DEVICES } from '~/core/where/where.schema';
import { ask } from '../shared/api';
import { SettingControl } from '../shared/controls';
import { Tick } from '../shared/tick';
import { Segmented } from '../shared/segmented';
import { SelectField } from '../shop/fields';
import type { PanelProps } from './panel';
import { PieceIdentity } from './piece-identity';

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
export function WherePanel(props: PanelProps & { pieceId: string; categories: readonly Named[] }) {
  const { pieceId, piece, definition, edit, part, categories } = props;
  const settings = Object.entries(definition.settings).filter(([, spec]) => spec.task === 'where');
  return (
    <>
      {definition.isMany && <PieceIdentity {...{ pieceId, piece, definition, edit, part }} />}
      {definition.spots && <SpotField {...{ piece, definition, edit, part }} />}
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

/** The place of the page it stands in. */
function SpotField({ piece, definition, edit }: PanelProps) {
  const { spot } = piece.where;
  const known = definition.spots!.map((key) => [key as string, SPOTS[key].label] as const);
  const gone = spot !== null && pageOfSpot(spot) === null;
  return (
    <SelectField
      label="Place"
      help="Pieces in one place stand in the order in which they were made."
      value={spot ?? ''}
      options={[...known, ...(gone ? [[spot, `“${spot}”, which there is no more`] as const] : [])]}
      onChange={(next) => edit((draft) => void (draft.where.spot = next))}
    />
  );
}

/** Devices, pages, categories and products, and who that leaves. */
function Scopes({ piece, definition, edit, categories }: PanelProps & { categories: readonly Named[] }) {
  const { where } = piece;
  const toggle = <T,>(list: T[], item: T, on: boolean) =>
    on ? [...list, item] : list.filter((other) => other !== item);
  const own = where.spot === null ? null : pageOfSpot(where.spot);
  const seen = summariseWhere(
    where,
    definition.spots ? (own ? [own] : []) : definition.pages,
    definition.judges ?? 'page',
  );
  const about = definition.judges === 'added' ? ' of what was added' : '';
  const title = (slug: string) => categories.find((category) => category.slug === slug)?.name ?? slug;
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
      {!definition.spots && (
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
      )}
      <ScopeField
        label={`Categories${about}`}
        scope={where.categories}
        onChange={(scope) => edit((draft) => void (draft.where.categories = scope))}
        search={(text) =>
          Promise.resolve(categories.filter((category) => category.name.toLowerCase().includes(text.toLowerCase())))
        }
      />
      <ScopeField
        label={`Products${about}`}
        scope={where.products}
        onChange={(scope) => edit((draft) => void (draft.where.products = scope))}
        search={(text) => ask<Named[]>(`/api/studio/products?q=${encodeURIComponent(text)}`)}
      />
      <p
        className={`border-s-4 ps-3 ${piece.on && seen.seen.length > 0 ? 'border-moss' : 'border-brick text-brick'}`}
        data-testid="who-sees"
      >
        {!piece.on
          ? 'Nobody sees it: it is turned off.'
          : seen.seen.length === 0
            ? 'Nobody would see it: no page is left that fits these rules.'
            : [
                `Seen on ${list(seen.devices.map((device) => DEVICE_NAMES[device].toLowerCase()))}`,
                `on ${list(seen.pages.map((page) => PAGE_NAMES[page].toLowerCase()))}`,
                ...scopeText(where.categories, 'category', 'categories', title),
                ...scopeText(where.products, 'product', 'products', (slug) => slug),
              ].join(', ') + '.'}
      </p>
      <p className="help">
        {definition.judges === 'added'
          ? 'Categories and products are those of what was just added.'
          : 'Categories and products are those of the page looked at; on listings a rule about products is asked of each card.'}
      </p>
    </>
  );
}

const list = (names: readonly string[]) => new Intl.ListFormat('en', { type: 'conjunction' }).format(names);

/** What a scope leaves, as a part of the sentence. */
function scopeText(scope: Scope, one: string, many: string, title: (slug: string) => string): string[] {
  if (scope.mode === 'all') return [];
  const names = list(scope.slugs.map((slug) => `“${title(slug)}”`));
  if (scope.slugs.length === 0) return scope.mode === 'only' ? [`for no ${one}`] : [];
  const noun = scope.slugs.length === 1 ? one : many;
  return [scope.mode === 'only' ? `only for the ${noun} ${names}` : `but not for the ${noun} ${names}`];
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
