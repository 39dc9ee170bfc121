import { resolveColour, resolveLook, resolveWords, type Lane, type Piece, type PieceDefinition } from '~/core/lane';
import { LOOK_PROPERTIES, type LookProperty, type LookState } from '~/core/lane/settings/setting';
import type { Goods } from '~/core/lane';
import { directionOf } from '~/core/words';
import type { Leads } from './address';
import type { LinkSpec, Rules } from './outputs';
import type { LinkVariant, PartKey } from './parts';

/** What the catalogue says of the goods of a link. */
export interface LinkFacts {
  readonly name: string;
  /** As shoppers read it. */
  readonly price: string;
  readonly shortText: string;
  /** An address of the shop; null: there is none. */
  readonly picture: string | null;
  /** How high it is for its width. */
  readonly pictureRatio?: number;
  /** The same as mail programs can show it. */
  readonly mailPicture?: string | null;
  /** Of the link itself, whole. */
  readonly address?: string;
  /** The name of the product alone, and all its variants, where shoppers choose. */
  readonly productName?: string;
  readonly variants?: readonly LinkVariant[];
}

/** All a snippet is made from, out of the lane and the catalogue. */
export function linkSpec(
  lane: Lane,
  definition: PieceDefinition,
  {
    id,
    piece,
    facts,
    origin,
    language,
  }: { id: string; piece: Piece; facts: LinkFacts; origin: string; language: string },
): LinkSpec {
  const rulesOf = (slot: string, state: LookState = 'rest'): Rules => {
    const spec = definition.looks[slot]!;
    return spec.properties.flatMap((property) => {
      const value = resolveLook(spec, piece.look.slots[slot], state, property);
      return value === undefined
        ? []
        : rule(property, typeof value === 'number' ? `${value}px` : resolveColour(value, lane.theme));
    });
  };
  /** What is otherwise while the pointer is on it. */
  const changed = (slot: string): Rules => {
    const rest = new Map(rulesOf(slot));
    return rulesOf(slot, 'hover').filter(([property, value]) => rest.get(property) !== value);
  };
  const settings = piece.settings as {
    goods: Goods;
    leads: Leads;
    shape: LinkSpec['shape'];
    width: number;
    align: LinkSpec['align'];
    size: LinkSpec['size'];
    colours: LinkSpec['colours'];
  };
  const { goods, leads, shape, width, align, size, colours } = settings;
  const words = resolveWords(definition, piece, language, lane.shop.cart);
  const absolute = (src: string | null) => (src === null ? null : new URL(src, origin).href);
  return {
    ...goods,
    leads,
    shape,
    width,
    align,
    size,
    colours,
    link: id,
    origin,
    language,
    direction: directionOf(language),
    parts: piece.parts.filter(({ on }) => on).map(({ key }) => key as PartKey),
    label: words['button'] ?? '',
    variantsLabel: words['variants'] ?? '',
    shareLabel: words['share'] ?? '',
    productName: facts.productName ?? facts.name,
    variants: facts.variants ?? [],
    name: facts.name,
    price: facts.price,
    shortText: facts.shortText,
    picture: absolute(facts.picture),
    mailPicture: absolute(facts.mailPicture ?? facts.picture),
    pictureRatio: facts.pictureRatio ?? 1,
    look: { card: rulesOf('card'), name: rulesOf('name'), price: rulesOf('price'), button: rulesOf('button') },
    hover: { card: changed('card'), button: changed('button') },
  };
}

function rule(property: LookProperty, value: string): Rules {
  const { css } = LOOK_PROPERTIES[property];
  return property === 'borderWidth'
    ? [
        ['border-style', 'solid'],
        [css, value],
      ]
    : [[css, value]];
}
