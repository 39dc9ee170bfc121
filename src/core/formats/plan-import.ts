import type { ProductRecord, RowProblem } from './catalogue-rows';

/** Which product an SKU belongs to today. */
export interface KnownSku {
  readonly productId: number;
  readonly productName: string;
}

export interface PlannedProduct extends ProductRecord {
  /** null: will be created. */
  readonly productId: number | null;
}

export interface ImportPlan {
  readonly products: readonly PlannedProduct[];
  readonly problems: readonly RowProblem[];
  readonly productsCreated: number;
  readonly productsChanged: number;
  readonly variantsCreated: number;
  readonly variantsChanged: number;
  /** Rows that are wrong themselves; the others of their products stay out with them. */
  readonly rowsRefused: number;
}

/** What an import would do: SKUs that are known change their product, others make new variants or products. */
export function planImport(
  records: readonly ProductRecord[],
  problems: readonly RowProblem[],
  known: ReadonlyMap<string, KnownSku>,
): ImportPlan {
  const all = [...problems];
  const products: PlannedProduct[] = [];
  let variantsChanged = 0;
  for (const record of records) {
    const hits = record.variants.flatMap((variant) => {
      const owner = known.get(variant.sku);
      return owner ? [{ variant, owner }] : [];
    });
    const owner = hits[0]?.owner ?? null;
    const astray = hits.filter((hit) => hit.owner.productId !== owner?.productId);
    for (const { variant, owner: other } of astray) {
      all.push({ row: variant.row, code: 'csv-sku-elsewhere', facts: { sku: variant.sku, name: other.productName } });
    }
    if (astray.length > 0) continue;
    products.push({ ...record, productId: owner?.productId ?? null });
    variantsChanged += hits.length;
  }
  const variants = products.reduce((sum, product) => sum + product.variants.length, 0);
  return {
    products,
    problems: all.sort((a, b) => a.row - b.row),
    productsCreated: products.filter((product) => product.productId === null).length,
    productsChanged: products.filter((product) => product.productId !== null).length,
    variantsCreated: variants - variantsChanged,
    variantsChanged,
    rowsRefused: new Set(all.map((problem) => problem.row)).size,
  };
}
