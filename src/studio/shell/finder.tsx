import { useMemo, useState, type KeyboardEvent } from 'react';
import { pieceName, THEME_LABELS, type Piece, type SettingSpec } from '~/core/lane';
import { SHOP_WORDS } from '~/core/words';
import { definitionOf, definitions } from '~/pieces/definitions';
import { useDraft } from '~/studio/data/draft-store';
import { Modal } from '~/studio/fields/modal';

interface Entry {
  readonly id: string;
  readonly label: string;
  readonly place: string;
  readonly help: string;
  /** What else it is found by. */
  readonly more?: string;
  readonly href: string;
}

const MOST_SHOWN = 40;
/** How settings are called elsewhere, by their keys. */
const ALSO: Readonly<Record<string, string>> = {
  motion: 'animation transition effect',
  zoom: 'enlarge magnify',
  backdrop: 'overlay dim',
  width: 'size',
  opensOnAdd: 'automatic',
};

/** Finds any setting, part or word of any piece and of the shop, by its name, its help and what can be chosen. */
export function Finder({ onClose }: { onClose: () => void }) {
  const lane = useDraft((state) => state.lane);
  const [text, setText] = useState('');
  const entries = useMemo(() => [...pieceEntries(lane.pieces), ...SHOP_ENTRIES], [lane.pieces]);
  const wanted = text.toLowerCase().split(/\s+/).filter(Boolean);
  const found = entries
    .filter((entry) =>
      wanted.every((word) =>
        `${entry.label} ${entry.place} ${entry.help} ${entry.more ?? ''}`.toLowerCase().includes(word),
      ),
    )
    // What is called so comes before what only speaks of it.
    .sort((a, b) => Number(isCalled(b, wanted)) - Number(isCalled(a, wanted)))
    .slice(0, MOST_SHOWN);

  /** Arrows go through what was found, and back to the field. */
  function onKey(event: KeyboardEvent<HTMLElement>): void {
    const step = { ArrowDown: 1, ArrowUp: -1 }[event.key];
    if (step === undefined) return;
    event.preventDefault();
    const places = [...event.currentTarget.querySelectorAll<HTMLElement>('input, a')];
    places[places.indexOf(document.activeElement as HTMLElement) + step]?.focus();
  }

  return (
    <Modal title="Find a setting, part or word" onClose={onClose}>
      <div onKeyDown={onKey}>
        <form
          onSubmit={(event) => {
            event.preventDefault();
            if (found[0]) location.assign(found[0].href);
          }}
        >
          <input
            autoFocus
            className="field mb-3 w-full"
            placeholder="Such as: backdrop, animation, sold out, currency"
            aria-label="Find"
            value={text}
            onChange={(event) => setText(event.target.value)}
          />
        </form>
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
      </div>
    </Modal>
  );
}

const isCalled = (entry: Entry, wanted: readonly string[]) =>
  wanted.every((word) => entry.label.toLowerCase().includes(word));

/** What can be chosen of a setting, in words. */
function optionsOf(spec: SettingSpec): string {
  return spec.type === 'choice' ? Object.values(spec.options).join(' ') : '';
}

/** `find` is the name of the row that gets the focus. */
const rowHref = (address: string, label: string) =>
  `${address}${address.includes('?') ? '&' : '?'}find=${encodeURIComponent(label)}`;

const shopEntry = (section: string, label: string, help: string, more = ''): Entry => ({
  id: `shop ${section} ${label}`,
  label,
  place: 'Settings of the shop',
  help,
  more,
  href: rowHref(`/studio/shop?section=${section}`, label),
});

const SHOP_ENTRIES: readonly Entry[] = [
  shopEntry('about', 'Name of the shop', 'In the header, in mails and in search results.'),
  shopEntry('about', 'E-mail address', 'Where shoppers can write to.'),
  shopEntry('about', 'Country', 'Where the shop is.'),
  shopEntry('about', 'Currency', 'What prices are in.', 'money euro'),
  shopEntry('about', 'Time zone', 'When a day begins.'),
  shopEntry('about', 'Languages', 'Shoppers can switch between them.', 'translation'),
  ...Object.values(THEME_LABELS).map((label) =>
    shopEntry('look', label, 'A colour of the theme.', 'colour color theme'),
  ),
  shopEntry('look', 'Font', 'Of the whole shop.', 'typeface'),
  shopEntry('look', 'Corners', 'How round cards and buttons are.', 'radius'),
  shopEntry('tax', 'Tax rate', 'On everything, delivery included.', 'vat'),
  shopEntry('delivery', 'Delivery costs', 'By carrier, weight or value; zones and countries.', 'shipping'),
  shopEntry('words', 'What the cart is called', 'Cart, bag, basket or a word of your own.'),
  shopEntry(
    'pages',
    'Pages of your own',
    'A guide, a size table, a story, with live product facts.',
    'text fact snippet',
  ),
  shopEntry('legal', 'Terms of sale', 'And privacy, returns, about us.', 'imprint legal'),
  ...Object.values(SHOP_WORDS).map((word) => shopEntry('words', word.label, `“${word.default.en}”. ${word.help}`)),
];

function pieceEntries(pieces: Readonly<Record<string, Pick<Piece, 'kind' | 'name'>>>): Entry[] {
  return Object.entries(pieces).flatMap(([id, piece]) => {
    const definition = definitionOf(piece.kind);
    if (!definition) return [];
    const own = pieceName(piece, definitions);
    const href = (task: string, part: string | undefined, label: string) =>
      rowHref(`/studio/bench/${id}?task=${task}${part ? `&part=${part}` : ''}`, label);
    return [
      ...Object.entries(definition.settings).map(([key, spec]) => ({
        id: `${id} setting ${key}`,
        label: spec.label,
        place: `${own}, ${spec.task}`,
        help: spec.help,
        more: `${optionsOf(spec)} ${key} ${ALSO[key] ?? ''}`,
        href: href(spec.task, spec.part, spec.label),
      })),
      ...Object.entries(definition.parts).map(([key, part]) => ({
        id: `${id} part ${key}`,
        label: part.label,
        place: `${own}, parts`,
        help: part.help,
        href: href('parts', key, part.label),
      })),
      ...Object.entries(definition.words).map(([key, word]) => ({
        id: `${id} word ${key}`,
        label: word.label,
        place: `${own}, words`,
        help: `“${word.default.en}”. ${word.help}`,
        href: href('words', word.part, word.label),
      })),
      ...Object.entries(definition.looks).map(([key, look]) => ({
        id: `${id} look ${key}`,
        label: look.label,
        place: `${own}, look`,
        help: look.help,
        more: 'colour color background',
        href: href('look', look.part, look.label),
      })),
      {
        id: `${id} css`,
        label: 'Own style rules',
        place: `${own}, look`,
        help: 'CSS for this piece only.',
        href: href('look', undefined, 'Own style rules'),
      },
      {
        id: `${id} where`,
        label: 'Where it is shown',
        place: `${own}, where`,
        help: 'Devices, pages, categories and products; all but some.',
        more: 'exclude hide only except',
        href: href('where', undefined, 'Devices'),
      },
    ];
  });
}
