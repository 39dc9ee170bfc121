import { escapeHtml } from '~/core/words/escape-html';
import type { LinkVariant, PartKey } from './parts';
import { linkAddress, type LinkedGoods } from './address';

/** What a snippet is made from: everything said and shown, worked out. */
export interface LinkSpec extends LinkedGoods {
  /** The shop's address, without a slash at the end. */
  readonly origin: string;
  readonly language: string;
  readonly direction: 'ltr' | 'rtl';
  readonly shape: 'text' | 'button' | 'card' | 'page';
  readonly width: number;
  readonly align: 'start' | 'center' | 'end';
  readonly size: 'small' | 'usual' | 'large';
  readonly colours: 'own' | 'host';
  /** Those that are on, in order. */
  readonly parts: readonly PartKey[];
  readonly label: string;
  readonly variantsLabel: string;
  readonly shareLabel: string;
  readonly name: string;
  readonly productName: string;
  readonly variants: readonly LinkVariant[];
  readonly price: string;
  readonly shortText: string;
  /** Absolute; null: there is none. */
  readonly picture: string | null;
  /** How high it is for its width, so that nothing moves when it comes. */
  readonly pictureRatio: number;
  /** As mail programs can show it; absolute. */
  readonly mailPicture: string | null;
  readonly look: {
    readonly card: Rules;
    readonly name: Rules;
    readonly price: Rules;
    readonly button: Rules;
  };
  /** What is otherwise while the pointer is on it. */
  readonly hover: { readonly card: Rules; readonly button: Rules };
  /** Whether a script may run where it stands. */
  readonly sharesHere?: true;
}

/** Style rules in the order they are written: `['color', '#112233']`. */
export type Rules = readonly (readonly [property: string, value: string])[];

const styled = (rules: Rules): string => escapeHtml(rules.map(([property, value]) => `${property}:${value}`).join(';'));

const has = (spec: LinkSpec, part: PartKey) => spec.parts.includes(part);
const addressOf = (spec: LinkSpec) => escapeHtml(linkAddress(spec.origin, spec));

/** The address alone. */
export const addLink = (spec: LinkSpec): string => linkAddress(spec.origin, spec);
export const checkoutLink = (spec: LinkSpec): string => linkAddress(spec.origin, { ...spec, leads: 'checkout' });

/** How much room there is around the words of a button. */
const ROOM = { small: '7px 13px', usual: '11px 20px', large: '15px 30px' } as const;

/** Whether the variant is chosen where the link stands: in a form, of several of which one can be had. */
export const asksVariant = ({ parts, variants, shape }: Pick<LinkSpec, 'parts' | 'variants' | 'shape'>): boolean =>
  shape !== 'text' && parts.includes('variants') && variants.length > 1 && variants.some(({ isGone }) => !isGone);

/** The variant that is chosen at first: the link's own, or the first that can be had. */
export const firstChosen = (variants: readonly LinkVariant[], sku: string): string =>
  variants.find((variant) => variant.sku === sku && !variant.isGone)?.sku ??
  variants.find(({ isGone }) => !isGone)?.sku ??
  sku;

/** Whether the variants cost differently: then each says what it costs, and no one price stands for all. */
export const costDifferently = (variants: readonly LinkVariant[]): boolean =>
  new Set(variants.map(({ totalMinor }) => totalMinor)).size > 1;

/** Which margins take the room that is left over. */
const MARGIN = { start: 'margin-inline-end', center: 'margin-inline', end: 'margin-inline-start' } as const;
/** The same for mail programs, which know left and right. */
const SIDE = {
  ltr: { start: 'left', center: 'center', end: 'right' },
  rtl: { start: 'right', center: 'center', end: 'left' },
} as const;
const COLOURS = ['color', 'background-color', 'border-color'];

/** Of the host's page nothing is coloured but the button. */
const ownColours = (spec: LinkSpec, rules: Rules): Rules =>
  spec.colours === 'own' ? rules : rules.filter(([property]) => !COLOURS.includes(property));

