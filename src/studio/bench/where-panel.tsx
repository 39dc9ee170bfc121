import { type Named } from './scope-field';
import { ScopeField } from './scope-field';
import ArrowDown from 'lucide-react/icons/arrow-down';
import ArrowUp from 'lucide-react/icons/arrow-up';
import {
  moveInSpot,
  holdsOne,
  pageOfSpot,
  pieceName,
  type Lane,
  piecesOfSpot,
  SPOTS,
  whyNeverSeen,
  wordNeverSeen,
} from '~/core/lane';
import { LISTS, ownPageName, readPageName, summariseWhere, tagName, type PageKind, type Scope } from '~/core/where';
import { DEVICES } from '~/core/where/where.schema';
import { definitions } from '~/pieces/definitions';
import { ask } from '~/studio/data/api';
import { SettingControl } from '~/studio/settings/setting-control';
import { useDraft } from '~/studio/data/draft-store';
import { Tick } from '~/studio/fields/tick';
import { SelectField } from '~/studio/fields/fields';
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

/** Where the piece is shown, and an answer in words. */
interface WhereProps extends PanelProps {
  readonly pieceId: string;
  readonly categories: readonly Named[];
  readonly tags: readonly string[];
}

export function WherePanel(props: WhereProps) {
  const { pieceId, piece, definition, edit, part, categories, tags } = props;
  const settings = Object.entries(definition.settings).filter(([, spec]) => spec.task === 'where');
  return (
    <>
      {definition.isMany && (
        <PieceIdentity pieceId={pieceId} piece={piece} definition={definition} edit={edit} part={part} />
      )}
      {definition.spots && <SpotField piece={piece} definition={definition} edit={edit} part={part} />}
      {piece.where.spot !== null && <InPlace pieceId={pieceId} spot={piece.where.spot} />}
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
        <Scopes
          pieceId={pieceId}
          piece={piece}
          definition={definition}
          edit={edit}
          part={part}
          categories={categories}
          tags={tags}
        />
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
      value={spot ?? ''}
      options={[...known, ...(gone ? [[spot, `“${spot}”, which there is no more`] as const] : [])]}
      onChange={(next) => edit((draft) => void (draft.where.spot = next))}
    />
  );
}

/** Devices, pages, categories and products, and who that leaves. */
function Scopes({ pieceId, piece, definition, edit, categories, tags }: WhereProps) {
  const { where } = piece;
  const { lane: draft, names, categoryTexts, learn } = useDraft();
  const lane = { ...draft, pieces: { ...draft.pieces, [pieceId]: piece } };
  const toggle = <T,>(list: T[], item: T, on: boolean) =>
    on ? [...list, item] : list.filter((other) => other !== item);
  const own = where.spot === null ? null : pageOfSpot(where.spot);
  const seen = summariseWhere(
    where,
    definition.spots ? (own ? [own] : []) : definition.pages,
    definition.judges ?? 'page',
  );
  const isThanks = own === 'thanks';
  const of = isThanks ? ' of what was bought' : definition.judges === 'added' ? ' of what was added' : '';
  const never = whyNeverSeen(lane, pieceId, definitions, categoryTexts);
  const about = of === '' ? pageNames(lane.pages, categories, tags) : categories;
  const title = (slug: string) => about.find((named) => named.slug === slug)?.name ?? readPageName(slug).name;
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
        label={of === '' ? 'Listings, categories, tags and pages of yours' : `Categories${of}`}
        scope={where.categories}
        nameOf={title}
        onChange={(scope) => edit((draft) => void (draft.where.categories = scope))}
        search={(text) => Promise.resolve(about.filter(({ name }) => name.toLowerCase().includes(text.toLowerCase())))}
      />
      <ScopeField
        label={`Products${of}`}
        scope={where.products}
        nameOf={(slug) => names.product[slug] ?? slug}
        onChange={(scope) => edit((draft) => void (draft.where.products = scope))}
        search={async (text) => {
          const found = await ask('GET /api/studio/products', { query: { q: text } });
          learn(Object.fromEntries(found.map(({ slug, name }) => [slug, name])));
          return found;
        }}
      />
      <p
        className={`border-s-4 ps-3 ${piece.on && !never ? 'border-moss' : 'border-brick text-brick'}`}
        data-testid="who-sees"
      >
        {!piece.on
          ? 'Nobody sees it: it is turned off.'
          : never
            ? wordNeverSeen(never, lane, pieceId, definitions)
            : [
                `Seen on ${list(seen.devices.map((device) => DEVICE_NAMES[device].toLowerCase()))}`,
                `on ${list(seen.pages.map((page) => PAGE_NAMES[page].toLowerCase()))}`,
                ...scopeText(where.categories, title),
                ...scopeText(where.products, (slug) => `the product “${names.product[slug] ?? slug}”`),
              ].join(', ') + '.'}
      </p>
      <p className="help">
        {of !== ''
          ? `Categories and products are those${of}.`
          : 'Categories and products are those of the page looked at; on listings a rule about products is asked of each card.'}
      </p>
    </>
  );
}

