import { useEffect, useState } from 'react';
import type { ProductOption } from '~/core/options';
import { ask } from '~/studio/data/api';

export interface PickedProduct {
  readonly slug: string;
  readonly name: string;
  readonly options: readonly ProductOption[];
  readonly variants: readonly { readonly sku: string; readonly choices: Readonly<Record<string, string>> }[];
}

interface Props {
  /** Empty: nothing is picked yet. */
  readonly sku: string;
  /** `isOther`: of another product than before. */
  readonly onPick: (sku: string, isOther: boolean) => void;
  /** Hears of the product that has the SKU. */
  readonly onProduct?: (product: PickedProduct | null) => void;
}

/** One variant: the product is found by its name, then which of it. Says when what is picked is not sold any more. */
export function VariantPicker({ sku, onPick, onProduct }: Props) {
  const [product, setProduct] = useState<PickedProduct | null>(null);
  const [found, setFound] = useState<readonly { readonly slug: string; readonly name: string }[]>([]);
  const [isGone, setGone] = useState(false);
  function take(next: PickedProduct | null): void {
    setProduct(next);
    onProduct?.(next);
  }
  useEffect(() => {
    if (sku === '' || product?.variants.some((variant) => variant.sku === sku)) return;
    ask('GET /api/studio/products/of-sku', { query: { sku } }).then(
      (answer) => {
        take(answer.product);
        setGone(answer.product === null);
      },
      () => setGone(true),
    );
  }, [sku]);

  async function look(typed: string): Promise<void> {
    setFound(
      typed.trim() === '' ? [] : (await ask('GET /api/studio/products', { query: { q: typed.trim() } })).slice(0, 6),
    );
  }

  async function choose(slug: string): Promise<void> {
    const chosen = await ask('GET /api/products/[slug]', { params: { slug } });
    take(chosen);
    setFound([]);
    setGone(false);
    onPick(chosen.variants[0]?.sku ?? '', true);
  }
  return (
    <>
      {product && <p className="font-medium">{product.name}</p>}
      {isGone && (
        <p role="alert" className="text-brick">
          “{sku}” is not sold any more. Choose another product.
        </p>
      )}
      <input
        type="search"
        className="field w-full"
        aria-label="Find the product"
        placeholder={product ? 'Find another product …' : 'Find the product …'}
        onChange={(event) => void look(event.target.value)}
      />
      {found.length > 0 && (
        <ul aria-label="Found" className="flex flex-wrap gap-1">
          {found.map(({ slug, name }) => (
            <li key={slug}>
              <button className="btn" onClick={() => void choose(slug)}>
                {name}
              </button>
            </li>
          ))}
        </ul>
      )}
      {product && product.variants.length > 1 && (
        <select
          className="field"
          aria-label="Which of it"
          value={sku}
          onChange={(event) => onPick(event.target.value, false)}
        >
          {product.variants.map((variant) => (
            <option key={variant.sku} value={variant.sku}>
              {Object.values(variant.choices).join(', ') || variant.sku}
            </option>
          ))}
        </select>
      )}
    </>
  );
}
