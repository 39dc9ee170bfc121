import { minor } from '~/core/money';
import type { ImportedProduct } from '~/data';
import { importRepository, type Database } from '~/data';
import type { Random } from './random';

const BIRDS = ['Heron', 'Plover', 'Dunlin', 'Curlew', 'Siskin', 'Redstart', 'Merlin', 'Fieldfare', 'Godwit', 'Teal'];
const WEATHERS = [
  'Morning',
  'Harbour',
  'Fell',
  'Squall',
  'Breeze',
  'Lakeside',
  'Winter',
  'Northerly',
  'Thermal',
  'Dusk',
];
const GOODS = [
  'Delta',
  'Diamond',
  'Foil',
  'Line',
  'Winder',
  'Tail',
  'Spar',
  'Bag',
  'Windsock',
  'Sled',
  'Glider',
  'Bridle',
];
const AREAS = ['Deltas', 'Foils', 'Lines', 'Tails', 'Spars', 'Bags', 'Windsocks', 'Gliders', 'Repair'];
const SHELVES = 36;
const SAILS = ['Harbour', 'Meadow', 'Poppy', 'Slate', 'Lagoon', 'Ember'];
const BATCH = 500;

/** Of nine areas with 36 shelves each. */
const pathOf = (i: number) => {
  const area = AREAS[i % AREAS.length]!;
  return [`More ${area.toLowerCase()}`, `${area}, shelf ${1 + (Math.floor(i / AREAS.length) % SHELVES)}`];
};

/** A catalogue as large as `count` asks, in the demo's manner: two variants a product, on shelves of nine areas. */
export async function seedMany(
  db: Database,
  random: Random,
  wanted: { readonly count: number; readonly today: string; readonly pictures: readonly string[] },
  nowMs: number,
): Promise<void> {
  const { count, today, pictures } = wanted;
  for (let from = 0; from < count; from += BATCH) {
    const products = Array.from({ length: Math.min(BATCH, count - from) }, (_, i) =>
      build(from + i, random, today, pictures),
    );
    await db.inTransaction(async () => {
      await importRepository(db).writeProducts(products, nowMs - 90 * 86_400_000);
    });
  }
}

function build(i: number, random: Random, createdDay: string, pictures: readonly string[]): ImportedProduct {
  const good = GOODS[i % GOODS.length]!;
  const name = `${random.pick(WEATHERS)} ${random.pick(BIRDS)} ${good} ${i + 1}`;
  const price = random.whole(390, 24_900);
  const imageSrc = random.pick(pictures);
  const sails = [SAILS[i % SAILS.length]!, SAILS[(i + 1) % SAILS.length]!];
  return {
    productId: null,
    slug: name.toLowerCase().replaceAll(' ', '-'),
    name,
    rows: [],
    brand: 'Hollowtarn',
    shortText: `${good} for ${random.pick(['light', 'steady', 'gusty', 'strong'])} wind.`,
    fullText: `Cut and sewn in the loft above the lake. ${random.pick(['For beginners.', 'For those who know how.'])}`,
    fulfilment: 'parcel',
    leadDays: null,
    downloadFile: null,
    categories: [pathOf(i)],
    tags: [random.pick(['beginner', 'gift', 'sea', 'city', 'spare'])],
    images: [imageSrc],
    attributes: [{ key: 'Wind range', value: `${random.whole(4, 12)}–${random.whole(20, 40)} km/h` }],
    axes: ['Sail'],
    createdDay,
    variants: sails.map((sail, n) => ({
      row: 0,
      sku: `M${i + 1}-${n + 1}`,
      choices: { Sail: sail },
      priceMinor: minor(price),
      wasMinor: random.chance(0.1) ? minor(price + 500) : null,
      costMinor: minor(Math.round(price * 0.46)),
      stock: random.chance(0.05) ? 0 : random.whole(1, 60),
      weightGrams: 200,
      imageSrc,
    })),
  };
}