/** A card, or a whole page: everything on one ground. */
const isBoxed = ({ shape }: LinkSpec) => shape === 'card' || shape === 'page';

type Hovered = keyof LinkSpec['hover'];
function hoverOf(spec: LinkSpec, slot: Hovered): Rules {
  if (slot === 'card') return isBoxed(spec) ? ownColours(spec, spec.hover.card) : [];
  return spec.shape === 'text' ? linkColour(spec, spec.hover.button) : spec.hover.button;
}

/** A text link is of the colour that is behind the words of a button. */
const linkColour = (spec: LinkSpec, button: Rules): Rules =>
  ownColours(
    spec,
    button.flatMap(([property, value]) => (property === 'background-color' ? [['color', value] as const] : [])),
  );

const hoverName = (spec: LinkSpec, slot: Hovered) => `pl-${spec.link}-${slot}`;
/** By which a style sheet finds it; a tag's own styles know no pointer. */
const hoverClass = (spec: LinkSpec, slot: Hovered): string =>
  spec.link && hoverOf(spec, slot).length > 0 ? ` class="${hoverName(spec, slot)}"` : '';

/** What changes under the pointer. */
function hoverStyle(spec: LinkSpec): string {
  const rules = (['card', 'button'] as const)
    .filter((slot) => hoverClass(spec, slot))
    .map(
      (slot) =>
        `.${hoverName(spec, slot)}:hover{${hoverOf(spec, slot)
          .map(([property, value]) => `${property}:${value}!important`)
          .join(';')}}`,
    );
  return rules.length > 0 ? `<style>${rules.join('').replaceAll('<', '')}</style>\n` : '';
}

function buttonOf(spec: LinkSpec, tag: 'a' | 'button'): string {
  const isText = spec.shape === 'text';
  const look: Rules = isText
    ? linkColour(spec, spec.look.button)
    : [
        ['font', `600 16px/1.3 system-ui,sans-serif`],
        ...spec.look.button,
        ['display', 'inline-block'],
        ['padding', ROOM[spec.size]],
        ['text-decoration', 'none'],
        ...(tag === 'button'
          ? ([
              ['border', '0'],
              ['cursor', 'pointer'],
            ] as const)
          : []),
      ];
  const style = look.length > 0 ? ` style="${styled(look)}"` : '';
  return tag === 'a'
    ? `<a${isText ? hoverClass(spec, 'button') : ''} href="${addressOf(spec)}"${style}>${escapeHtml(spec.label)}</a>`
    : `<button${hoverClass(spec, 'button')}${style}>${escapeHtml(spec.label)}</button>`;
}

/** A part as plain HTML. */
function partOf(spec: LinkSpec, part: PartKey, tag: 'a' | 'button'): string {
  const { look } = spec;
  const isAsked = tag === 'button' && asksVariant(spec);
  switch (part) {
    case 'picture': {
      if (spec.picture === null) return '';
      const size: Rules = isBoxed(spec)
        ? [
            ['display', 'block'],
            ['width', '100%'],
            ['height', 'auto'],
          ]
        : [
            ['width', '44px'],
            ['height', '44px'],
            ['object-fit', 'cover'],
            ['vertical-align', 'middle'],
            ['margin-inline-end', '10px'],
          ];
      return `<img src="${escapeHtml(spec.picture)}" alt="${escapeHtml(spec.name)}" width="${isBoxed(spec) ? spec.width : 44}" height="${isBoxed(spec) ? Math.round(spec.width * spec.pictureRatio) : 44}" style="${styled(size)}">`;
    }
    case 'name':
      return `<p style="${styled([...ownColours(spec, look.name), ['margin', '0 0 4px'], ['font-weight', '600']])}">${escapeHtml(isAsked ? spec.productName : spec.name)}</p>`;
    case 'price':
      return isAsked && costDifferently(spec.variants)
        ? ''
        : `<p style="${styled([...ownColours(spec, look.price), ['margin', '0 0 10px']])}">${escapeHtml(spec.price)}</p>`;
    case 'shortText':
      return spec.shortText ? `<p style="margin:0 0 10px">${escapeHtml(spec.shortText)}</p>` : '';
    case 'variants':
      return isAsked ? choiceOf(spec) : '';
    case 'button':
      return buttonOf(spec, tag);
    case 'share':
      return `<a href="${escapeHtml(mailTo(spec))}"${spec.sharesHere ? `${SHARE_HERE} data-address="${addressOf(spec)}"` : ''}>${escapeHtml(spec.shareLabel)}</a>`;
  }
}

