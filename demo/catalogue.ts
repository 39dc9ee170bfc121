import { mkdir, writeFile } from 'node:fs/promises';
import path from 'node:path';
import { uniqueSlug } from '~/core/catalogue';
import { UNDER_COST } from './planted';
import { minor } from '~/core/money';
import { addDays } from '~/core/time';
import type { Database } from '~/data';
import { catalogueRepository, importRepository, seedRepository, type ImportedProduct } from '~/data';
import { drawHero, drawInScene, drawMark, drawProduct, SAILS, type Sail } from './artwork';
import { DOWNLOADS_FOLDER } from '~/services/orders/downloads';
import { sailYourOwnOptions } from './options';
import { writePlan } from './plans';
import { BUYERS, CATEGORIES, PRAISE, PRODUCTS, type DemoProduct } from './products';
import type { Random } from './random';

/** Most things cost the shop between a third and a half of their price. */
function costShare(name: string, index: number): number {
  return name === UNDER_COST.product ? UNDER_COST.costShare : 0.36 + ((index * 7) % 15) / 100;
}

/** Writes categories, products, artwork, reviews and 90 days of prices. `today` is YYYY-MM-DD. */
export async function seedCatalogue(db: Database, random: Random, today: string, nowMs: number): Promise<void> {
  const media = path.join(db.dataDir, 'media');
  await mkdir(path.join(media, 'icons'), { recursive: true });
  const files = new Map<string, string>([
    ['icons/hero.svg', drawHero()],
    ['icons/kite.svg', drawMark()],
  ]);
  const taken = new Set<string>();
  const products = PRODUCTS.map((product, i) =>
    buildProduct(product, i, { taken, files }, addDays(today, -random.whole(20, 700))),
  );
  const categories = CATEGORIES.map((category) => {
    const file = `category-${uniqueSlug(category.name, new Set())}.svg`;
    files.set(file, drawInScene(category.shape, SAILS[category.sail]));
    return { ...category, imageSrc: `/media/${file}` };
  });
  await Promise.all([...files].map(([name, svg]) => writeFile(path.join(media, name), svg)));
  const downloads = path.join(db.dataDir, DOWNLOADS_FOLDER);
  await mkdir(downloads, { recursive: true });
  for (const { downloadFile, name, attributes } of products)
    if (downloadFile) {
      const pages = Number(attributes.find((attribute) => attribute.key === 'Pages')?.value ?? 4);
      await writePlan(path.join(downloads, downloadFile), name.replace(/^Plan: /, ''), pages);
    }
  const seed = seedRepository(db);
  await db.inTransaction(async () => {
    await seed.writeCategories(categories);
    await importRepository(db).writeProducts(products, nowMs - 90 * 86_400_000);
    await seed.writeReviews(PRODUCTS.flatMap((product, i) => buildReviews(product, products[i]!.slug, random, today)));
    await seed.writeEarlierPrices(nowMs);
    const winder = products.find((product) => product.name === 'Hoop Winder')!;
    const own = products.find((product) => product.name === 'Sail Your Own')!;
    await catalogueRepository(db).writeOptions(own.slug, sailYourOwnOptions(winder.variants[0]!.sku));
  });
}

function buildProduct(
  product: DemoProduct,
  index: number,
  { taken, files }: { readonly taken: Set<string>; readonly files: Map<string, string> },
  createdDay: string,
): ImportedProduct {
  const slug = uniqueSlug(product.name, taken);
  const sails: readonly (Sail | null)[] = product.sails ?? [null];
  const sizes = product.sizes ?? [['', 0] as const];
  const axis = product.axis ?? 'Size';
  const code = slug.slice(0, 3).toUpperCase() + String(index + 101);
  const picture = (sail: Sail | null) => {
    if (product.noPicture) return null;
    const file = `${slug.slice(0, 40)}${sail ? `-${sail.toLowerCase()}` : ''}.svg`;
    files.set(
      file,
      drawProduct(
        product.shape,
        SAILS[sail ?? CATEGORIES.find((category) => product.path.startsWith(category.name))!.sail],
        index,
      ),
    );
    return `/media/${file}`;
  };
  const images = sails.map(picture).filter((src) => src !== null);
  if (product.sails && !product.noPicture) {
    const file = `${slug.slice(0, 40)}-flying.svg`;
    files.set(file, drawInScene(product.shape, SAILS[product.sails[0]!]));
    images.push(`/media/${file}`);
  }
  const variants = sizes.flatMap(([size, extra]) =>
    sails.map((sail, i) => ({
      row: 0,
      sku: [
        code,
        size &&
          size
            .replace(/[^\w.]/g, '')
            .slice(0, 5)
            .toUpperCase(),
        sail?.slice(0, 3).toUpperCase(),
      ]
        .filter(Boolean)
        .join('-'),
      choices: { ...(size && { [axis]: size }), ...(sail && { Sail: sail }) },
      priceMinor: minor(product.price + extra),
      wasMinor: product.was ? minor(product.was + extra) : null,
      costMinor: minor(Math.round((product.price + extra) * costShare(product.name, index))),
      stock: product.kind === 'download' ? null : (product.stock ?? 12 + ((index * 7 + i * 5) % 40)),
      weightGrams: product.grams,
      imageSrc: picture(sail),
    })),
  );
  return {
    productId: null,
    slug,
    name: product.name,
    rows: [],
    brand: 'Hollowtarn',
    shortText: product.short,
    fullText: product.noPicture ? '' : fullText(product),
    fulfilment: product.kind ?? 'parcel',
    leadDays: product.leadDays ?? null,
    downloadFile: product.kind === 'download' ? `${slug}.pdf` : null,
    categories: [product.path.split(' > ')],
    tags: product.tags ?? [],
    images,
    attributes: Object.entries(product.facts ?? {}).map(([key, value]) => ({ key, value })),
    axes: [...(product.sizes ? [axis] : []), ...(product.sails ? ['Sail'] : [])],
    createdDay,
    variants,
  };
}

function fullText(product: DemoProduct): string {
  const made =
    product.kind === 'download'
      ? 'Print it at home on A3, or have it printed. The link comes with your order and stays good.'
      : product.kind === 'event'
        ? 'Tools, cloth and tea are there. Bring warm socks: the loft is windy by design.'
        : 'Cut and sewn in the loft above the lake. Every part can be had as a spare, for as long as we are here.';
  const skill = product.facts?.['Skill'];
  const wind = product.facts?.['Wind range'];
  const advice =
    skill && wind
      ? `Flies best between ${wind.replace('–', ' and ')}. We would give it to somebody with: ${skill.toLowerCase()}.`
      : '';
  return [made, advice].filter(Boolean).join('\n\n');
}

function buildReviews(product: DemoProduct, slug: string, random: Random, today: string) {
  const count = Math.min(12, Math.round(product.popularity / 3));
  return Array.from({ length: count }, () => {
    const text = random.pick(PRAISE);
    const stars = /little more|could be|Smaller/.test(text) ? random.whole(3, 4) : random.whole(4, 5);
    return { slug, author: random.pick(BUYERS), stars, text, day: addDays(today, -random.whole(3, 300)) };
  });
}