const list = (names: readonly string[]) => new Intl.ListFormat('en', { type: 'conjunction' }).format(names);

/** What a scope leaves, as a part of the sentence. */
function scopeText(scope: Scope, title: (slug: string) => string): string[] {
  if (scope.mode === 'all' || scope.slugs.length === 0) return [];
  const names = list(scope.slugs.map(title));
  return [scope.mode === 'only' ? `only for ${names}` : `but not for ${names}`];
}

/** All that rules can name beside products, in the words of the owner. */
function pageNames(pages: Lane['pages'], categories: readonly Named[], tags: readonly string[]): Named[] {
  return [
    ...Object.entries(LISTS).map(([slug, name]) => ({ slug, name })),
    ...categories.map(({ slug, name }) => ({ slug, name: `Category “${name}”` })),
    ...tags.map((tag) => ({ slug: tagName(tag), name: `Tag “${tag}”` })),
    ...Object.entries(pages).map(([page, { title }]) => ({
      slug: ownPageName(page),
      name: `Page “${Object.values(title)[0] || page}”`,
    })),
  ];
}

/** The pieces of its place, in their order, and where it stands among them. */
function InPlace({ pieceId, spot }: { pieceId: string; spot: string }) {
  const { lane, change } = useDraft();
  const inPlace = piecesOfSpot(lane, spot);
  const at = inPlace.findIndex(([id]) => id === pieceId);
  if (inPlace.length < 2 || spot === 'text' || spot === 'elsewhere') return null;
  const move = (by: -1 | 1) => change((draft) => moveInSpot(draft, pieceId, by));
  return (
    <div className="flex flex-col gap-1.5">
      <span className="font-semibold">Pieces in this place, in their order</span>
      <ol className="flex list-decimal flex-col gap-1 ps-5">
        {inPlace.map(([id, piece]) => (
          <li key={id} aria-current={id === pieceId || undefined} className="aria-[current]:font-semibold">
            {id === pieceId ? (
              pieceName(piece, definitions)
            ) : (
              <a href={`/studio/bench/${id}?task=where`}>{pieceName(piece, definitions)}</a>
            )}
            {!piece.on && <span className="text-gravel"> (off)</span>}
          </li>
        ))}
      </ol>
      <div className="flex gap-1.5">
        <button className="btn flex items-center gap-1" disabled={at === 0} onClick={() => move(-1)}>
          <ArrowUp size={15} /> Move up
        </button>
        <button className="btn flex items-center gap-1" disabled={at === inPlace.length - 1} onClick={() => move(1)}>
          <ArrowDown size={15} /> Move down
        </button>
      </div>
      {holdsOne(spot) && <p className="help">Only the first that fits a page stands there.</p>}
    </div>
  );
}