/** Shares by what the device has, where it has anything; else the address writes a mail. */
const SHARE_HERE = ` onclick="return !navigator.share||(navigator.share({url:this.dataset.address}),false)"`;

function choiceOf({ variants, sku, variantsLabel }: LinkSpec): string {
  const chosen = firstChosen(variants, sku);
  const options = variants.map(
    (variant) =>
      `<option value="${escapeHtml(variant.sku)}"${variant.sku === chosen ? ' selected' : ''}${variant.isGone ? ' disabled' : ''}>${escapeHtml(variant.label)}</option>`,
  );
  return `<select name="sku" aria-label="${escapeHtml(variantsLabel)}" style="font:inherit;max-width:100%;padding:8px">${options.join('')}</select>`;
}

const onCard: Rules = [
  ['font', '400 16px/1.4 system-ui,sans-serif'],
  ['overflow', 'hidden'],
];

function bodyOf(spec: LinkSpec, tag: 'a' | 'button'): string {
  if (spec.shape === 'text') return buttonOf(spec, 'a');
  const parts = spec.parts.map((part) => ({ part, html: partOf(spec, part, tag) })).filter(({ html }) => html !== '');
  if (spec.shape === 'button')
    return parts
      .filter(({ part }) => part !== 'name' && part !== 'price' && part !== 'shortText')
      .map(({ html }) => html)
      .join(' ');
  const card: Rules = [
    ...ownColours(spec, spec.look.card).filter(([property]) => spec.shape !== 'page' || !property.startsWith('border')),
    ...onCard,
    ...(spec.shape === 'page'
      ? WHOLE_PAGE
      : ([
          ['max-width', `${spec.width}px`],
          [MARGIN[spec.align], 'auto'],
          ['padding-bottom', '10px'],
        ] as const)),
  ];
  if (spec.shape === 'page') return pageOf(spec, card, parts);
  const inside = parts
    .map(({ part, html }) => (part === 'picture' ? html : `<div style="padding:6px 16px">${html}</div>`))
    .join('\n  ');
  return `<div${hoverClass(spec, 'card')} style="${styled(card)}">\n  ${inside}\n</div>`;
}

/** Fills the window: the picture on one side, the words on the other, one above the other where it is narrow. */
function pageOf(spec: LinkSpec, card: Rules, parts: readonly { part: PartKey; html: string }[]): string {
  const picture = parts.find(({ part }) => part === 'picture');
  const column = (basis: number, html: string) =>
    `<div style="flex:1 1 ${basis}px;max-width:${basis}px">\n  ${html}\n</div>`;
  const words = parts
    .filter(({ part }) => part !== 'picture')
    .map(({ html }) => `<div style="padding:6px 0">${html}</div>`);
  return `<div${hoverClass(spec, 'card')} style="${styled(card)}">\n${picture ? column(spec.width, picture.html) : ''}\n${column(420, words.join('\n  '))}\n</div>`;
}

const WHOLE_PAGE: Rules = [
  ['display', 'flex'],
  ['flex-wrap', 'wrap'],
  ['align-items', 'center'],
  ['align-content', 'center'],
  ['justify-content', 'center'],
  ['gap', '32px'],
  ['min-height', '100vh'],
  ['box-sizing', 'border-box'],
  ['padding', '24px'],
];

