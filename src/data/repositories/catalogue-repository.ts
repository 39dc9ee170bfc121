import type { Fulfilment, Picture, Product, Review, Variant } from '~/core/catalogue';
import { minor, type Minor } from '~/core/money';
import type { AddOnFacts, OptionRule, ProductOption } from '~/core/options';
import type { Database } from '../database';
import { catalogueBulk } from './catalogue-bulk';
import { catalogueCategories } from './catalogue-categories';
import { catalogueEditing } from './catalogue-editing';
import { catalogueFacets } from './catalogue-facets';
import { catalogueListings } from './catalogue-listings';
import { catalogueSearch } from './catalogue-search';
import { catalogueState } from './catalogue-state';
import { catalogueStock } from './catalogue-stock';
import { ratingOf, type ProductRow } from './product-row';

/** What the cart, prices and orders need to know of a variant. `costMinor` stays on the server. */
/** What owners call the attribute that says where an event is, in lower case. */
const PLACES = ['place', 'where', 'venue', 'location', 'ort', 'wo', 'المكان'];

export interface VariantFacts {
  readonly variantId: number;
  readonly sku: string;
  readonly slug: string;
  readonly name: string;
  readonly choices: Readonly<Record<string, string>>;
  readonly fulfilment: Fulfilment;
  /** Days until what is made to order leaves; null: it is on the shelf. */
  readonly leadDays: number | null;
  readonly priceMinor: Minor;
  /** The lowest price of the 30 days before it was lowered; null: nothing was shown before. */
  readonly lowMinor: Minor | null;
  readonly costMinor: number | null;
  readonly stock: number | null;
  readonly weightGrams: number;
  /** A key among the shop's tax rates; null: its usual one. */
  readonly taxRate: string | null;
  /** What sending one of it adds to delivery. */
  readonly itemDeliveryMinor: number;
  /** The file that is bought, among the shop's downloads; null for other things. */
  readonly downloadFile: string | null;
  /** Where an event is: its attribute of one of these names. null: it says nowhere, or is none. */
  readonly place: string | null;
  readonly picture: Picture | null;
  readonly options: readonly ProductOption[];
  /** Slugs, parents included. */
  readonly categories: readonly string[];
  readonly tags: readonly string[];
  /** Slug of the product offered in its place; null: none. */
  readonly better: string | null;
  /** What one costs in the place of a product that names it as its better one, by that product's slug. */
  readonly insteadMinor: Readonly<Record<string, number>>;
  /** Whether its product has other variants. */
  readonly hasSiblings: boolean;
}

interface VariantRow {
  id: number;
  product_id: number;
  sku: string;
  choices: string;
  price_minor: number;
  was_minor: number | null;
  low_minor: number | null;
  weight_grams: number;
  image_src: string | null;
  quantity: number | null;
}

