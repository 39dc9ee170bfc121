import { measureOf } from './measure';

/** What a shopper narrows a listing by, beyond its category and search. Within one of these any value fits; all of them must. */
export interface Chosen {
  readonly attributes: Readonly<Record<string, readonly string[]>>;
  /** Numbers of an attribute, in its own unit. */
  readonly ranges: Readonly<Record<string, NumberRange>>;
  /** Of variants, e.g. Size. */
  readonly axes: Readonly<Record<string, readonly string[]>>;
  readonly tags: readonly string[];
  /** At least so many stars. */
  readonly rating: number | null;
}

export interface NumberRange {
  readonly from: number | null;
  readonly to: number | null;
}

export const NOTHING_CHOSEN: Chosen = { attributes: {}, ranges: {}, axes: {}, tags: [], rating: null };

export interface FacetValue {
  readonly value: string;
  /** Products with it, under all other filters. */
  readonly count: number;
  readonly isChosen: boolean;
}

export type Facet =
  | {
      readonly kind: 'attribute' | 'axis' | 'tag' | 'rating';
      readonly key: string;
      readonly values: readonly FacetValue[];
    }
  | {
      readonly kind: 'range';
      readonly key: string;
      readonly unit: string;
      readonly least: number;
      readonly most: number;
      readonly range: NumberRange;
    };

/** How many products have a value; `group` names what it is a value of. */
export interface FacetCount {
  readonly group: 'attribute' | 'axis' | 'tag' | 'rating';
  readonly key: string;
  readonly value: string;
  readonly count: number;
}

const MOST_KEYS = 12;
/** Things chosen at once: each is counted anew without itself, and an address may name what it likes. */
const MOST_PARTS = 8;
const MOST_VALUES = 30;
const MOST_LENGTH = 120;
/** Names of the fields in an address: `a.Skill`, `n.Span.from`, `v.Size`, `tag`, `rating`. */
const FIELD = /^([av])\.(.{1,80})$|^n\.(.{1,80})\.(from|to)$/;

/** Reads what is chosen from an address; what is none is left out, and so is what there is too much of. */
export function readChosen(search: URLSearchParams): Chosen {
  const lists = { a: new Map<string, Set<string>>(), v: new Map<string, Set<string>>() };
  const ranges = new Map<string, { from: number | null; to: number | null }>();
  const isFull = () => lists.a.size + lists.v.size + ranges.size >= MOST_PARTS;
  for (const [name, value] of search) {
    const found = FIELD.exec(name);
    if (!found || value === '' || value.length > MOST_LENGTH) continue;
    const [, list, key, measured, end] = found;
    if (list) {
      const keys = lists[list as 'a' | 'v'];
      if (!keys.has(key!) && isFull()) continue;
      const values = keys.get(key!) ?? new Set<string>();
      if (values.size < MOST_VALUES) keys.set(key!, values.add(value));
    } else {
      const number = Number(value.replace(',', '.'));
      if (!Number.isFinite(number) || (!ranges.has(measured!) && isFull())) continue;
      const range = ranges.get(measured!) ?? { from: null, to: null };
      range[end as 'from' | 'to'] = number;
      ranges.set(measured!, range);
    }
  }
  const plain = (keys: Map<string, Set<string>>) =>
    Object.fromEntries([...keys].map(([key, values]) => [key, [...values]]));
  const stars = Number(search.get('rating'));
  return {
    attributes: plain(lists.a),
    ranges: Object.fromEntries([...ranges].map(([key, range]) => [key, inOrder(range)])),
    axes: plain(lists.v),
    tags: [...new Set(search.getAll('tag').filter((tag) => tag !== '' && tag.length <= 60))].slice(0, MOST_VALUES),
    rating: [1, 2, 3, 4, 5].includes(stars) ? stars : null,
  };
}

/** Ends the other way round are meant as they make sense. */
function inOrder({ from, to }: { readonly from: number | null; readonly to: number | null }) {
  return from !== null && to !== null && from > to ? { from: to, to: from } : { from, to };
}

