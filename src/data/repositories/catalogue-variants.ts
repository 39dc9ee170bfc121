import { addOnsAndOptions, asked } from './catalogue-options';
import type { Fulfilment, Picture } from '~/core/catalogue';
import { minor, type Minor } from '~/core/money';
import type { OptionRule, ProductOption } from '~/core/options';
import type { Database } from '../database';

/** What owners call the attribute that says where an event is, in lower case. */
const PLACES = ['place', 'where', 'venue', 'location', 'ort', 'wo', 'المكان'];

/** What the cart, prices and orders need to know of a variant. `costMinor` stays on the server. */
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

export interface VariantRow {
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

/** What the cart, prices and orders need to know of variants. */
export function soldVariants(db: Database) {
  const { addOnsOf } = addOnsAndOptions(db);
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

  return { variantFacts };
}

export function variantLookups(db: Database) {
  const { variantFacts } = soldVariants(db);
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

  return { factsOfSkus, factsOfProducts };
}