/** Plain HTML that works without script: a card or button whose press leads to the shop. */
export function plainHtml(spec: LinkSpec): string {
  const attributes = `lang="${spec.language}" dir="${spec.direction}"`;
  if (spec.shape === 'text') return `${bodyOf(spec, 'a')}\n${hoverStyle(spec)}`.trimEnd();
  const fields = [...new URL(linkAddress('https://shop.invalid', spec)).searchParams]
    .filter(([name]) => name !== 'sku' || !asksVariant(spec))
    .map(([name, value]) => `<input type="hidden" name="${name}" value="${escapeHtml(value)}">`)
    .join('');
  const align = spec.shape === 'button' ? ` style="text-align:${spec.align}"` : '';
  return `<form action="${escapeHtml(spec.origin)}/shop/buy" method="get" ${attributes}${align}>\n${fields}\n${hoverStyle(spec)}${bodyOf(spec, 'button')}\n</form>`;
}

/** The same with the script, which puts what it sells into the cart on the spot; where it cannot run, the HTML works by itself. */
export function scriptHtml(spec: LinkSpec): string {
  return `${plainHtml({ ...spec, sharesHere: true })}\n<script type="module" src="${escapeHtml(spec.origin)}/rt/elsewhere.js"></script>`;
}

/** HTML for mail: tables and styles in the tags, the picture absolute; it reads well while pictures are kept back. */
export function mailHtml(spec: LinkSpec): string {
  // In a mail there is no pointer.
  if (spec.shape === 'text') return bodyOf({ ...spec, hover: { card: [], button: [] } }, 'a');
  const row = (html: string, padding = '6px 16px') => `<tr><td style="padding:${padding}">${html}</td></tr>`;
  const width = isBoxed(spec) ? spec.width : 0;
  const rows = spec.parts
    .filter((part) => isBoxed(spec) || part === 'picture' || part === 'button' || part === 'share')
    .map((part) => ({ part, html: partOf({ ...spec, colours: 'own', picture: spec.mailPicture }, part, 'a') }))
    .filter(({ html }) => html !== '')
    .map(({ part, html }) => (part === 'picture' ? row(`<a href="${addressOf(spec)}">${html}</a>`, '0') : row(html)))
    .join('\n');
  const table: Rules = isBoxed(spec) ? [...spec.look.card, ...onCard] : [];
  const sized = width > 0 ? ` width="${width}"` : '';
  return `<table role="presentation" cellpadding="0" cellspacing="0" border="0" lang="${spec.language}" dir="${spec.direction}" align="${SIDE[spec.direction][spec.align]}"${sized} style="${styled(table)}">\n${rows}\n</table>`;
}

/** A frame of the shop's own page of this piece; what it shows is always as the shop has it. */
export function frameHtml(spec: LinkSpec): string {
  const isPage = spec.shape === 'page';
  const height = isPage ? 640 : spec.shape === 'card' ? frameHeight(spec) : 64;
  const width = isPage ? '100%' : spec.shape === 'card' ? spec.width + 16 : 260;
  return `<iframe src="${escapeHtml(spec.origin)}/shop/embed?piece=${spec.link}" title="${escapeHtml(spec.name)}" width="${width}" height="${height}" style="border:0;max-width:100%" loading="lazy"></iframe>`;
}

/** About as high as it will be: a line of text 40 pixels. */
const frameHeight = (spec: LinkSpec): number =>
  (has(spec, 'picture') && spec.picture ? Math.round(spec.width * spec.pictureRatio) : 0) +
  spec.parts.filter((part) => part !== 'picture').length * 52 +
  30;

/** A mail that recommends it, as an address. */
export function mailTo(spec: LinkSpec): string {
  return `mailto:?subject=${encodeURIComponent(spec.name)}&body=${encodeURIComponent(`${spec.name}\n${addLink(spec)}`)}`;
}
