import type { Fulfilment } from '~/core/catalogue';
import type { AddOnFacts, OptionRule, ProductOption } from '~/core/options';
import type { Database } from '../database';
import { catalogueState } from './catalogue-state';

/** A rule as shoppers are asked it. */
export function asked(rule: OptionRule, addOns: ReadonlyMap<string, AddOnFacts>): ProductOption {
  return rule.kind === 'addOn' ? { ...rule, product: addOns.get(rule.sku) ?? null } : rule;
}

/** Options of products, and the variants that come along with them. */
export function addOnsAndOptions(db: Database) {
  const { bumpVersion } = catalogueState(db);
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

  return { addOnsOf, withAddOns, readOptions, knownSkus, writeOptions };
}