/** A choice without one of its parts: what the counts of that part are taken under. */
export function withoutPart(
  chosen: Chosen,
  group: 'attribute' | 'range' | 'axis' | 'tag' | 'rating',
  key: string,
): Chosen {
  const less = <T>(record: Readonly<Record<string, T>>) =>
    Object.fromEntries(Object.entries(record).filter(([name]) => name !== key));
  switch (group) {
    case 'attribute':
      return { ...chosen, attributes: less(chosen.attributes) };
    case 'range':
      return { ...chosen, ranges: less(chosen.ranges) };
    case 'axis':
      return { ...chosen, axes: less(chosen.axes) };
    case 'tag':
      return { ...chosen, tags: [] };
    case 'rating':
      return { ...chosen, rating: null };
  }
}

/** Each part of a choice, with the fields of the address that hold it and what it says. */
export function partsOf(
  chosen: Chosen,
): { readonly group: 'attribute' | 'range' | 'axis' | 'tag' | 'rating'; readonly key: string }[] {
  return [
    ...Object.keys(chosen.attributes).map((key) => ({ group: 'attribute' as const, key })),
    ...Object.keys(chosen.ranges).map((key) => ({ group: 'range' as const, key })),
    ...Object.keys(chosen.axes).map((key) => ({ group: 'axis' as const, key })),
    ...(chosen.tags.length > 0 ? [{ group: 'tag' as const, key: '' }] : []),
    ...(chosen.rating === null ? [] : [{ group: 'rating' as const, key: '' }]),
  ];
}

/**
 * What a listing can be narrowed by, from how many products have what: attributes whose values are all numbers of one unit
 * as a range, others as ticks. What would narrow nothing is left out, but for what is chosen.
 */
export function facetsFrom(counts: readonly FacetCount[], chosen: Chosen, total: number): Facet[] {
  const groups = new Map<string, FacetCount[]>();
  for (const count of counts) {
    const name = `${count.group} ${count.key}`;
    const own = groups.get(name);
    if (own) own.push(count);
    else groups.set(name, [count]);
  }
  const facets = [...groups.values()].flatMap((own): { facet: Facet; held: number }[] => {
    const { group, key } = own[0]!;
    const held = own.reduce((sum, { count }) => sum + count, 0);
    const picked =
      group === 'tag'
        ? chosen.tags
        : group === 'rating'
          ? chosen.rating === null
            ? []
            : [String(chosen.rating)]
          : ((group === 'axis' ? chosen.axes : chosen.attributes)[key] ?? []);
    const measures = group === 'attribute' ? own.map(({ value }) => measureOf(value)) : [];
    const unit = measures[0]?.unit ?? '';
    const range = chosen.ranges[key] ?? { from: null, to: null };
    if (measures.length > 3 && picked.length === 0 && measures.every((measure) => measure?.unit === unit)) {
      const amounts = measures.map((measure) => measure!.amount);
      const [least, most] = [Math.min(...amounts), Math.max(...amounts)];
      return [{ facet: { kind: 'range', key, unit, least, most, range }, held }];
    }
    const values = own
      .map(({ value, count }) => ({ value, count, isChosen: picked.includes(value) }))
      .sort((a, b) => Number(b.isChosen) - Number(a.isChosen) || b.count - a.count || a.value.localeCompare(b.value))
      .slice(0, MOST_VALUES);
    const narrows = picked.length > 0 || values.some(({ count }) => count < total);
    return narrows && (values.length > 1 || picked.length > 0) ? [{ facet: { kind: group, key, values }, held }] : [];
  });
  const order = ['rating', 'axis', 'attribute', 'range', 'tag'];
  return facets
    .sort((a, b) => order.indexOf(a.facet.kind) - order.indexOf(b.facet.kind) || b.held - a.held)
    .map(({ facet }) => facet)
    .slice(0, MOST_KEYS);
}