/** Products as they are sold, with their options; listings and stock are beside it. */
export function catalogueRepository(db: Database) {
  const { bumpVersion, readState } = catalogueState(db);

  async function findProduct(slug: string): Promise<Product | null> {
    const [row] = await db.select<ProductRow>('SELECT * FROM products WHERE slug = $slug AND is_shown = 1', { slug });
    if (!row) return null;
    const params = { id: row.id };
    const [options, variants, images, attributes, categories, tags, reviews] = await Promise.all([
      withAddOns(JSON.parse(row.options) as OptionRule[]),
      db.select<VariantRow>(
        `SELECT v.*, s.quantity FROM variants v LEFT JOIN stock_levels s ON s.variant_id = v.id WHERE product_id = $id ORDER BY position, v.id`,
        params,
      ),
      db.select<Picture>('SELECT src, alt FROM images WHERE product_id = $id ORDER BY position, id', params),
      db.select<{ key: string; value: string }>(
        'SELECT key, value FROM attributes WHERE product_id = $id ORDER BY position, key',
        params,
      ),
      db.select<{ slug: string; name: string }>(
        'SELECT c.slug, c.name FROM product_categories pc JOIN categories c ON c.id = pc.category_id WHERE pc.product_id = $id ORDER BY c.parent_id IS NOT NULL, c.position',
        params,
      ),
      db.select<{ name: string }>('SELECT name FROM tags WHERE product_id = $id ORDER BY name', params),
      db.select<Review>(
        'SELECT author, stars, text, day, answer FROM reviews WHERE product_id = $id AND is_hidden = 0 ORDER BY stars DESC, day DESC LIMIT 20',
        params,
      ),
    ]);
    return {
      id: row.id,
      slug: row.slug,
      name: row.name,
      brand: row.brand,
      shortText: row.short_text,
      fullText: row.full_text,
      fulfilment: row.fulfilment,
      leadDays: row.lead_days,
      axes: JSON.parse(row.axes) as string[],
      variants: variants.map((variant) => toVariant(variant, row.name)),
      pictures: images.map((image) => ({ src: image.src, alt: image.alt || row.name })),
      videoSrc: row.video_src,
      attributes,
      categories,
      tags: tags.map((tag) => tag.name),
      rating: ratingOf(row),
      reviews,
      options,
    };
  }

  async function variantFacts(ids: readonly number[]): Promise<Map<number, VariantFacts>> {
    const rows = await db.select<
      VariantRow & {
        cost_minor: number | null;
        slug: string;
        name: string;
        fulfilment: Fulfilment;
        lead_days: number | null;
        first_image: string | null;
        options: string;
        download_file: string | null;
        place: string | null;
        tax_rate: string | null;
        item_delivery_minor: number;
        variant_count: number;
        category_slugs: string;
        tag_names: string;
        better: string | null;
        instead: string;
      }
    >(
      `SELECT v.*, s.quantity, p.slug, p.name, p.fulfilment, p.lead_days, p.options, p.download_file, p.tax_rate, p.item_delivery_minor, p.better,
         (SELECT count(*) FROM variants o WHERE o.product_id = p.id) variant_count,
         (SELECT json_group_array(DISTINCT s.slug) FROM product_categories pc JOIN categories c ON c.id = pc.category_id
            JOIN categories s ON s.id = c.id OR s.id = c.parent_id WHERE pc.product_id = p.id) category_slugs,
         (SELECT json_group_array(name) FROM tags t WHERE t.product_id = p.id) tag_names,
         (SELECT json_group_object(o.slug, o.better_price_minor) FROM products o
            WHERE o.better = p.slug AND o.better_price_minor IS NOT NULL AND o.is_shown = 1) instead,
         (SELECT value FROM attributes a WHERE p.fulfilment = 'event' AND a.product_id = p.id AND lower(a.key) IN (SELECT value FROM json_each($places))
            ORDER BY position LIMIT 1) place,
         (SELECT src FROM images i WHERE i.product_id = p.id ORDER BY position LIMIT 1) first_image
       FROM variants v JOIN products p ON p.id = v.product_id LEFT JOIN stock_levels s ON s.variant_id = v.id
       WHERE v.id IN (SELECT value FROM json_each($ids)) AND p.is_shown = 1`,
      { ids: JSON.stringify(ids), places: JSON.stringify(PLACES) },
    );
    const rules = new Map(rows.map((row) => [row.id, JSON.parse(row.options) as OptionRule[]]));
    const addOns = await addOnsOf([...rules.values()].flat());
    return new Map(
      rows.map((row) => {
        const src = row.image_src ?? row.first_image;
        return [
          row.id,
          {
            variantId: row.id,
            sku: row.sku,
            slug: row.slug,
            name: row.name,
            choices: JSON.parse(row.choices) as Record<string, string>,
            fulfilment: row.fulfilment,
            leadDays: row.lead_days,
            priceMinor: minor(row.price_minor),
            lowMinor: row.low_minor === null ? null : minor(row.low_minor),
            costMinor: row.cost_minor,
            stock: row.quantity,
            weightGrams: row.weight_grams,
            taxRate: row.tax_rate,
            itemDeliveryMinor: row.item_delivery_minor,
            downloadFile: row.download_file,
            place: row.place,
            picture: src ? { src, alt: row.name } : null,
            options: rules.get(row.id)!.map((rule) => asked(rule, addOns)),
            categories: JSON.parse(row.category_slugs) as string[],
            tags: JSON.parse(row.tag_names) as string[],
            better: row.better,
            insteadMinor: JSON.parse(row.instead) as Record<string, number>,
            hasSiblings: row.variant_count > 1,
          },
        ];
      }),
    );
  }

  /** Variants by SKU; what is not sold is left out. */
  async function factsOfSkus(skus: readonly string[]): Promise<Map<string, VariantFacts>> {
    if (skus.length === 0) return new Map();
    const ids = await db.select<{ id: number }>(
      'SELECT id FROM variants WHERE sku IN (SELECT value FROM json_each($skus))',
      {
        skus: JSON.stringify(skus),
      },
    );
    const facts = await variantFacts(ids.map(({ id }) => id));
    return new Map([...facts.values()].map((one) => [one.sku, one]));
  }

  /** The variants of products by slug, in their order. */
  async function factsOfProducts(slugs: readonly string[]): Promise<Map<string, VariantFacts[]>> {
    const ids = await db.select<{ id: number }>(
      `SELECT v.id FROM products p JOIN variants v ON v.product_id = p.id
       WHERE p.slug IN (SELECT value FROM json_each($slugs)) ORDER BY v.position, v.id`,
      { slugs: JSON.stringify(slugs) },
    );
    const facts = await variantFacts(ids.map(({ id }) => id));
    const bySlug = new Map<string, VariantFacts[]>();
    for (const one of facts.values()) {
      const own = bySlug.get(one.slug);
      if (own) own.push(one);
      else bySlug.set(one.slug, [one]);
    }
    return bySlug;
  }

  /** What add-ons among these rules are now, by SKU. */
  async function addOnsOf(rules: readonly OptionRule[]): Promise<Map<string, AddOnFacts>> {
    const skus = rules.flatMap((rule) => (rule.kind === 'addOn' ? [rule.sku] : []));
    if (skus.length === 0) return new Map();
    const rows = await db.select<Omit<AddOnFacts, 'isParcel'> & { sku: string; fulfilment: Fulfilment }>(
      `SELECT v.sku, p.fulfilment, v.id variantId, p.name, v.price_minor priceMinor, v.weight_grams weightGrams, s.quantity stock
       FROM variants v JOIN products p ON p.id = v.product_id LEFT JOIN stock_levels s ON s.variant_id = v.id
       WHERE v.sku IN (SELECT value FROM json_each($skus)) AND p.is_shown = 1`,
      { skus: JSON.stringify(skus) },
    );
    return new Map(rows.map(({ sku, fulfilment, ...facts }) => [sku, { ...facts, isParcel: fulfilment === 'parcel' }]));
  }

  async function withAddOns(rules: readonly OptionRule[]): Promise<ProductOption[]> {
    const addOns = await addOnsOf(rules);
    return rules.map((rule) => asked(rule, addOns));
  }

  async function readOptions(slug: string): Promise<OptionRule[] | null> {
    const [row] = await db.select<{ options: string }>('SELECT options FROM products WHERE slug = $slug', { slug });
    return row ? (JSON.parse(row.options) as OptionRule[]) : null;
  }

  /** Which of these SKUs there are. */
  async function knownSkus(skus: readonly string[]): Promise<Set<string>> {
    const rows = await db.select<{ sku: string }>(
      'SELECT sku FROM variants WHERE sku IN (SELECT value FROM json_each($skus))',
      { skus: JSON.stringify(skus) },
    );
    return new Set(rows.map((row) => row.sku));
  }

  async function writeOptions(slug: string, rules: readonly OptionRule[]): Promise<void> {
    await db.run('UPDATE products SET options = $rules WHERE slug = $slug', { slug, rules: JSON.stringify(rules) });
    await bumpVersion();
  }

  /** Every product, shown or not. */
  async function countAll(): Promise<number> {
    const [row] = await db.select<{ n: number }>('SELECT count(*) n FROM products');
    return row!.n;
  }

  /** Products that shoppers see, and those of them with a variant that costs nothing. */
  async function countShown(): Promise<{ shown: number; free: number }> {
    const [row] = await db.select<{ shown: number; free: number }>(
      `SELECT count(*) shown, coalesce(sum(p.is_free = 0 AND EXISTS (SELECT 1 FROM variants v WHERE v.product_id = p.id AND v.price_minor = 0)), 0) free
       FROM products p WHERE p.is_shown = 1`,
    );
    return row!;
  }

  return {
    countAll,
    countShown,
    ...catalogueBulk(db),
    ...catalogueCategories(db),
    ...catalogueEditing(db),
    ...catalogueFacets(db),
    ...catalogueListings(db),
    ...catalogueStock(db),
    ...catalogueSearch(db),
    readState,
    findProduct,
    readOptions,
    writeOptions,
    withAddOns,
    knownSkus,
    variantFacts,
    factsOfProducts,
    factsOfSkus,
  };
}

/** A rule as shoppers are asked it. */
function asked(rule: OptionRule, addOns: ReadonlyMap<string, AddOnFacts>): ProductOption {
  return rule.kind === 'addOn' ? { ...rule, product: addOns.get(rule.sku) ?? null } : rule;
}

function toVariant(row: VariantRow, name: string): Variant {
  return {
    id: row.id,
    sku: row.sku,
    choices: JSON.parse(row.choices) as Record<string, string>,
    priceMinor: minor(row.price_minor),
    // Struck through is only what was shown before it was lowered.
    wasMinor:
      row.was_minor !== null && row.was_minor > row.price_minor && row.low_minor !== null ? minor(row.was_minor) : null,
    lowMinor: row.low_minor === null ? null : minor(row.low_minor),
    stock: row.quantity,
    weightGrams: row.weight_grams,
    picture: row.image_src ? { src: row.image_src, alt: name } : null,
  };
}
